import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { sure } from '../../core/model';
import { TooLarge } from '../../core/solver';
import { jobs, type JobName } from './jobs';
import type { Asked, Answered, Started } from './messages';
import { InvalidDocument } from '../../words';
import { errorWords } from '../../words/errors';

const port = sure(parentPort, 'parent port');

try {
  // Of this thread alone: whoever only looks something up goes before.
  setPriority(10);
} catch {
  // Not everywhere allowed, and only a courtesy.
}

/** The folder of this thread below /proc; nothing where the system has none. */
function threadFolder(): string {
  try {
    return readlinkSync('/proc/thread-self');
  } catch {
    return '';
  }
}
port.postMessage({ thread: threadFolder() } satisfies Started);

const failure = (error: unknown): Answered['failure'] =>
  error instanceof InvalidDocument
    ? { problems: error.problems, what: error.what, message: error.message }
    : {
        message: errorWords(error),
        tooLarge: error instanceof TooLarge
      };

port.on('message', ({ id, job, input }: Asked) => {
  const work = jobs[job as JobName] as (input: unknown) => unknown;
  void Promise.resolve()
    .then(() => work(input))
    .then(
      (value): Answered => ({ id, value }),
      (error: unknown): Answered => ({ id, failure: failure(error) })
    )
    .then((answer) => port.postMessage(answer));
});
