export * from './machine';
export * from './lines';
export * from './relation';
export { standing } from './standing';
export { systemPart, pnpPart, isPnp } from './system';
export { unreachable } from './reach';
export { isHome } from './homes';
export { sharingContext } from './context';
export { unknownsOf, type Unknown } from './unknown';
