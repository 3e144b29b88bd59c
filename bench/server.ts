import { Agent, request } from 'node:http';
import { readFileSync, rmSync } from 'node:fs';
import { writeBuildFile } from '../src/lib/formats';
import { demo, parts } from '../tests/support/demo';
import { startServer, type Running } from '../tests/support/server';
import { ascending, at, ms, print } from './figures';

let agent = new Agent();

/** Connections of a run of their own: the server closes idle ones after a while. */
const connect = () => {
  agent.destroy();
  agent = new Agent({ keepAlive: true, maxSockets: 64 });
};

interface Call {
  method: string;
  path: string;
  body?: string;
}

/** One request; resolves to its milliseconds, or to null when it was refused because too much waits. */
function timed(port: number, { method, path, body }: Call): Promise<number | null> {
  const start = performance.now();
  return new Promise((done, fail) => {
    const headers = body
      ? { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }
      : {};
    const call = request(
      { host: '127.0.0.1', port, path: `/api/v1${path}`, method, headers, agent },
      (reply) => {
        if (reply.statusCode !== 200 && reply.statusCode !== 429)
          fail(new Error(`${path}: ${reply.statusCode}`));
        reply.resume().on('end', () => done(reply.statusCode === 429 ? null : performance.now() - start));
      }
    );
    call.on('error', (error: NodeJS.ErrnoException) =>
      // The server closes a connection that was idle; whoever was about to use it asks again.
      call.reusedSocket && error.code === 'ECONNRESET'
        ? timed(port, { method, path, body }).then(done, fail)
        : fail(error)
    );
    call.end(body);
  });
}

/**
 * So many requests a second, each started when its time has come, whether others have ended or not.
 * @returns the milliseconds of those that were answered, ascending, and how many were refused
 */
async function paced(
  port: number,
  call: Call,
  perSecond: number,
  seconds: number
): Promise<{ took: number[]; refused: number }> {
  connect();
  const asked: Promise<number | null>[] = [];
  const start = performance.now();
  for (let due = 0; due < seconds * perSecond;) {
    const wanted = Math.min(seconds * perSecond, ((performance.now() - start) / 1000) * perSecond);
    for (; due < wanted; due++) asked.push(timed(port, call));
    await new Promise((done) => setTimeout(done, 2));
  }
  const answers = await Promise.all(asked);
  const took = ascending(answers.filter((time) => time !== null));
  return { took, refused: answers.length - took.length };
}

/** As many as go, with so many at a time. */
async function flatOut(port: number, call: Call, atOnce: number, seconds: number): Promise<number> {
  connect();
  const end = performance.now() + seconds * 1000;
  let count = 0;
  await Promise.all(
    Array.from({ length: atOnce }, async () => {
      while (performance.now() < end) {
        if ((await timed(port, call)) !== null) count++;
      }
    })
  );
  return count / seconds;
}

/** Resident memory of a process, in MB. */
const resident = ({ pid }: Running): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid()}/status`, 'utf8'))![1]) / 1024;

/** Checks a second on loopback from the built server, their times, and its memory over `seconds`. */
export async function benchServer(seconds = 20): Promise<void> {
  const server = await startServer();
  const file = writeBuildFile(demo('plover'), parts);
  // What is kept of a stored build answers at once; a file is read and checked anew in two threads.
  const calls: [string, Call, number][] = [
    ['check a stored build', { method: 'GET', path: '/builds/plover/check' }, 300],
    ['check a file that is sent', { method: 'POST', path: '/check', body: file }, 60]
  ];
  const table = [['on loopback', 'most a second', 'asked a second', 'median ms', 'p99 ms', 'refused']];
  try {
    for (const [name, call, rate] of calls) {
      await paced(server.port, call, rate / 3, 3);
      const most = await flatOut(server.port, call, 4, 5);
      const { took, refused } = await paced(server.port, call, rate, 10);
      const times = [ms(at(took, 0.5)), ms(at(took, 0.99)), refused ? String(refused) : ''];
      table.push([name, String(Math.round(most)), String(rate), ...times]);
    }
    print(table);
    const memory: number[] = [];
    const sampler = setInterval(() => memory.push(resident(server)), 1000);
    const { took } = await paced(server.port, calls[0][1], 300, seconds);
    clearInterval(sampler);
    const fifth = Math.ceil(memory.length / 5);
    const means = Array.from({ length: 5 }, (_, i) => {
      const part = memory.slice(i * fifth, (i + 1) * fifth);
      return Math.round(part.reduce((a, b) => a + b, 0) / part.length);
    });
    console.log(
      `${seconds} s at 300 a second: ${took.length} checks, median ${ms(at(took, 0.5))} ms, p99 ${ms(at(took, 0.99))} ms; memory resident in each fifth of the time: ${means.join(', ')} MB, at most ${Math.round(Math.max(...memory))}`
    );
  } finally {
    await server.stop();
    agent.destroy();
    rmSync(server.folder, { recursive: true, force: true });
  }
}
