import { server } from '../../words/server';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker, type WorkerOptions } from 'node:worker_threads';
import { projectFolder } from '../catalogue';
import { Refused } from '../errors';
import type { JobInput, JobName, JobOutput } from './jobs';
import type { Answered, Started } from './messages';
import { InvalidDocument } from '../../words';

/**
 * How long a job may work, in milliseconds of its processor; where the system does not tell, on the clock. One that
 * works within a time of its own is stopped only long after it.
 */
const limits: Record<JobName, number> = {
  readBuild: 5000,
  readPart: 5000,
  readParts: 8000,
  check: 5000,
  checkFile: 8000,
  resolve: 6000,
  resolveFile: 7000,
  plan: 12_000,
  column: 5000,
  memoryMap: 5000,
  boot: 12_000,
  bootCheck: 5000,
  rehearse: 5000,
  diagnose: 8000,
  export: 8000,
  summary: 5000,
  readShelf: 8000,
  readArchive: 60_000,
  writeArchive: 60_000
};

/** On a busy machine a job may take so many times as long on the clock. */
const PATIENCE = 8;
/** Length of the system's ticks of processor time. */
const TICK_MS = 10;

/** Processor time of a thread, by its folder below /proc; null where it cannot be read. */
function processorMs(thread: string | undefined): number | null {
  if (!thread) return null;
  try {
    // The name in brackets may hold blanks; user and system time are the 12th and 13th fields after it.
    const fields = readFileSync(join('/proc', thread, 'stat'), 'utf8')
      .replace(/^.*\) /s, '')
      .split(' ');
    return (Number(fields[11]) + Number(fields[12])) * TICK_MS;
  } catch {
    return null;
  }
}

interface Waiting {
  job: JobName;
  input: unknown;
  signal: AbortSignal | undefined;
  done: (value: never) => void;
  failed: (error: Error) => void;
}

export interface PoolOptions {
  /** Threads at the most. */
  size?: number;
  /** Jobs that may wait; one more is refused. */
  queue?: number;
  /** Memory of one thread, in MiB. */
  memoryMiB?: number;
  /** Limits in milliseconds that differ from the usual ones. */
  limits?: Partial<Record<JobName, number>>;
}

/** A thread of the worker: as built, or beside this file while that is TypeScript, which a thread has to be taught. */
function newThread(options: WorkerOptions): Worker {
  if (!import.meta.url.endsWith('.ts'))
    return new Worker(
      pathToFileURL(join(projectFolder(), 'build', process.env.YJ_WORDS ?? '', 'heavy', 'worker.js')),
      options
    );
  const source = JSON.stringify(new URL('worker.ts', import.meta.url).href);
  const code = `import('tsx/esm/api').then((tsx) => { tsx.register(); return import(${source}); })`;
  return new Worker(code, { ...options, eval: true });
}

/**
 * Runs jobs in worker threads, each with a limit on its time and memory. A job whose asker is gone, or that passes a
 * limit, ends with its thread; the next one gets a new thread.
 */
export class Pool {
  private readonly idle: Worker[] = [];
  private readonly threads = new WeakMap<Worker, string>();
  private readonly waiting: Waiting[] = [];
  private running = 0;
  private count = 0;

  constructor(private readonly options: PoolOptions = {}) {}

  /**
   * @throws Refused when too many wait (429), or when it takes longer or more memory than it may (422);
   *   InvalidDocument as the job does
   */
  run<J extends JobName>(job: J, input: JobInput<J>, signal?: AbortSignal): Promise<JobOutput<J>> {
    if (this.waiting.length >= (this.options.queue ?? 32))
      return Promise.reject(
        new Refused(429, server.busy, {
          'retry-after': '3'
        })
      );
    return new Promise<JobOutput<J>>((done, failed) => {
      const one: Waiting = { job, input, signal, done, failed };
      this.waiting.push(one);
      // Who is gone before the turn came makes room for others.
      signal?.addEventListener('abort', () => {
        const at = this.waiting.indexOf(one);
        if (at >= 0) failed(this.waiting.splice(at, 1) && gone());
      });
      this.next();
    });
  }

  /** Ends all threads. */
  async close(): Promise<void> {
    await Promise.all(this.idle.splice(0).map((w) => w.terminate()));
  }

  private next(): void {
    if (this.running >= (this.options.size ?? 2)) return;
    const one = this.waiting.shift();
    if (!one) return;
    if (one.signal?.aborted) {
      one.failed(gone());
      return this.next();
    }
    this.running++;
    this.start(one);
  }

  private start({ job, input, signal, done, failed }: Waiting): void {
    const worker = this.idle.pop() ?? this.thread();
    const id = ++this.count;
    worker.ref();
    const ended = (isWhole: boolean) => {
      clearTimeout(timer);
      signal?.removeEventListener('abort', abort);
      for (const event of ['message', 'error', 'exit']) worker.removeAllListeners(event);
      worker.unref();
      if (isWhole) this.idle.push(worker);
      else {
        // A thread that is being ended may still say why.
        worker.on('error', () => {});
        void worker.terminate();
      }
      this.running--;
      this.next();
    };
    const fail = (error: Error, isWhole = false) => {
      ended(isWhole);
      failed(error);
    };
    const ms = this.options.limits?.[job] ?? limits[job];
    const began = performance.now();
    let atStart = processorMs(this.threads.get(worker));
    const watch = (): void => {
      const spent = performance.now() - began;
      const thread = this.threads.get(worker);
      const now = processorMs(thread);
      // A thread that is still loading has not begun to work.
      const left = thread === undefined ? ms : ms - (now === null ? spent : now - (atStart ?? now));
      if (left <= 0 || spent >= ms * PATIENCE) fail(tooLong(ms));
      else timer = setTimeout(watch, Math.max(left, 50));
    };
    let timer = setTimeout(watch, ms);
    const abort = () => fail(gone());
    signal?.addEventListener('abort', abort);
    worker.on('message', (answer: Answered | Started) => {
      if ('thread' in answer) {
        this.threads.set(worker, answer.thread);
        atStart = processorMs(answer.thread);
        return;
      }
      if (answer.id !== id) return;
      if (answer.failure) return fail(errorOf(answer.failure), true);
      ended(true);
      done(answer.value as never);
    });
    worker.on('error', (error: NodeJS.ErrnoException) =>
      fail(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooLarge(this.memory) : error)
    );
    worker.on('exit', () => fail(new Error('the worker ended')));
    worker.postMessage({ id, job, input });
  }

  private get memory(): number {
    return this.options.memoryMiB ?? 512;
  }

  private thread(): Worker {
    return newThread({
      resourceLimits: { maxOldGenerationSizeMb: this.memory, maxYoungGenerationSizeMb: 64 }
    });
  }
}

const errorOf = ({ message, what, problems, tooLarge }: NonNullable<Answered['failure']>): Error =>
  problems ? new InvalidDocument(problems, what) : tooLarge ? new Refused(422, message) : new Error(message);

const tooLong = (ms: number) => new Refused(422, server.tooLong(Math.round(ms / 1000)));
const tooLarge = (mib: number) => new Refused(422, server.tooMuchMemory(mib));
const gone = () => new Refused(499, server.askerGone);

/** The threads of this process. */
export const pool = new Pool();
