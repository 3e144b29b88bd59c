import { errorWords } from '../words/errors';
import type { BootPlan, NoPlan } from '../core/boot';
import { planBeside } from '../core/boot-files';
import { kitOf } from '../core/kit';
import { partSet, type Build, type Part } from '../core/model';

export interface BootMessage {
  build: Build;
  parts: Part[];
}
export type BootReply = { kind: 'plan'; value: BootPlan | NoPlan } | { kind: 'error'; message: string };

self.onmessage = ({ data }: MessageEvent<BootMessage>) => {
  let reply: BootReply;
  try {
    reply = { kind: 'plan', value: planBeside(kitOf(data.build, partSet(data.parts))) };
  } catch (error) {
    reply = { kind: 'error', message: errorWords(error) };
  }
  self.postMessage(reply);
};
