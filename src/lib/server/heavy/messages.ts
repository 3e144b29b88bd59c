import { type Problem } from '../../words';

/** What a worker is asked, and what it answers: a value, or why there is none. */
export interface Asked {
  id: number;
  job: string;
  input: unknown;
}
export interface Answered {
  id: number;
  value?: unknown;
  failure?: { message: string; what?: string; problems?: Problem[]; tooLarge?: boolean };
}
/** What a worker says of itself when it starts: its thread, empty where the system does not tell. */
export interface Started {
  thread: string;
}
