export * from './types';
export {
  plan,
  front,
  whyNot,
  whatToDrop,
  demands,
  keeping,
  type Front,
  type Drop,
  type Demand,
  type WhyNot
} from './plan';
export { benchFor, search } from './search';
export { adopt } from './adopt';
export { middlePrice } from './pool';
