/** Why a task gave no answer: it took longer than it may, or its worker did not start or broke. */
export type TaskEnd = 'too-long' | 'broken';

/** How long a task of a page may take. The page ends its worker then, and with it whatever memory it holds. */
export const TASK_LIMIT_S = 60;

export interface TaskOptions {
  /** Makes a worker that answers each message with one or more messages. */
  make: () => Worker;
  limitSeconds?: number;
}

/**
 * One long computation beside the page: it can be stopped, says for how many seconds it has run, and is ended when it
 * takes longer than it may. Starting another one ends the one before.
 */
export class Task<Asked, Answer> {
  isRunning = $state(false);
  seconds = $state(0);
  private worker: Worker | null = null;
  /** A worker that has its code already, so that it also starts while the server is away. */
  private spare: Worker | null = null;
  private clock: ReturnType<typeof setInterval> | undefined;

  constructor(private readonly options: TaskOptions) {}

  /** Loads the code of the worker ahead. */
  warm(): void {
    this.spare ??= this.options.make();
  }

  /**
   * @param answered gets every answer; it returns whether more are to come
   * @param failed is called at most once, and then no answer comes any more
   */
  run(asked: Asked, answered: (answer: Answer) => boolean, failed: (why: TaskEnd) => void): void {
    this.stop();
    const worker = this.spare ?? this.options.make();
    this.spare = null;
    this.worker = worker;
    this.isRunning = true;
    const end = (why: TaskEnd) => {
      this.stop();
      failed(why);
    };
    this.clock = setInterval(() => {
      this.seconds++;
      if (this.seconds >= (this.options.limitSeconds ?? TASK_LIMIT_S)) end('too-long');
    }, 1000);
    worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      if (this.worker !== worker) return;
      if (!answered(data) && this.worker === worker) this.stop();
    };
    worker.onerror = () => end('broken');
    worker.postMessage(asked);
  }

  stop(): void {
    clearInterval(this.clock);
    this.worker?.terminate();
    this.worker = null;
    this.isRunning = false;
    this.seconds = 0;
  }

  /** Lets everything go when the page is left. */
  close(): void {
    this.stop();
    this.spare?.terminate();
    this.spare = null;
  }
}
