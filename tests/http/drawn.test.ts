import { expect } from 'chai';
import { z } from 'zod';
import { endpoints } from '../../src/lib/server/api/endpoints';
import type { Endpoint } from '../../src/lib/server/api/endpoint';
import { sample } from '../support/from-schema';
import { Seeded } from '../support/random';
import { useServer } from '../support/server';
import { torture } from '../support/torture';

const operations = Object.entries(endpoints) as unknown as [string, Endpoint][];

/** Texts that a person, a program or somebody hostile might send. */
const pool = [
  'plover',
  'dunlin',
  'curlew',
  'skerrin-px8',
  'velmar-one',
  'vga-16',
  'loft-xt',
  'slipway-486',
  'audio',
  'irq',
  '5',
  '0',
  '-1',
  '1991-06',
  '2026-03-14',
  'DOS 6.22',
  '220h',
  'irq 10 in 1993',
  'none',
  '1 long 2 short',
  '<script>alert(1)</script>',
  "'; drop table builds; --",
  '../../etc/passwd',
  '__proto__',
  'constructor',
  'ünïcödé ✓',
  'a'.repeat(120)
];

/** What a request holds, drawn by the schemas of its operation, or at random against them. */
function drawn(operation: Endpoint, r: Seeded): { path: string; init: RequestInit } {
  const params = (sample(operation.params, r, pool) ?? {}) as Record<string, unknown>;
  const path = operation.path.replace(/\{(\w+)\}/g, (_, name: string) =>
    encodeURIComponent(String(r.chance(0.85) && params[name] !== undefined ? params[name] : r.pick(pool)))
  );
  const query = new URLSearchParams();
  for (const [name, value] of Object.entries((sample(operation.query, r, pool) ?? {}) as object))
    query.append(name, String(value));
  if (r.chance(0.1)) query.append(r.pick(pool), r.pick(pool));
  const init: RequestInit = { method: operation.method };
  const { body } = operation;
  if (body && 'media' in body) {
    init.headers = { 'content-type': body.media === 'image/*' ? 'image/png' : body.media };
    init.body = r.pick([
      '',
      '{}',
      '[]',
      'null',
      '- a\n- b',
      'id,part\n1,2',
      '\u0000\u0001',
      '{"format":"x"}',
      'PK\u0003\u0004'
    ]);
  } else if (body) {
    init.headers = { 'content-type': 'application/json' };
    const value = r.chance(0.8)
      ? sample(body as z.ZodType, r, pool)
      : r.pick([null, [], 7, 'text', { a: 1 }]);
    init.body = JSON.stringify(value ?? {});
  }
  const asked = query.toString();
  return { path: `/api/v1${path}${asked ? `?${asked}` : ''}`, init };
}

describe('requests drawn at random', () => {
  const server = useServer();
  /** Each keeps a stream open, or works as long as it may: they have tests of their own. */
  const isLong = ([name, { path }]: [string, Endpoint]): boolean => /events|plan|resolve/i.test(name + path);

  it('are answered or refused, never an error of ours, and a refusal says what is wrong', async () => {
    const seen = new Map<string, Set<number>>();
    for (const [name, operation] of operations.filter((o) => !isLong(o))) {
      const statuses = new Set<number>();
      seen.set(name, statuses);
      for (let n = 1; n <= torture(120, 4); n++) {
        const { path, init } = drawn(operation, new Seeded(n * 65_537 + name.length * 101));
        const reply = await fetch(server.it.url + path, init);
        const text = await reply.text();
        const where = `${name} ${n}: ${init.method} ${path.slice(0, 120)} → ${reply.status} ${text.slice(0, 200)}`;
        statuses.add(reply.status);
        expect(reply.status, where).to.be.lessThan(500);
        if (reply.status < 400) continue;
        expect(text, where).to.match(/^\{/);
        const { title, status } = JSON.parse(text) as { title: string; status: number };
        expect(status, where).to.equal(reply.status);
        expect(title, where).to.match(/\S/);
        expect(title, where).to.not.match(/undefined|\[object|NaN|at .*:\d+:\d+/);
      }
    }
    const all = [...seen.values()].flatMap((s) => [...s]);
    expect(all.filter((s) => s < 400).length, 'some are right').to.be.greaterThan(10);
    expect(all.filter((s) => s === 422 || s === 400).length, 'some are wrong').to.be.greaterThan(10);
  });

  it('leave the application as it was: every page of the demo opens, and what was there is there', async () => {
    const reply = await fetch(`${server.it.url}/api/v1/builds`);
    const { builds } = (await reply.json()) as { builds: { id: string }[] };
    expect(reply.status).to.equal(200);
    for (const path of ['/', '/shelf', '/catalogue', '/notebook', '/plan', '/identify']) {
      const page = await fetch(server.it.url + path);
      expect(page.status, path).to.equal(200);
    }
    for (const { id } of builds) {
      const one = await fetch(`${server.it.url}/builds/${id}/lines`);
      expect([200, 410], id).to.include(one.status);
    }
    // What was sent is shown as letters, wherever it is shown.
    for (const path of ['/', '/shelf', '/catalogue', '/notebook'])
      expect(await (await fetch(server.it.url + path)).text(), path).to.not.include('<script>alert(1)');
  });
});
