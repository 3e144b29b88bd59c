import { diagnoseMachine, type MachineDiagnosis } from '../core/diagnosis';
import { partSet, type Build, type Part, type Start } from '../core/model';

export interface StartMessage {
  build: Build;
  parts: Part[];
  starts: Start[];
}
export type StartReply = { kind: 'diagnosis'; value: MachineDiagnosis } | { kind: 'error'; message: string };

self.onmessage = ({ data }: MessageEvent<StartMessage>) => {
  let reply: StartReply;
  try {
    reply = { kind: 'diagnosis', value: diagnoseMachine(data.build, partSet(data.parts), data.starts) };
  } catch (error) {
    reply = { kind: 'error', message: error instanceof Error ? error.message : String(error) };
  }
  self.postMessage(reply);
};
