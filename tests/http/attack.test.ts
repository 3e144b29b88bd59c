import { request, type IncomingHttpHeaders } from 'node:http';
import { expect } from 'chai';
import { writeBuildFile } from '../../src/lib/formats';
import { demo, parts } from '../support/demo';
import { useServer } from '../support/server';

interface Answer {
  status: number;
  headers: IncomingHttpHeaders;
  text: string;
}

describe('attacks', () => {
  const server = useServer();

  /** A request as it is written: no address is made tidy, and any header may be sent. */
  const raw = (path: string, { method = 'GET', headers = {}, body = '' } = {}): Promise<Answer> =>
    new Promise((done, fail) => {
      const call = request(
        {
          host: '127.0.0.1',
          port: server.it.port,
          path,
          method,
          headers: {
            host: `127.0.0.1:${server.it.port}`,
            ...(body ? { 'content-length': String(Buffer.byteLength(body)) } : {}),
            ...headers
          }
        },
        (reply) => {
          let text = '';
          reply.on('data', (chunk: Buffer) => (text += chunk));
          reply.on('end', () => done({ status: reply.statusCode!, headers: reply.headers, text }));
        }
      );
      call.on('error', fail);
      call.end(body);
    });
  const json = { 'content-type': 'application/json' };
  const count = async () => (JSON.parse((await raw('/api/v1/builds')).text) as { total: number }).total;

  it('from another site cannot write, by fetch, by form, or from a sandboxed frame', async () => {
    const before = await count();
    const body = JSON.stringify({ name: 'Evil', board: 'varnoc-d33' });
    const own = `http://127.0.0.1:${server.it.port}`;
    const cases: Record<string, string>[] = [
      { ...json, origin: 'http://elsewhere.example' },
      { ...json, origin: 'null' },
      { ...json, origin: `https://127.0.0.1:${server.it.port + 1}` },
      { ...json, origin: `${own}.elsewhere.example` },
      { ...json, 'sec-fetch-site': 'cross-site' },
      { ...json, 'sec-fetch-site': 'same-site' },
      { 'content-type': 'application/x-www-form-urlencoded', origin: 'http://elsewhere.example' },
      { 'content-type': 'text/plain', 'sec-fetch-site': 'cross-site' }
    ];
    for (const headers of cases) {
      const reply = await raw('/api/v1/builds', { method: 'POST', headers, body });
      expect(reply.status, JSON.stringify(headers)).to.equal(403);
      expect(reply.headers['content-type']).to.equal('application/problem+json');
      for (const method of ['PUT', 'DELETE'])
        expect((await raw('/api/v1/builds/plover', { method, headers, body })).status).to.equal(403);
    }
    expect(await count()).to.equal(before);
    const mine = await raw('/api/v1/builds', {
      method: 'POST',
      headers: { ...json, origin: own, 'sec-fetch-site': 'same-origin' },
      body
    });
    expect(mine.status).to.equal(201);
  });

  it('by a name that was pointed at this computer is refused, for reading too', async () => {
    for (const host of [
      'elsewhere.example',
      `elsewhere.example:${server.it.port}`,
      '127.0.0.1.elsewhere.example',
      '192.168.1.5',
      'localhost@elsewhere.example'
    ]) {
      for (const path of ['/', '/api/v1/builds', '/api/v1/workshop', '/api/v1/events']) {
        const reply = await raw(path, { headers: { host } });
        expect([reply.status, reply.text.includes('Plover')], `${host} ${path}`).to.deep.equal([403, false]);
      }
    }
    expect((await raw('/api/v1/builds', { headers: { host: 'localhost' } })).status).to.equal(200);
  });

  it('may not read across sites', async () => {
    const { headers } = await raw('/api/v1/builds', { headers: { origin: 'http://elsewhere.example' } });
    expect(Object.keys(headers).filter((h) => h.startsWith('access-control'))).to.deep.equal([]);
    expect(headers['cross-origin-resource-policy']).to.equal('same-origin');
    const asked = await raw('/api/v1/builds', {
      method: 'OPTIONS',
      headers: { origin: 'http://elsewhere.example', 'access-control-request-method': 'PUT' }
    });
    expect(asked.status).to.be.at.least(400);
  });

  it('up the folders finds nothing', async () => {
    const paths = [
      '/../../../../etc/passwd',
      '/%2e%2e/%2e%2e/%2e%2e/etc/passwd',
      '/..%2f..%2f..%2fetc%2fpasswd',
      '/..%5c..%5cpackage.json',
      '/_app/../../../package.json',
      '/_app/immutable/..%2f..%2f..%2f..%2fpackage.json',
      '/_app/immutable/%2e%2e/%2e%2e/%2e%2e/index.js',
      '/api/v1/builds/..%2f..%2f..%2fetc%2fpasswd',
      '/api/v1/builds/..%2f..%2fetc%2fpasswd/export',
      '/api/v1/parts/..%2f..%2fpackage.json',
      '/api/v1/bin/%00',
      '/builds/..%2f..%2fyellow-jumper.db/lines',
      '//etc/passwd',
      '/%00',
      '/%ff%fe'
    ];
    for (const path of paths) {
      const { status, text } = await raw(path);
      expect(status, path).to.be.within(400, 499);
      expect(text, path).not.to.match(/root:|"dependencies"|SQLite format|at .*\.js:\d+/);
    }
    for (const id of ['../../x', 'a/b', 'a\\b', '/etc/x', 'a\u0000b', '.', 'con:']) {
      const file = writeBuildFile({ ...demo('dunlin'), id }, parts);
      expect(
        (await raw('/api/v1/import', { method: 'POST', headers: json, body: file })).status,
        id
      ).to.equal(422);
    }
  });

  it('with markup in names stay words', async () => {
    const name = `</script><script>alert(1)</script><img src=x onerror="alert(2)">`;
    const made = await raw('/api/v1/builds', {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ name, board: 'varnoc-d33' })
    });
    const { build } = JSON.parse(made.text) as { build: { id: string } };
    expect(build.id).to.match(/^[a-z0-9-]+$/);
    for (const path of ['/', `/builds/${build.id}/lines`, `/builds/${build.id}/bench`, '/shelf']) {
      const { text, status } = await raw(path);
      expect(status, path).to.equal(200);
      expect(text, path).not.to.include('<img src=x').and.not.include('<script>alert');
    }
    for (const kind of ['json', 'sheet.md', 'sheet.txt', 'claims.csv']) {
      const { headers } = await raw(`/api/v1/builds/${build.id}/export?as=${kind}`);
      expect(headers['content-disposition']).to.match(/^attachment; filename="[a-z0-9.-]+"$/);
      expect(headers['content-type']).not.to.match(/html|svg|xml/);
      expect(headers['x-content-type-options']).to.equal('nosniff');
    }
    await raw(`/api/v1/builds/${build.id}`, { method: 'DELETE' });
    const missing = await raw('/builds/%3Cscript%3Ealert(1)%3C%2Fscript%3E/lines');
    expect(missing.text).not.to.include('<script>alert');
  });

  it('find a strict policy on every page, with scripts that this answer alone names', async () => {
    const nonces = new Set<string>();
    for (const path of ['/', '/builds/plover/lines', '/builds/plover/log', '/shelf', '/login', '/nowhere']) {
      const { headers, text } = await raw(path);
      const policy = String(headers['content-security-policy']);
      expect(policy, path)
        .to.match(/default-src 'none'/)
        .and.match(/base-uri 'none'/)
        .and.match(/frame-ancestors 'none'/);
      expect(policy, path).not.to.match(/unsafe-inline|unsafe-eval|https?:|\*/);
      const nonce = /'nonce-([^']+)'/.exec(policy)![1];
      nonces.add(nonce);
      for (const [tag] of text.matchAll(/<script[^>]*>/g)) expect(tag, path).to.include(`nonce="${nonce}"`);
      expect(text, path).not.to.match(/<[^>]* on[a-z]+=/i);
      expect(headers['x-frame-options']).to.equal('DENY');
      expect(headers['referrer-policy']).to.equal('no-referrer');
      expect(headers['x-powered-by'], path).to.equal(undefined);
    }
    expect(nonces.size, 'each answer has its own').to.equal(6);
  });

  it('by depth, prototype or odd numbers are refused in time', async () => {
    const bodies = [
      '{"name":' + '['.repeat(200_000) + ']'.repeat(200_000) + '}',
      '{"__proto__": {"name": "x"}, "board": "varnoc-d33"}',
      '{"name": {"toString": 1}, "board": "varnoc-d33"}',
      '{"name": "x", "board": "__proto__"}',
      '{"name": "x", "board": "constructor"}'
    ];
    for (const body of bodies)
      expect(
        (await raw('/api/v1/builds', { method: 'POST', headers: json, body })).status,
        body.slice(0, 40)
      ).to.equal(422);
    expect((await raw('/api/v1/builds?limit=1e9')).status).to.equal(422);
    expect((await raw(`/api/v1/builds?q=${'a'.repeat(5000)}`)).status).to.equal(422);
    expect((await raw('/api/v1/parts/__proto__')).status).to.be.within(404, 422);
  });

  it('that names two servers in one request is refused', async () => {
    const { connect } = await import('node:net');
    const answer = await new Promise<string>((done) => {
      const own = `127.0.0.1:${server.it.port}`;
      const socket = connect(server.it.port, '127.0.0.1');
      let text = '';
      socket.on('data', (chunk) => (text += chunk));
      socket.on('close', () => done(text));
      socket.write(
        `GET /api/v1/builds HTTP/1.1\r\nHost: ${own}\r\nHost: elsewhere.example\r\nConnection: close\r\n\r\n`
      );
    });
    expect(answer.split('\r\n')[0]).to.equal('HTTP/1.1 400 Bad Request');
  });

  it('finds nothing in the caches of whoever stands between: pages and their data are not stored', async () => {
    for (const path of [
      '/',
      '/builds/plover/lines',
      '/builds/plover/lines/__data.json',
      '/shelf',
      '/login',
      '/api/v1/builds'
    ])
      expect((await raw(path)).headers['cache-control'], path).to.match(/no-store/);
  });

  it('with names that hide something: what cannot be seen is left out, line breaks are blanks', async () => {
    const hidden = 'Dun\u200blin\u202e\u0000 two\r\nX-Evil: 1';
    const reply = await raw('/api/v1/builds', {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ name: hidden, board: 'varnoc-d33' })
    });
    expect([reply.status, JSON.parse(reply.text).build.name]).to.deep.equal([201, 'Dunlin two X-Evil: 1']);
  });
});
