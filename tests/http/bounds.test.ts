import { expect } from 'chai';
import { bombs } from '../support/bombs';
import { useServer } from '../support/server';
import { isTorture, torture } from '../support/torture';

/** Answers that a request may get which costs more than anybody needs. */
const polite = new Set([200, 201, 422, 429]);

describe('work without bounds', () => {
  const server = useServer();
  const throwBomb = (i: number, signal?: AbortSignal) => {
    const { path, type, body } = bombs[i % bombs.length];
    return fetch(`${server.it.url}/api/v1${path}`, {
      method: 'POST',
      headers: { 'content-type': type },
      body,
      signal
    });
  };
  const looks = [
    '/api/v1/builds',
    '/api/v1/builds/plover',
    '/api/v1/parts?q=irq%2010&limit=20',
    '/api/v1/shelf?limit=20'
  ];

  it('is answered politely', async () => {
    const answers = await Promise.all(
      bombs.map(async (bomb, i) => {
        const reply = await throwBomb(i);
        return { name: bomb.name, status: reply.status, text: await reply.text() };
      })
    );
    for (const { name, status, text } of answers) {
      expect([...polite], `${name}: ${text.slice(0, 200)}`).to.include(status);
      if (status === 422)
        expect(text, name).to.match(
          /no part has more than|more combinations of settings|larger than anything|cannot be used|no part needs/
        );
    }
  });

  it('holds nobody else up: others are answered while ten run', async () => {
    const until = Date.now() + torture(60_000, 2000);
    let isOver = false;
    const gone = new AbortController();
    const statuses: number[] = [];
    const throwers = Array.from({ length: 10 }, async (_, n) => {
      for (let i = n; !isOver; i += 3)
        await throwBomb(i, gone.signal).then(
          (r) => statuses.push(r.status),
          () => {}
        );
    });
    const times: number[] = [];
    while (Date.now() < until || times.length <= 10) {
      const began = performance.now();
      const reply = await fetch(server.it.url + looks[times.length % looks.length]);
      expect(reply.status).to.equal(200);
      await reply.arrayBuffer();
      times.push(performance.now() - began);
      await new Promise((done) => setTimeout(done, 15));
    }
    isOver = true;
    gone.abort();
    await Promise.all(throwers);
    times.sort((a, b) => a - b);
    const at = (q: number) => times[Math.min(times.length - 1, Math.floor(q * times.length))];
    if (isTorture)
      console.log(
        `      ${times.length} looks beside ten bombs: median ${at(0.5).toFixed(1)} ms, p99 ${at(0.99).toFixed(1)} ms, most ${times.at(-1)!.toFixed(1)} ms`
      );
    for (const status of statuses) expect([...polite]).to.include(status);
    if (isTorture) expect(at(0.99), 'p99 in milliseconds').to.be.lessThan(50);
  });

  it('ends when whoever asked is gone, and refuses more than can wait', async () => {
    const gone = new AbortController();
    let refused = 0;
    const many = Array.from({ length: 60 }, (_, i) =>
      throwBomb(i % 3, gone.signal).then(
        (r) => (refused += Number(r.status === 429)),
        () => 0
      )
    );
    // However slow the machine is: until the first is refused, and a moment longer.
    for (let n = 0; n < 200 && !refused; n++) await new Promise((done) => setTimeout(done, 100));
    await new Promise((done) => setTimeout(done, 500));
    gone.abort();
    await Promise.all(many);
    expect(refused, 'refused while others are worked on').to.be.greaterThan(0);
    const reply = await fetch(`${server.it.url}/api/v1/builds/plover/check`);
    expect(reply.status, 'the next is worked out').to.equal(200);
  });
});
