import { expect } from 'chai';
import { writeBuildFile } from '../../src/lib/formats';
import { lived } from '../support/lived';
import { useServer } from '../support/server';
import { torture } from '../support/torture';

/** Every view of a machine, as it comes from the server. */
const views = [
  'brief',
  'parts',
  'fit',
  'fit?view=memory',
  'fit?view=drives',
  'fit?view=first',
  'switches',
  'switches?view=moves',
  'switches?view=clock',
  'lines',
  'disks',
  'disks?view=partitions',
  'disks?view=floppies',
  'disks?view=interfaces',
  'disks?view=roms',
  'memory',
  'boot',
  'start',
  'start?view=rails',
  'bench',
  'bench?view=cables',
  'bench?view=apart',
  'log'
];
const whole = (tag: string) => new RegExp(`<${tag}\\b[^>]*>[^]*?</${tag}>`, 'g');
const bodyOf = (html: string) =>
  html
    .replace(whole('script'), '')
    .replace(whole('style'), '')
    .replace(/<!--[^]*?-->/g, '');
const plain = (html: string) => html.replace(/<[^>]*>/g, '').trim();
const valuesOf = (body: string, names: string) =>
  [...body.matchAll(new RegExp(`\\s(?:${names})="([^"]*)"`, 'g'))].map(([, value]) => value);

/** What no page may hold, whatever the machine. */
const flaws: Readonly<Record<string, (body: string) => string[]>> = {
  'a hole in a text': (body) =>
    body
      .split(/<[^>]*>/)
      .map((text) => text.trim())
      .filter((text) => /\bundefined\b|\bNaN\b|\[object|\bInfinity\b|\$\{/.test(text)),
  'a hole in a label': (body) =>
    valuesOf(body, 'aria-label|title|placeholder|alt').filter((v) =>
      /undefined|NaN|\[object|Infinity|^$/.test(v)
    ),
  'an id that is there twice': (body) => {
    const ids = valuesOf(body, 'id');
    return ids.filter((id, i) => ids.indexOf(id) < i);
  },
  'a label, or a description, of nothing': (body) => {
    const ids = new Set(valuesOf(body, 'id'));
    return valuesOf(body, 'for|aria-labelledby|aria-describedby|aria-controls')
      .flatMap((value) => value.split(' '))
      .filter((id) => id && !ids.has(id));
  },
  'a button without a name': (body) =>
    [...body.matchAll(/<button\b([^>]*)>([^]*?)<\/button>/g)]
      .filter(([, attributes, inside]) => !/aria-label/.test(attributes + inside) && !plain(inside))
      .map(([button]) => button),
  'an empty heading': (body) =>
    [...body.matchAll(/<(h[1-6]|caption|summary|legend|dt)\b[^>]*>([^]*?)<\/\1>/g)]
      .filter(([, , inside]) => !plain(inside) && !/aria-label/.test(inside))
      .map(([heading]) => heading),
  'what somebody typed as an element': (body) => body.match(/<b>bold<\/b>/g) ?? []
};

describe('pages of machines that nobody had', () => {
  const server = useServer();

  it('open in every view, and hold what a page has to', async () => {
    for (let seed = 1; seed <= torture(300, 4); seed++) {
      const { build, parts } = lived(seed);
      const file = writeBuildFile(build, parts);
      const taken = await fetch(`${server.it.url}/api/v1/import`, { method: 'POST', body: file });
      expect(taken.status, `seed ${seed}: ${await taken.clone().text()}`).to.equal(201);
      const { id } = ((await taken.json()) as { build: { id: string } }).build;
      for (const view of views) {
        const page = await fetch(`${server.it.url}/builds/${id}/${view}`);
        const where = `seed ${seed}, ${view}`;
        expect(page.status, where).to.equal(200);
        const body = bodyOf(await page.text());
        expect(body, where).to.include('<h1');
        for (const [name, find] of Object.entries(flaws))
          expect(find(body).slice(0, 3), `${where}: ${name}`).to.deep.equal([]);
      }
    }
  });

  it('the flaws are seen where there are some', () => {
    const page =
      '<h2></h2><p id="a">undefined jumpers</p><i id="a" title=""></i><label for="b">x</label><button><svg/></button><b>bold</b>';
    for (const [name, find] of Object.entries(flaws)) expect(find(page), name).to.have.length.above(0);
    const good =
      '<h2>Lines</h2><p id="a">IRQ 5</p><label for="a">x</label><button aria-label="Undo"><svg/></button>';
    for (const [name, find] of Object.entries(flaws)) expect(find(good), name).to.deep.equal([]);
  });
});
