import { errorWords } from '../words/errors';
import {
  beginCourse,
  diagnose,
  diagnoseMachine,
  episodeOf,
  explanations,
  playAdvised,
  type Course,
  type Explained,
  type MachineDiagnosis
} from '../core/diagnosis';
import { partSet, type Build, type Part, type Start } from '../core/model';

export type StartMessage =
  | { kind: 'diagnose'; build: Build; parts: Part[]; starts: Start[] }
  | { kind: 'judge'; course: Course };
export type StartReply =
  | { kind: 'diagnosis'; value: MachineDiagnosis }
  | { kind: 'judged'; value: Judged }
  | { kind: 'error'; message: string };

/** How a course of practice compares with the advice of this page, on the same hidden faults. */
export interface Judged {
  /** Minutes that following the advice takes, over some plays. */
  minutes: number;
  /** What would be told of what was noted so far. */
  told: Explained[];
}

const PLAYS = 5;

function judge(course: Course): Judged {
  const plays = Array.from({ length: PLAYS }, () => {
    const begun = beginCourse(course.modes, course.hidden, course.era, course.family, Math.random);
    return playAdvised(begun, Math.random).course.minutes;
  });
  const d = diagnose(course.modes, episodeOf(course.notes), course.era, course.family);
  return { minutes: plays.reduce((a, b) => a + b, 0) / PLAYS, told: explanations(d).slice(0, 5) };
}

function answer(data: StartMessage): StartReply {
  return data.kind === 'judge'
    ? { kind: 'judged', value: judge(data.course) }
    : { kind: 'diagnosis', value: diagnoseMachine(data.build, partSet(data.parts), data.starts) };
}

self.onmessage = ({ data }: MessageEvent<StartMessage>) => {
  let reply: StartReply;
  try {
    reply = answer(data);
  } catch (error) {
    reply = { kind: 'error', message: errorWords(error) };
  }
  self.postMessage(reply);
};
