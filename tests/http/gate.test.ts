import { mkdtempSync, rmSync } from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import Database from 'libsql';
import { databaseFile } from '../../src/lib/server/database';
import { ended } from '../support/programs';
import { startServer, type Running } from '../support/server';

const WORDS = 'three herons over mud';

describe('a shared server', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yj-gate-'));
  let server: Running;
  const own = (env: Record<string, string> = {}) => ({ YJ_DATA: folder, ...env });
  const passphrase = (words: string) =>
    ended(process.execPath, ['scripts/yj.mjs', 'passphrase'], {
      input: `${words}\n`,
      env: own()
    });
  const start = (args: string[], env: Record<string, string> = {}) =>
    ended('node', ['scripts/demo.mjs', ...args], { timeout: 120_000, env: own({ PORT: '0', ...env }) });
  const call = (path: string, init: RequestInit = {}) =>
    fetch(server.url + path, { redirect: 'manual', ...init });
  const signIn = (words: string) =>
    call('/api/v1/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase: words })
    });
  const rows = (table: string) => {
    const db = new Database(databaseFile(folder), { readonly: true } as object);
    const all = JSON.stringify(db.prepare(`SELECT * FROM ${table}`).all());
    db.close();
    return all;
  };
  after(async () => {
    await server?.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  it('does not start by a setting alone, nor without a passphrase', async () => {
    const byAccident = await start([], { YJ_HOST: '0.0.0.0' });
    expect([byAccident.status, byAccident.stderr]).to.satisfy(
      ([status, said]: [number, string]) => status === 1 && /Say so with --share/.test(said)
    );
    const open = await start(['--share']);
    expect(open.status).to.equal(1);
    expect(open.stderr)
      .to.match(/needs a passphrase. Set one first/)
      .and.not.match(/\n\s+at /);
  });
  it('starts nothing with an option that it does not know', async () => {
    for (const wrong of ['--shar', '--fresh=yes', 'share']) {
      const { status, stderr } = await start([wrong]);
      expect(status, wrong).to.equal(2);
      expect(stderr, wrong)
        .to.include(wrong.split('=')[0])
        .and.match(/The options are --share, --fresh/);
      expect(stderr, wrong).to.not.match(/\n\s+at /);
    }
  });
  it('takes no short passphrase, and keeps only a hash', async () => {
    expect((await passphrase('short')).status).to.equal(2);
    expect((await passphrase('x'.repeat(80))).stderr).to.match(/72/);
    expect((await passphrase(WORDS)).status).to.equal(0);
    expect(rows('settings'))
      .to.match(/\$2[aby]\$12\$/)
      .and.not.include('herons');
    server = await startServer({ folder, args: ['--share'] });
  });
  it('shows nothing before the passphrase', async () => {
    for (const path of [
      '/api/v1/builds',
      '/api/v1/workshop',
      '/api/v1/events',
      '/api/v1/health',
      '/api/v1/openapi.json'
    ])
      expect((await call(path)).status, path).to.equal(401);
    for (const path of ['/', '/builds/plover/lines', '/builds/plover/lines/__data.json', '/shelf']) {
      const reply = await call(path);
      expect(await reply.text(), path).not.to.include('Plover');
      expect(reply.status === 303 || /redirect/.test(path) || reply.status === 200, path).to.equal(true);
    }
    expect((await call('/builds/plover/lines')).headers.get('location')).to.equal(
      '/login?next=%2Fbuilds%2Fplover%2Flines'
    );
    const page = await call('/login');
    expect(page.status).to.equal(200);
    for (const cookie of ['yj_session=', 'yj_session=forged', `yj_session=${'x'.repeat(5000)}`])
      expect((await call('/api/v1/builds', { headers: { cookie } })).status).to.equal(401);
  });
  it('answers to its own names only', async () => {
    const { request } = await import('node:http');
    const status = (host: string) =>
      new Promise<number>((done) =>
        request({ host: '127.0.0.1', port: server.port, path: '/login', headers: { host } }, (r) =>
          done(r.resume().statusCode!)
        ).end()
      );
    expect(await status('elsewhere.example')).to.equal(403);
    expect(await status(`${hostname()}:${server.port}`)).to.equal(200);
  });
  it('lets in with the passphrase, by a cookie that scripts and other sites cannot use, until signed out', async () => {
    const reply = await signIn(WORDS);
    expect(reply.status).to.equal(200);
    const cookie = reply.headers.get('set-cookie')!;
    expect(cookie)
      .to.match(/HttpOnly/i)
      .and.match(/SameSite=Strict/i)
      .and.match(/Path=\//)
      .and.match(/Max-Age=\d+/);
    const [pair] = cookie.split(';');
    expect((await call('/api/v1/builds', { headers: { cookie: pair } })).status).to.equal(200);
    expect(rows('sessions')).not.to.include(pair.split('=')[1]);
    const stream = await call('/api/v1/events', { headers: { cookie: pair } });
    const over = stream.text();
    expect((await call('/api/v1/session', { method: 'DELETE', headers: { cookie: pair } })).status).to.equal(
      200
    );
    expect(await over, 'the stream of changes ended with the session').to.match(/: open/);
    expect((await call('/api/v1/builds', { headers: { cookie: pair } })).status).to.equal(401);
    const again = (await signIn(WORDS)).headers.get('set-cookie')!.split(';')[0];
    await passphrase(`${WORDS} flats`);
    expect(
      (await call('/api/v1/builds', { headers: { cookie: again } })).status,
      'a new passphrase'
    ).to.equal(401);
    await passphrase(WORDS);
  });
  it('makes who guesses wait, even with many tries at once', async () => {
    const many = await Promise.all(Array.from({ length: 30 }, () => signIn('a wrong passphrase')));
    expect(many.filter((r) => r.status === 401).length, 'that were looked at').to.be.at.most(5);
    let last = many[0];
    for (let i = 0; i < 6; i++) last = await signIn('a wrong passphrase');
    expect(last.status).to.equal(429);
    expect(Number(last.headers.get('retry-after'))).to.be.within(1, 60);
    expect((await signIn(WORDS)).status, 'the right one has to wait too').to.equal(429);
  });
});
