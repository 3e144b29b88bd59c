import { errorWords } from '../words/errors';
import {
  plan,
  whyNot,
  type Front,
  type Plan,
  type PlanRequest,
  type Progress,
  type WhyNot
} from '../core/planner';

export type PlanMessage =
  | { kind: 'plan'; request: PlanRequest }
  | { kind: 'why'; request: PlanRequest; current: Plan; part: string };
export type PlanReply =
  | { kind: 'progress'; progress: Progress }
  | { kind: 'plan'; front: Front }
  | { kind: 'why'; why: WhyNot }
  | { kind: 'error'; message: string };

const EVERY_MS = 120;
let told = 0;

const progress = (p: Progress) => {
  const now = performance.now();
  if (now - told < EVERY_MS) return;
  told = now;
  self.postMessage({ kind: 'progress', progress: p } satisfies PlanReply);
};

// The page ends the worker to cancel: the search holds no state worth keeping.
self.onmessage = ({ data }: MessageEvent<PlanMessage>) => {
  let reply: PlanReply;
  try {
    reply =
      data.kind === 'plan'
        ? { kind: 'plan', front: plan(data.request, { progress }) }
        : { kind: 'why', why: whyNot(data.request, data.current, data.part, { progress }) };
  } catch (error) {
    reply = { kind: 'error', message: errorWords(error) };
  }
  self.postMessage(reply);
};
