import { expect } from 'chai';
import { indexed, readQuery, searchParts } from '../../src/lib/core/catalogue';
import { columnOf } from '../../src/lib/core/compare';
import { kitOf } from '../../src/lib/core/kit';
import { Build, triedIn8Bit, type Trial } from '../../src/lib/core/model';
import { linesAt, machine, standing } from '../../src/lib/core/resources';
import { routesIn } from '../../src/lib/core/route-in';
import { linkCautionWords, neededWords, stepWords } from '../../src/lib/words';
import { demo, parts } from '../support/demo';

const all = [...parts.values()];
const index = all.map(indexed);
const ids = (q: string, extra = {}) => searchParts(index, { q, ...extra }).found.map((p) => p.id);

describe('tries in 8-bit slots', () => {
  it('count where board and slot were written down and the slot has 8 bits', () => {
    const told = (board: string | undefined, slot: string | undefined, result: Trial['result']): Trial => ({
      board,
      slot,
      result
    });
    const trials = [
      told('skerrin-px8', '2', 'works'),
      told('skerrin-px8', '3', 'does-not'),
      told('skerrin-px8', '3', 'partly'),
      told('skerrin-px8', undefined, 'works'),
      told('varnoc-d33', '1', 'works'),
      told('varnoc-d33', '4', 'works'),
      told(undefined, '2', 'works')
    ];
    expect(triedIn8Bit(trials, parts)).to.deep.equal({ works: 3, not: 1 });
  });
});

describe('searching the catalogue', () => {
  it('reads lines and years out of what is typed', () => {
    expect(readQuery('sound irq 10 dma3 io 220h in 1993')).to.deep.equal({
      words: ['sound'],
      lines: [
        { resource: 'irq', value: 10 },
        { resource: 'dma', value: 3 },
        { resource: 'io', value: 0x220 }
      ],
      year: 1993
    });
    expect(readQuery('rom d0000 8-bit').lines).to.deep.equal([{ resource: 'memory', value: 0xd0000 }]);
    expect(readQuery('  ').words).to.deep.equal([]);
  });
  it('"cards that can use IRQ 10" are those that some position sets to it', () => {
    const wanted = all
      .filter((p) => p.card)
      .filter((p) => {
        const found = p.settings.some((s) =>
          s.positions.some((position) => {
            const build = Build.parse({
              id: 'x',
              name: 'x',
              board: { id: 'board', part: 'tessaly-p200' },
              items: [{ id: 'card', part: p.id, slot: '6', chosen: { [s.id]: position.id } }]
            });
            const m = machine(build, parts);
            return linesAt(m, standing(m)).some(
              (l) => l.item === 'card' && l.resource === 'irq' && l.printed === 10
            );
          })
        );
        return found && ['isa8', 'isa16'].includes(p.card!.bus);
      })
      .map((p) => p.id);
    const got = ids('irq 10').filter((id) => ['isa8', 'isa16'].includes(parts.get(id)!.card?.bus ?? ''));
    expect([...got].sort()).to.deep.equal([...wanted].sort());
    expect(got.length).to.be.greaterThan(10);
  });
  it('drawers, bus and year narrow, and the counts tell beforehand', () => {
    const { found, facets } = searchParts(index, { q: 'in 1991', drawer: 'audio' });
    expect(found.every((p) => p.sold!.from <= 1991 && (p.sold!.to ?? 9999) >= 1991 && p.audio)).to.equal(
      true
    );
    const isa8 = searchParts(index, { q: 'in 1991', drawer: 'audio', bus: 'isa8' });
    expect(isa8.found.length).to.equal(facets.bus.isa8);
    const video = searchParts(index, { q: 'in 1991', drawer: 'video' });
    expect(video.found.length).to.equal(facets.drawer.video);
    expect(ids('hs-16')).to.deep.equal(['quillon-scsi']);
    expect(ids('nothing like it')).to.deep.equal([]);
  });
});

describe('the first file', () => {
  const kit = (id: string) => kitOf(demo(id), parts);
  const shelf = (...list: string[]) => list.map((id) => parts.get(id)!);
  it('a 1.44M drive takes a floppy written today', () => {
    const [best] = routesIn(kit('plover'), shelf('feldspar-usbfloppy'), []);
    expect(best.links).to.have.length(2);
    expect(best.missing).to.deep.equal([]);
    expect(stepWords(best.links[0].step)).to.match(/1\.44M/);
  });
  it('a 360K machine goes over one that writes 360K floppies, with the caution about narrow tracks', () => {
    const helper = { name: 'Plover', kit: kit('plover') };
    const routes = routesIn(kit('dunlin'), shelf('feldspar-usbfloppy'), [helper]);
    const [best] = routes;
    expect(best.missing).to.deep.equal([]);
    expect(best.links.map((l) => stepWords(l.step)).join(' ')).to.match(/Plover.*360K floppy on Dunlin/);
    expect(best.links.some((l) => l.cautions.some((c) => c.is === 'narrow-tracks'))).to.equal(true);
    const alone = routesIn(kit('dunlin'), [], []);
    expect(alone[0].missing.length).to.be.greaterThan(0);
  });
  it('a drive of the shelf alone is no way where controller, BIOS or DOS do not take it', () => {
    const way = (things: ReturnType<typeof shelf>, kib: number, build = demo('dunlin')) =>
      routesIn(kitOf(build, parts), [...shelf('feldspar-usbfloppy'), ...things], []).find((r) =>
        r.id.includes(`floppy-${kib}>machine`)
      )!;
    // An early 8-bit controller ends at 250 kbit/s, and its BIOS at 360K.
    const large = way(shelf('dornfleet-f1440'), 1440);
    expect(large.missing.map(neededWords)).to.deep.equal([
      'a floppy controller of 500 kbit/s with a ROM of its own'
    ]);
    expect(way(shelf('dornfleet-f1440', 'corvane-fd2'), 1440).missing).to.deep.equal([]);
    const small = way(shelf('dornfleet-f720'), 720);
    expect(small.missing).to.deep.equal([]);
    expect(linkCautionWords(small.links.at(-1)!.cautions[0])).to.match(/driver line/);
    const old = { ...demo('dunlin'), brief: { ...demo('dunlin').brief, os: 'DOS 2.1' } };
    expect(way(shelf('dornfleet-f720'), 720, old).missing.map(neededWords)).to.deep.equal([
      'DOS 3.2 or later'
    ]);
  });
  it('an emulator takes images of what controller and BIOS know', () => {
    const emulator = (build: string) =>
      routesIn(kit(build), shelf('feldspar-femu'), []).find((r) => r.id.includes('stick'))!;
    expect(linkCautionWords(emulator('dunlin').links.at(-1)!.cautions[0])).to.match(/images of 360K/);
    expect(emulator('plover').links.at(-1)!.cautions).to.deep.equal([]);
  });
  it('an 8-bit adapter and a card are a way for an XT, nearer when they are on the shelf', () => {
    const things = shelf('feldspar-reader', 'feldspar-cf512', 'feldspar-bracket', 'feldspar-ata8');
    const card = routesIn(kit('dunlin'), things, []).find((r) => r.id.includes('card'))!;
    expect(card.missing).to.deep.equal([]);
    expect(card.links.at(-1)!.needs.map((n) => n.part)).to.include('feldspar-ata8');
    const without = routesIn(kit('dunlin'), [], []).find((r) => r.id.includes('card'));
    if (without) expect(without.cost).to.be.greaterThan(card.cost);
  });
  it('is sorted, and no way is longer than it says', () => {
    const routes = routesIn(kit('sanderling'), shelf('feldspar-usbfloppy', 'feldspar-reader'), [
      { name: 'Plover', kit: kit('plover') }
    ]);
    expect([...routes].sort((a, b) => a.cost - b.cost)).to.deep.equal(routes);
    for (const r of routes) expect(r.cost).to.be.at.least(r.links.length);
  });
});

describe('comparing', () => {
  it('tells facts, findings, cost and moves of each machine', () => {
    const [plover, curlew] = ['plover', 'curlew'].map((id) => columnOf(demo(id), parts));
    expect([plover.cpu, plover.coreMHz, plover.totalKiB, plover.countKiB]).to.deep.equal([
      '386DX-33',
      33.333,
      4096,
      3712
    ]);
    expect([plover.clashes, curlew.clashes]).to.deep.equal([3, 0]);
    expect(plover.slots).to.deep.equal({ used: 5, all: 8 });
    expect(plover.worst).to.have.length(3);
    expect(curlew.speed!).to.be.greaterThan(plover.speed! * 10);
    expect(plover.cost).to.be.greaterThan(100);
  });
});
