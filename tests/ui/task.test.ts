import { expect } from 'chai';
import '../support/runes';
import { Task, type TaskEnd } from '../../src/lib/ui/task/task.svelte';

/** A worker that does what the test says, and tells whether it was ended. */
class FakeWorker {
  ended = false;
  asked: unknown[] = [];
  onmessage: ((event: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  postMessage(message: unknown) {
    this.asked.push(message);
  }
  terminate() {
    this.ended = true;
  }
}

describe('a long computation of a page', () => {
  const made: FakeWorker[] = [];
  const taskOf = (limitSeconds?: number) =>
    new Task<string, string>({
      limitSeconds,
      make: () => {
        const worker = new FakeWorker();
        made.push(worker);
        return worker as unknown as Worker;
      }
    });
  beforeEach(() => made.splice(0));

  it('ends its worker after the last answer', () => {
    const task = taskOf();
    const answers: string[] = [];
    task.run('ask', (a) => answers.push(a) < 2, expect.fail);
    expect([task.isRunning, made[0].asked]).to.deep.equal([true, ['ask']]);
    made[0].onmessage!({ data: 'half' });
    expect([task.isRunning, made[0].ended]).to.deep.equal([true, false]);
    made[0].onmessage!({ data: 'whole' });
    expect([task.isRunning, made[0].ended]).to.deep.equal([false, true]);
    expect(answers).to.deep.equal(['half', 'whole']);
  });
  it('is ended when it takes longer than it may, and says so once', async () => {
    const task = taskOf(1);
    const why = await new Promise<TaskEnd>((done) => task.run('ask', () => false, done));
    expect([why, task.isRunning, made[0].ended]).to.deep.equal(['too-long', false, true]);
  });
  it('says when the worker broke', () => {
    const task = taskOf();
    const ends: TaskEnd[] = [];
    task.run(
      'ask',
      () => false,
      (why) => ends.push(why)
    );
    made[0].onerror!();
    expect([ends, task.isRunning]).to.deep.equal([['broken'], false]);
  });
  it('a second question ends the first, whose late answer counts no more', () => {
    const task = taskOf();
    const answers: string[] = [];
    const take = (a: string) => answers.push(a) < 0;
    task.run('first', take, expect.fail);
    task.run('second', take, expect.fail);
    made[0].onmessage!({ data: 'late' });
    expect([made[0].ended, made[1].ended, answers]).to.deep.equal([true, false, []]);
    task.stop();
    expect(made[1].ended).to.equal(true);
  });
  it('a worker that was loaded ahead takes the first question', () => {
    const task = taskOf();
    task.warm();
    task.run('ask', () => false, expect.fail);
    expect(made.length).to.equal(1);
    task.warm();
    task.close();
    expect(made.every((w) => w.ended)).to.equal(true);
  });
});
