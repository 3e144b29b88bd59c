import { expect } from 'chai';
import {
  check,
  openByStage,
  openByView,
  registry,
  ruleIds,
  type Finding,
  type RuleId
} from '../../src/lib/core/rules';
import type { Build, Part, PartSet } from '../../src/lib/core/model';
import { findings as words, tell } from '../../src/lib/words';
import { anything } from '../support/anything';
import { machine, type Case } from '../support/cases';
import { board, card, jumpered, machineOf } from '../support/make';
import { torture } from '../support/torture';

const made = (c: Case) => machine(c);
const half = (p: Part): Part => ({ ...p, board: { class: 'at', slots: p.board!.slots } });

/** Cases for rules that machines at random hardly ever meet. */
const rare: Partial<Record<RuleId, () => { build: Build; parts: PartSet }>> = {
  'line.more': () =>
    machineOf(
      board('at', Array<string>(16).fill('isa16')),
      Array.from({ length: 16 }, (_, i) =>
        card(`c${i}`, [
          { resource: 'irq', value: 5 },
          { resource: 'dma', value: 1 }
        ])
      )
    ),
  'line.share-idle': () => {
    const port = (id: string) =>
      card(id, [{ resource: 'irq', value: 4, sharing: 'idle' }], {
        functions: [
          {
            id: 'f',
            label: 'serial port',
            kind: 'serial',
            claims: [{ id: 'i', resource: 'irq', value: 4, sharing: 'idle' }]
          }
        ]
      });
    return machineOf(board('at', ['isa16', 'isa16']), [port('a'), port('b')], {
      neverTogether: [
        [
          { item: 'a', function: 'f' },
          { item: 'b', function: 'f' }
        ]
      ]
    });
  },
  'cpu.oscillator': () =>
    made({ board: 'varnoc-v66', items: [{ part: 'ashgill-486dx2-66' }, { part: 'oddmere-osc-40-000' }] }),
  'drive.tried': () => {
    const { build, parts } = made({ board: 'varnoc-v66', items: [{ part: 'dornfleet-f1440' }] });
    const tried = [{ board: 'varnoc-v66', result: 'does-not' as const, date: '2026-11-28' }];
    return { build: { ...build, items: build.items.map((i) => ({ ...i, tried })) }, parts };
  },
  'part.bad': () => {
    const { build, parts } = made({ board: 'varnoc-v66', items: [{ part: 'brim-v16', slot: '1' }] });
    const foundBad = { at: '2026-11-28', by: 'start' as const, why: 'hot at once' };
    return { build: { ...build, items: build.items.map((i) => ({ ...i, foundBad })) }, parts };
  },
  'part.borrowed': () => {
    const { build, parts } = made({ board: 'varnoc-v66', items: [{ part: 'brim-v16', slot: '1' }] });
    const borrowed = { from: 'plover', name: 'Plover', at: '2026-11-28' };
    return { build: { ...build, items: build.items.map((i) => ({ ...i, borrowed })) }, parts };
  },
  'power.rails': () => {
    const { build, parts } = made({ board: 'varnoc-v66', items: [] });
    return { build: { ...build, mishap: { at: '2026-11-28T12:00:00.000Z' } }, parts };
  },
  'power.minus5-dram': () => made({ board: 'skerrin-px5', items: [{ part: 'ampstead-t350n' }] }),
  'power.least': () =>
    made({
      board: 'skerrin-px8',
      items: ['ampstead-a192', 'feldspar-rails', 'feldspar-rails', 'tinhallow-x8'].map((part) => ({ part }))
    }),
  'rom.window': () =>
    machineOf(board('at', ['isa16']), [
      card('odd', [{ resource: 'memory', value: 0xc9000, length: 0x2000, use: 'rom' }])
    ]),
  'unknown.lines': () => machineOf(board('at', ['isa16']), [card('mystery', [], { functions: [] })]),
  'unknown.routing': () =>
    machineOf(board('at', ['pci']), [
      card('p', [{ resource: 'irq', pin: 'A', sharing: 'level' }], { bus: 'pci' })
    ]),
  'os.unknown': () => made({ board: 'varnoc-d33', brief: { os: 'a system of its own' } }),
  'unknown.board': () => made({ board: 'varnoc-d33', change: (p) => (p.id === 'varnoc-d33' ? half(p) : p) }),
  'unknown.bios': () => made({ board: 'varnoc-d33', change: (p) => (p.id === 'varnoc-d33' ? half(p) : p) }),
  'memory.supplies': () => made({ board: 'skerrin-px5', items: [{ part: 'pendrum-set-64k', place: '1' }] }),
  'memory.apart': () =>
    made({
      board: 'brackwell-tx',
      items: [
        { part: 'pendrum-s72-16m', place: '0', count: 2 },
        { part: 'pendrum-d168-64', place: '2' }
      ]
    }),
  'floppy.start': () =>
    made({ board: 'skerrin-px8', items: [{ part: 'lanteg-io8', slot: '2' }, { part: 'dornfleet-f720' }] }),
  'vlb.load': () =>
    made({
      board: 'varnoc-v66',
      found: { clock: '40' },
      items: ['4', '5', '6'].map((slot) => ({ part: 'brim-vl', slot }))
    }),
  'board.second': () => made({ board: 'skerrin-px5', items: [{ part: 'ostrel-deskone' }] }),
  'floppy.image': () => made({ board: 'pellow-c8', items: [{ part: 'feldspar-femu' }] }),
  'video.second': () =>
    made({
      board: 'brackwell-tx',
      brief: { os: 'Windows 98' },
      items: [
        { part: 'gantrel-p4', slot: '1' },
        { part: 'gantrel-p4', slot: '2' }
      ]
    }),
  'disk.setup': () =>
    made({
      board: 'varnoc-d33',
      items: [
        { part: 'lanteg-io16', slot: '3' },
        {
          part: 'cairnholt-a120',
          disk: { setup: { cylinders: 1000, heads: 16, sectors: 63, type: 'user' } }
        }
      ]
    }),
  'cpu.multiplier': () =>
    made({ board: 'varnoc-v66', found: { clock: '33', volts: '3v' }, items: [{ part: 'velloway-586-133' }] }),
  'memory.card': () =>
    made({
      board: 'skerrin-px5',
      items: [{ part: 'lanteg-mem576', slot: '2', asFound: { start: '256' } }]
    }),
  'memory.backfill': () =>
    made({ board: 'skerrin-px5', items: [{ part: 'lanteg-ems-fill', slot: '2', asFound: { fill: '640' } }] }),
  'scsi.power': () =>
    made({
      board: 'varnoc-d33',
      items: [
        { part: 'quillon-scsi', slot: '5' },
        { part: 'cairnholt-s210', terminated: true }
      ],
      change: (p) => ({
        ...p,
        ...(p.drive?.scsi ? { drive: { ...p.drive, scsi: { termPower: false } } } : {}),
        functions: p.functions.map((f) => (f.scsi ? { ...f, scsi: { termPower: false } } : f))
      })
    }),
  'pci.interrupt': () =>
    made({ board: 'tessaly-p200', found: { 'int-1': 'off' }, items: [{ part: 'harl-pci', slot: '1' }] }),
  'rom.unscanned': () => made({ board: 'skerrin-px5', items: [{ part: 'brim-v8', slot: '1' }] }),
  'part.constraint': () =>
    machineOf(board('at', ['isa16']), [
      {
        ...jumpered('c', { irq: [5, 7] }),
        constraints: [{ forbid: { irq: ['5'] }, why: 'IRQ 5 is not wired on this card' }]
      }
    ]),
  'evidence.guess': () =>
    machineOf(
      board('at', ['isa16']),
      [withSetting(jumpered('c', { irq: [5, 7] }), { evidence: [{ source: 'guess' }] })],
      { items: [{ asFound: { irq: '7' } }] }
    ),
  'evidence.conflict': () =>
    machineOf(board('at', ['isa16']), [
      withSetting(jumpered('c', { irq: [5, 7] }), {
        evidence: [
          { source: 'manual', says: 'pins 1-2 are IRQ 5' },
          { source: 'listing', says: 'pins 1-2 are IRQ 7' }
        ]
      })
    ])
};
function withSetting(part: ReturnType<typeof jumpered>, more: object): ReturnType<typeof jumpered> {
  return { ...part, settings: part.settings!.map((s) => ({ ...s, ...more })) };
}

describe('every rule', () => {
  const fired = new Map<RuleId, Finding>();
  const quiet = new Set<RuleId>();
  const look = (findings: readonly Finding[]) => {
    const here = new Set(findings.map((f) => f.rule));
    for (const f of findings) if (!fired.has(f.rule)) fired.set(f.rule, f);
    for (const id of ruleIds) if (!here.has(id)) quiet.add(id);
  };

  it('counts in one stage, says how bad it is, and what it says is English, on machines at random', () => {
    for (let seed = 1; seed <= torture(20_000, 1000); seed++) {
      const { build, parts } = anything(seed);
      const findings = check(build, parts);
      look(findings);
      const open = findings.filter((f) => f.severity !== 'note').length;
      const stages = openByStage(findings);
      const views = openByView(findings);
      expect(
        Object.values(stages).reduce((a, b) => a + b, 0),
        `seed ${seed}`
      ).to.equal(open);
      expect(
        Object.values(views).reduce((a, b) => a + b, 0),
        `seed ${seed}`
      ).to.equal(stages.fit);
      expect(new Set(findings.map((f) => f.id)).size, `ids of seed ${seed}`).to.equal(findings.length);
      for (const f of findings) {
        if (!registry[f.rule].severity.includes(f.severity)) expect.fail(`${f.id}: ${f.severity}`);
        const { title, sentence, why, fixes } = tell(f);
        const all = [title, sentence, why, ...fixes.map((x) => x.label)];
        // Hundreds of thousands of texts: what a mistake looks like is asked first, and said only then.
        const wrong = [
          ...all.filter((t) => !/^[^\s].*\S$/.test(t) || /undefined|null|NaN|\[object| {2}|\.\./.test(t)),
          ...[sentence, why].filter((t) => !/^\S.*[.…]$/.test(t)),
          ...(title.endsWith('.') ? [title] : [])
        ];
        if (wrong.length) expect.fail(`${f.id}, seed ${seed}: ${wrong.join(' | ')}`);
      }
    }
  });
  it('has words, fires on some machine, and is silent on another', () => {
    for (const [rule, make] of Object.entries(rare)) {
      const { build, parts } = make();
      const findings = check(build, parts);
      expect(
        findings.map((f) => f.rule),
        `the case of ${rule}`
      ).to.include(rule);
      look(findings);
    }
    expect(Object.keys(words).sort()).to.deep.equal([...ruleIds].sort());
    expect(
      ruleIds.filter((id) => !fired.has(id)),
      'never fired'
    ).to.deep.equal([]);
    expect(
      ruleIds.filter((id) => !quiet.has(id)),
      'always fired'
    ).to.deep.equal([]);
  });
});
