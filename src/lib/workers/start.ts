import { diagnoseMachine, type MachineDiagnosis } from '../core/diagnosis';
import { kitOf } from '../core/kit';
import type { Build, Part, Start } from '../core/model';
import type { Finding } from '../core/rules';

export interface StartMessage {
  build: Build;
  parts: Part[];
  findings: Finding[];
  start: Start;
}
export type StartReply = { kind: 'diagnosis'; value: MachineDiagnosis } | { kind: 'error'; message: string };

self.onmessage = ({ data }: MessageEvent<StartMessage>) => {
  let reply: StartReply;
  try {
    const kit = kitOf(data.build, new Map(data.parts.map((p) => [p.id, p])));
    reply = { kind: 'diagnosis', value: diagnoseMachine(kit, data.findings, data.start) };
  } catch (error) {
    reply = { kind: 'error', message: error instanceof Error ? error.message : String(error) };
  }
  self.postMessage(reply);
};
