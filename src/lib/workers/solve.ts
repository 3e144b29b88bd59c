import { errorWords } from '../words/errors';
import { partSet, type Build, type Part } from '../core/model';
import { explain, resolve, type Explanation, type Resolution, type ResolveOptions } from '../core/solver';

export type SolveRequest =
  | { kind: 'resolve'; build: Build; parts: Part[]; options: ResolveOptions }
  | { kind: 'explain'; build: Build; parts: Part[]; item: string; setting: string; position: string };

export type SolveReply =
  | { kind: 'resolve'; result: Resolution }
  | { kind: 'explain'; result: Explanation }
  | { kind: 'error'; message: string };

// The page ends the worker to cancel: the search holds no state worth keeping.
self.onmessage = (event: MessageEvent<SolveRequest>) => {
  const request = event.data;
  const parts = partSet(request.parts);
  let reply: SolveReply;
  try {
    reply =
      request.kind === 'resolve'
        ? { kind: 'resolve', result: resolve(request.build, parts, request.options) }
        : {
            kind: 'explain',
            result: explain(request.build, parts, request.item, request.setting, request.position)
          };
  } catch (error) {
    reply = { kind: 'error', message: errorWords(error) };
  }
  self.postMessage(reply);
};
