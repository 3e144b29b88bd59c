import sharp from 'sharp';
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { z } from 'zod';
import { writeBuildFile } from '../../src/lib/formats';
import type { Endpoint } from '../../src/lib/server/api/endpoint';
import { endpoints } from '../../src/lib/server/api/endpoints';
import { openApi } from '../../src/lib/server/api/openapi';
import { Problem } from '../../src/lib/server/api/replies';
import { demo, parts } from '../support/demo';
import { useServer } from '../support/server';

type Name = keyof typeof endpoints;
interface Call {
  params?: Record<string, string | number>;
  query?: Record<string, string | number>;
  body?: unknown;
}

describe('the API', () => {
  const server = useServer();

  const send = (name: Name, { params = {}, query = {}, body }: Call = {}) => {
    const { method, path } = endpoints[name] as Endpoint;
    const filled = path.replace(/\{(\w+)\}/g, (_, key: string) => encodeURIComponent(params[key]));
    const asked = new URLSearchParams(Object.entries(query).map(([k, v]) => [k, String(v)]));
    const raw = typeof body === 'string' || body instanceof Uint8Array;
    return fetch(`${server.it.url}/api/v1${filled}${asked.size ? `?${asked}` : ''}`, {
      method,
      ...(body === undefined
        ? {}
        : {
            body: raw ? (body as BodyInit) : JSON.stringify(body),
            headers: { 'content-type': raw ? 'application/octet-stream' : 'application/json' }
          })
    });
  };
  const tried = new Set<Name>();
  /** Calls an operation and wants its answer to be as it is described. */
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- its schema has just checked it
  const call = async (name: Name, wish: Call = {}): Promise<any> => {
    const { reply, status } = endpoints[name] as Endpoint;
    const response = await send(name, wish);
    tried.add(name);
    if (response.status !== status) expect.fail(`${name}: ${await response.text()}`);
    if ('media' in reply) {
      if (name !== 'exportBuild') expect(response.headers.get('content-type')).to.include(reply.media);
      return response;
    }
    expect(response.headers.get('content-type')).to.equal('application/json');
    expect(response.headers.get('cache-control')).to.equal('no-store');
    const data: unknown = await response.json();
    const parsed = (reply as z.ZodType).safeParse(data);
    expect(parsed.success, `${name}: ${parsed.error?.message}`).to.equal(true);
    return data;
  };
  const refused = async (response: Response, status: number): Promise<z.infer<typeof Problem>> => {
    expect(response.status).to.equal(status);
    expect(response.headers.get('content-type')).to.equal('application/problem+json');
    const problem = Problem.parse(await response.json());
    expect(problem.status).to.equal(status);
    expect(problem.title).to.match(/^[A-Z].*\S$/);
    return problem;
  };
  const plover = { params: { id: 'plover' } };

  /** Parts of one's own, the shelf, what was seen, and planning. */
  async function shelfOperations() {
    const irq = await call('listParts', { query: { q: 'irq 10', drawer: 'audio', bus: 'isa16', limit: 3 } });
    expect([irq.parts.length, irq.facets.drawer.audio > 3]).to.deep.equal([3, true]);
    const n8 = await call('getPart', { params: { id: 'harl-n8' } });
    await call('savePart', { params: { id: 'my-n8' }, body: { part: { ...n8, id: 'my-n8', name: 'Mine' } } });
    expect((await call('listParts', { query: { q: 'mine' } })).own).to.include('my-n8');
    const came = await call('importPart', { body: JSON.stringify({ ...n8, id: 'came', name: 'Came' }) });
    await call('removePart', { params: { id: came.id } });
    const collection = JSON.stringify([{ ...n8, id: 'shared', name: 'Shared' }, n8]);
    const shown = await call('previewParts', { body: collection });
    expect(shown.rows.map((r: { standing: string }) => r.standing)).to.deep.equal(['new', 'same']);
    const { taken } = await call('takeParts', { body: { text: collection, choices: { shared: 'take' } } });
    expect(taken).to.equal(1);
    expect(await (await call('exportParts')).text()).to.contain('"id": "shared"');
    expect((await call('listProfiles')).profiles.length).to.be.greaterThan(39);
    const front = await call('plan', {
      body: { brief: { date: '1991', os: 'DOS 5' }, fixed: ['ostrel-t286'] }
    });
    expect(front.plans[0].build.board.part).to.equal('ostrel-t286');
    const { item, version } = await call('addToShelf', { body: { item: { part: 'harl-n8', place: 'box' } } });
    const one = { params: { id: item.id } };
    await call('saveShelfItem', { ...one, body: { item: { ...item, place: 'bag' }, version } });
    expect((await call('getShelfItem', one)).item.place).to.equal('bag');
    expect((await call('listShelf', { query: { q: 'bag' } })).total).to.equal(1);
    const dot = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#fff' } })
      .png()
      .toBuffer();
    const [photo] = (
      await call('addPhoto', { ...one, query: { name: 'dot.png' }, body: new Uint8Array(dot) })
    ).photos;
    const seen = await call('getPhoto', { params: { id: item.id, photo: photo.id } });
    expect((await seen.arrayBuffer()).byteLength).to.be.greaterThan(100);
    const marks = [{ x: 20, y: 30.5, text: 'red edge here' }];
    const marked = await call('markPhoto', { params: { id: item.id, photo: photo.id }, body: { marks } });
    expect(marked.photos[0].marks).to.deep.equal(marks);
    await call('removePhoto', { params: { id: item.id, photo: photo.id } });
    await call('binShelfItem', one);
    expect((await call('listShelf', { query: { from: 'bin' } })).items[0].item.id).to.equal(item.id);
    await call('putBackShelfItem', one);
    expect(await (await call('exportShelf')).text()).to.match(/^part,label/);
    const rows = await call('importShelf', { body: 'part\nharl-n8\nnothing\n' });
    expect([rows.added, rows.rows[1].problems.length]).to.deep.equal([0, 1]);
    expect((await call('importShelf', { query: { take: 'true' }, body: 'part\nharl-n8\n' })).added).to.equal(
      1
    );
    const sighting = { id: 'seen-9', name: 'attic', kind: 'board', seen: [], dates: [] };
    await call('saveSighting', { params: { id: 'seen-9' }, body: { sighting, version: 0 } });
    const seenBy = async () =>
      (await call('listSightings')).sightings.map((s: { sighting: { id: string } }) => s.sighting.id);
    expect(await seenBy()).to.include('seen-9');
    await call('removeSighting', { params: { id: 'seen-9' } });
    const notebook = { id: 'nb-9', name: 'attic', blocks: [], subjects: [], fragments: [], tries: [] };
    const at = { params: { id: 'nb-9' } };
    expect((await call('saveNotebook', { ...at, body: { notebook, version: 0 } })).version).to.equal(1);
    const renamed = { ...notebook, name: 'loft' };
    expect((await call('saveNotebook', { ...at, body: { notebook: renamed, version: 1 } })).version).to.equal(
      2
    );
    const { notebooks } = await call('listNotebooks');
    expect(
      notebooks.find((n: { notebook: { id: string } }) => n.notebook.id === 'nb-9').notebook.name
    ).to.equal('loft');
    await call('removeNotebook', at);
  }

  it('answers every operation as it is described', async () => {
    const { builds, total } = await call('listBuilds', { query: { q: 'tide tables', limit: 5 } });
    expect([builds.length, total, builds[0].id, builds[0].clashes]).to.deep.equal([1, 1, 'plover', 3]);
    const made = await call('createBuild', { body: { name: 'Knot', board: 'varnoc-d33', date: '1992' } });
    expect(made.build.id).to.equal('knot');
    const { build, head } = await call('getBuild', plover);
    expect((await call('checkBuild', plover)).findings.length).to.be.greaterThan(3);
    const map = await call('memoryMapOfBuild', plover);
    expect(map.pieces.map((p: { window: string }) => p.window)).to.include('D000-D3FF');
    const boot = await call('bootOfBuild', plover);
    expect([boot.starts.length, boot.fewest, boot.files[0].name]).to.deep.equal([3, 3, 'CONFIG.SYS']);
    expect((await call('bootOfBuild', { params: { id: 'whimbrel' } })).why).to.equal('no-cpu');
    const pair = { config: 'DOS=HIGH\r\n', autoexec: 'SET BLASTER=A240 I5 D1\r\n' };
    const wrong = await call('bootCheckOfBuild', { ...plover, body: pair });
    expect(wrong.findings.map((f: { rule: string }) => f.rule)).to.include.members([
      'dos.high',
      'blaster.differs'
    ]);
    expect((await call('rehearseBuild', plover)).stages.length).to.be.greaterThan(5);
    const told = { start: 'power: runs\nbeeps: 3\nscreen: dark' };
    const found = await call('diagnoseBuild', { params: { id: 'turnstone' }, body: told });
    expect(found.explanations[0].p).to.be.greaterThan(0);
    const nothing = await refused(await send('diagnoseBuild', { ...plover, body: {} }), 422);
    expect(JSON.stringify(nothing)).to.match(/no start is noted/);
    await refused(await send('diagnoseBuild', { ...plover, body: { start: 'colour: blue' } }), 422);
    const solved = await call('resolveBuild', { ...plover, body: { alternatives: 1 } });
    expect([solved.status, solved.moves.length]).to.deep.equal(['solved', 3]);
    expect((await call('resolveBuild', { params: { id: 'turnstone' }, body: {} })).status).to.equal(
      'impossible'
    );
    expect((await call('resolveBuild', { ...plover, body: { maxNodes: 1 } })).status).to.match(
      /stopped|solved/
    );
    const saved = await call('saveBuild', {
      ...plover,
      body: { build: { ...build, notes: 'x' }, base: head, note: 'n' }
    });
    await call('undo', plover);
    expect((await call('redo', plover)).head).to.equal(saved.head);
    const list = await call('listRevisions', { ...plover, query: { limit: 1 } });
    expect([list.more, list.revisions[0].changes[0].what]).to.deep.equal([true, 'notes']);
    const first = { params: { id: 'plover', revision: head } };
    expect((await call('getRevision', first)).changes).to.have.length(1);
    await call('markRevision', { ...first, body: { name: 'worked' } });
    expect(
      (await call('listRevisions', { ...plover, query: { marked: 'true' } })).revisions[0].mark
    ).to.equal('worked');
    await call('unmarkRevision', first);
    await call('restoreRevision', { ...first, body: { base: saved.head } });
    expect(
      (await call('duplicateBuild', { ...plover, body: { name: 'Plover the second' } })).build.id
    ).to.equal('plover-the-second');
    for (const as of ['json', 'claims.csv', 'moves.csv', 'sheet.txt', 'sheet.md']) {
      const file = await call('exportBuild', { ...plover, query: { as } });
      expect(file.headers.get('content-disposition')).to.match(/^attachment; filename="plover[a-z.-]+"$/);
      expect((await file.text()).length).to.be.greaterThan(50);
    }
    expect((await call('listItems', { query: { q: 'plover digit' } })).items[0].title).to.equal('Digit 16');
    expect((await call('listItems', { query: { part: 'tollmark-16', limit: 1 } })).total).to.be.greaterThan(
      1
    );
    expect(
      (await call('listParts', { query: { q: 'network', kind: 'card', limit: 2 } })).parts
    ).to.have.length(2);
    expect((await call('getPart', { params: { id: 'tollmark-16' } })).name).to.equal('Digit 16');
    const text = writeBuildFile(demo('dunlin'), parts);
    expect((await call('check', { body: text })).status).to.equal('clash');
    expect((await call('resolve', { body: text, query: { alternatives: 0 } })).status).to.equal('solved');
    expect((await call('importBuild', { body: text })).build.id).to.equal('dunlin-2');
    await call('binBuild', { params: { id: 'knot' } });
    expect((await call('listBuilds', { query: { from: 'bin' } })).builds[0].id).to.equal('knot');
    await call('putBackBuild', { params: { id: 'knot' } });
    await call('binBuild', { params: { id: 'knot' } });
    await call('removeBuild', { params: { id: 'knot' } });
    await shelfOperations();
    const archive = new Uint8Array(await (await call('exportWorkshop')).arrayBuffer());
    expect(
      (await call('importWorkshop', { body: archive })).builds.every((b: { id: null }) => b.id === null)
    ).to.equal(true);
    expect((await call('health')).problems).to.deep.equal([]);
    const stream = await call('events');
    await stream.body.cancel();
    expect((await (await call('describe')).json()).openapi).to.equal('3.1.0');
    await call('signOut');
    tried.add('signIn'); // Tried where a server is shared.
    expect([...tried].sort()).to.deep.equal(Object.keys(endpoints).sort());
  });

  it('answers the same as the core', async () => {
    const { resolve } = await import('../../src/lib/core/solver');
    const text = writeBuildFile(demo('plover'), parts);
    const { nodes: _n, ...there } = await call('resolve', { body: text });
    const { nodes: _m, ...here } = JSON.parse(
      JSON.stringify(resolve(demo('plover'), parts, { alternatives: 2 }))
    );
    expect(there).to.deep.equal(here);
  });

  it('says what is wrong in the same shape everywhere, and changes nothing', async () => {
    const before = await (await send('listBuilds')).text();
    const cases: [Name, Call, number, RegExp][] = [
      ['getBuild', { params: { id: 'none' } }, 404, /no build .*none/],
      ['getBuild', { params: { id: '../../etc/passwd' } }, 422, /address.*id/i],
      ['listBuilds', { query: { limit: 5000 } }, 422, /limit/],
      ['listBuilds', { query: { from: 'elsewhere' } }, 422, /from/],
      ['createBuild', { body: 'not json' }, 422, /not JSON/],
      ['createBuild', { body: { name: ' ', board: 'varnoc-d33' } }, 422, /name/],
      ['createBuild', { body: { name: 'x', board: 'no-such' } }, 422, /no-such|not in the file/],
      ['createBuild', { body: { name: 'x', board: 'varnoc-d33', more: 1 } }, 422, /more/],
      ['createBuild', { body: { name: 'x', board: 'varnoc-d33', date: 'later' } }, 422, /brief\.date/],
      ['saveBuild', { ...plover, body: { build: {}, base: 1, note: '' } }, 422, /build/i],
      [
        'saveBuild',
        { ...plover, body: { build: demo('plover'), base: 0, note: '' } },
        409,
        /changed elsewhere/
      ],
      ['resolveBuild', { ...plover, body: { maxNodes: 1e12 } }, 422, /maxNodes/],
      ['listRevisions', { params: { id: 'none' } }, 404, /none/],
      ['getRevision', { params: { id: 'plover', revision: 'x' } }, 422, /revision/],
      ['getRevision', { params: { id: 'dunlin', revision: 1 } }, 404, /no revision 1/],
      ['markRevision', { params: { id: 'plover', revision: 1 }, body: { name: '' } }, 422, /name/],
      ['removeBuild', { params: { id: 'plover' } }, 404, /in the bin/],
      ['getPart', { params: { id: 'none' } }, 404, /none/],
      ['importBuild', { body: '{' }, 422, /line 1, column 2/],
      ['importWorkshop', { body: 'no zip' }, 422, /not a ZIP/],
      ['savePart', { params: { id: 'harl-n8' }, body: { part: parts.get('harl-n8') } }, 422, /catalogue/],
      ['savePart', { params: { id: 'x' }, body: { part: { id: 'x' } } }, 422, /kind/],
      ['removePart', { params: { id: 'harl-n8' } }, 404, /of your own/],
      ['importPart', { body: 'id: [' }, 422, /./],
      ['previewParts', { body: 'parts: [' }, 422, /./],
      ['takeParts', { body: { text: '[]', choices: { x: 'steal' } } }, 422, /x/],
      ['exportParts', { query: { as: 'pdf' } }, 422, /as/],
      ['rehearseBuild', { params: { id: 'plover' }, query: { settings: 'dreamt' } }, 422, /settings/],
      ['listParts', { query: { drawer: 'attic' } }, 422, /drawer/],
      ['plan', { body: { brief: { date: 'soon' } } }, 422, /date/],
      ['addToShelf', { body: { item: { part: 'none' } } }, 422, /no part/],
      [
        'saveShelfItem',
        { params: { id: 'none' }, body: { item: { part: 'harl-n8' }, version: 1 } },
        404,
        /none/
      ],
      ['addPhoto', { params: { id: 'mono' }, body: 'no picture' }, 422, /picture/],
      ['getPhoto', { params: { id: 'mono', photo: '../../x' } }, 422, /photo/],
      [
        'saveSighting',
        {
          params: { id: 'gone' },
          body: { sighting: { id: 'gone', name: 'Attic', kind: 'card' }, version: 7 }
        },
        409,
        /another window/
      ],
      ['saveSighting', { params: { id: 'x' }, body: { sighting: { id: 'x' }, version: 0 } }, 422, /name/],
      ['check', { body: '[]' }, 422, /not a JSON object/]
    ];
    for (const [name, wish, status, pattern] of cases) {
      const problem = await refused(await send(name, wish), status);
      const said = JSON.stringify([problem.title, problem.problems]);
      expect(said, `${name} ${JSON.stringify(wish.params ?? '')}`).to.match(pattern);
    }
    expect(await (await send('listBuilds')).text()).to.equal(before);
  });

  it('gives back what was saved in between, and says when a build lies in the bin', async () => {
    const { build, head } = await call('getBuild', { params: { id: 'dunlin' } });
    const save = (notes: string) =>
      send('saveBuild', {
        params: { id: 'dunlin' },
        body: { build: { ...build, notes }, base: head, note: '' }
      });
    expect((await save('first')).status).to.equal(200);
    expect((await refused(await save('second'), 409)).current!.build.notes).to.equal('first');
    await send('binBuild', { params: { id: 'dunlin' } });
    expect((await refused(await save('third'), 410)).bin).to.equal(true);
    await send('putBackBuild', { params: { id: 'dunlin' } });
  });

  it('wants to be told what is sent', async () => {
    const bare = await fetch(`${server.it.url}/api/v1/import`, { method: 'POST', body: new Uint8Array(5) });
    expect((await refused(bare, 415)).title).to.match(/Content-Type/);
  });

  it('has nothing at other addresses, and takes no other methods', async () => {
    await refused(await fetch(`${server.it.url}/api/v1/nothing`), 404);
    await refused(await fetch(`${server.it.url}/api/v1/builds/plover`, { method: 'PATCH' }), 405);
    await refused(await fetch(`${server.it.url}/api/v1/health`, { method: 'POST' }), 405);
  });

  it('refuses what is too large, whether its length is told or not', async () => {
    const told = await send('importBuild', { body: 'x'.repeat(9 * 1024 * 1024) });
    expect((await refused(told, 413)).title).to.match(/larger than 8 MiB; nothing was changed/);
    const chunk = new Uint8Array(1024 * 1024).fill(0x20);
    let sent = 0;
    const endless = new ReadableStream({
      pull: (c) => (++sent > 12 ? c.close() : c.enqueue(chunk))
    });
    const untold = await fetch(`${server.it.url}/api/v1/import`, {
      method: 'POST',
      body: endless,
      headers: { 'content-type': 'application/json' },
      duplex: 'half'
    } as RequestInit);
    await refused(untold, 413);
    await refused(await send('saveBuild', { ...plover, body: { build: 'x'.repeat(10 * 1024 * 1024) } }), 413);
  });

  it('tells of changes as they happen', async () => {
    const { body } = await send('events');
    const reader = body!.pipeThrough(new TextDecoderStream()).getReader();
    const heard = async (pattern: RegExp) => {
      for (let all = ''; ;) {
        all += (await reader.read()).value ?? '';
        const found = pattern.exec(all);
        if (found) return found;
      }
    };
    await heard(/: open/);
    const { build, head } = await call('getBuild', plover);
    await call('saveBuild', {
      ...plover,
      body: { build: { ...build, notes: 'heard' }, base: head, note: '' }
    });
    const [, data] = await heard(/event: build\ndata: (.*)\n\n/);
    expect(JSON.parse(data)).to.deep.include({ id: 'plover' });
    await reader.cancel();
  });

  it('is described by the file in docs, and has a route for every operation', () => {
    const file = new URL('../../docs/openapi.json', import.meta.url);
    expect(JSON.parse(readFileSync(file, 'utf8')), 'npm run schema').to.deep.equal(
      JSON.parse(JSON.stringify(openApi()))
    );
    for (const { path, method } of Object.values(endpoints) as Endpoint[]) {
      const route = path.replace(/\{(\w+)\}/g, '[$1]');
      const code = readFileSync(
        new URL(`../../src/routes/api/v1${route}/+server.ts`, import.meta.url),
        'utf8'
      );
      expect(code, path).to.match(new RegExp(`export const ${method} = route\\(\\s*endpoints\\.`));
    }
  });

  it('stops cleanly on SIGTERM with a page listening, and starts again with its data', async () => {
    const { body } = await send('events');
    expect(await server.it.stop()).to.equal(0);
    await body!.cancel().catch(() => {});
    await server.it.restart();
    expect((await call('listBuilds')).total).to.be.greaterThan(2);
  });
});
