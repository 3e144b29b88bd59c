import { expect } from 'chai';
import { families } from '../../src/lib/core/boards';
import { Ability, CpuFamily, Picture, type Profile, type Wants } from '../../src/lib/core/model';
import { systemOf, unmet, type Offer } from '../../src/lib/core/software';
import { readSoftware } from '../../src/lib/server/catalogue';
import { Seeded } from '../support/random';

const profiles = readSoftware(new URL('../../catalogue', import.meta.url).pathname);
const asked = ['mouse', 'game', 'modem', 'serial', 'parallel', 'network', 'scanner', 'midi'] as const;

/** A machine that gives exactly what a program asks, and in what it does not ask next to nothing. */
function exactly(wants: Wants): Offer {
  const { memory = {}, speed = {} } = wants;
  return {
    cpu: wants.cpu ?? '8088',
    speed: speed.from ?? Math.min(1, speed.to ?? 1),
    fpu: wants.fpu !== undefined,
    memory: {
      base: memory.baseKiB ?? 0,
      extended: memory.extendedKiB ?? 0,
      // From a driver on a 386 it is taken from the same memory.
      expanded: (memory.expandedKiB ?? 0) + (memory.extendedKiB ?? 0)
    },
    pictures: new Set(wants.display?.slice(-1)),
    abilities: new Set(wants.audio?.slice(-1)),
    functions: new Set(wants.functions),
    diskMiB: wants.diskMiB ?? null,
    cdrom: wants.cdrom ?? false,
    floppies: [wants.floppyKiB ?? 360],
    dos: wants.dos ?? 2,
    windows: wants.windows ?? null
  };
}

/** Each rule with how to take away just what it looks at; null where the program does not ask. */
const takings: Record<string, (wants: Wants, offer: Offer) => Partial<Offer> | null> = {
  'software.cpu': ({ cpu }) => {
    const below = cpu && CpuFamily.options.filter((f) => families[f].rank < families[cpu].rank).at(-1);
    return below ? { cpu: below } : null;
  },
  'software.slow': ({ speed }) => (speed?.from ? { speed: speed.from * 0.9 } : null),
  'software.fast': ({ speed }) => (speed?.to !== undefined ? { speed: speed.to * 1.1 } : null),
  'software.fpu': ({ fpu }) => (fpu ? { fpu: false } : null),
  'software.base': ({ memory }, { memory: has }) =>
    memory?.baseKiB ? { memory: { ...has!, base: memory.baseKiB - 1 } } : null,
  'software.extended': ({ memory }, { memory: has }) =>
    memory?.extendedKiB ? { memory: { ...has!, extended: memory.extendedKiB - 1 } } : null,
  'software.expanded': ({ memory }, { memory: has }) =>
    memory?.expandedKiB ? { memory: { ...has!, expanded: memory.expandedKiB - 1 } } : null,
  'software.display': ({ display }) => (display?.length ? { pictures: new Set() } : null),
  'software.grey': ({ display }) =>
    display?.length && !display.includes('text') && !display.includes('mono-graphics')
      ? { coloured: new Set() }
      : null,
  'software.audio': ({ audio }) => (audio?.length ? { abilities: new Set() } : null),
  'software.disk': ({ diskMiB }) => (diskMiB ? { diskMiB: diskMiB - 1 } : null),
  'software.cdrom': ({ cdrom }) => (cdrom ? { cdrom: false } : null),
  'software.floppy': ({ floppyKiB }) => (floppyKiB ? { floppies: [floppyKiB === 720 ? 360 : 720] } : null),
  'software.ports': ({ functions }) => (functions?.length ? { functions: new Set() } : null),
  'software.dos': ({ dos }) => (dos ? { dos: dos - 0.01 } : null),
  'software.windows': ({ windows }) => (windows ? { windows: null } : null)
};

const rulesOf = (profile: Profile, offer: Offer) => unmet(profile, offer).map((u) => u.rule);

describe('what a program asks', () => {
  for (const profile of profiles)
    it(`${profile.name}: runs on just what it asks, and each thing taken away is named`, () => {
      const wants = profile.wants ?? {};
      const offer = exactly(wants);
      expect(rulesOf(profile, offer)).to.deep.equal([]);
      for (const [rule, taking] of Object.entries(takings)) {
        const less = taking(wants, offer);
        if (less) expect(rulesOf(profile, { ...offer, ...less }), rule).to.include(rule);
      }
    });

  it('is not out of reach where the machine can be slowed down: then it only asks for that', () => {
    const program = (to: number, from?: number): Profile => ({
      id: 'p',
      name: 'P',
      needs: [],
      wants: { speed: { to, ...(from === undefined ? {} : { from }) } }
    });
    const offer = { ...exactly({}), speed: 100 };
    const turbo = { means: 'turbo', factor: [1.3, 4] } as const;
    const cache = { means: 'l1-off', factor: [3, 8] } as const;
    const fast = (to: number, slow: Offer['slow'], from?: number) => {
      const [found] = unmet(program(to, from), { ...offer, slow });
      return found?.rule === 'software.fast' ? [found.hard, found.facts.by] : found;
    };
    expect(fast(30, [])).to.deep.equal([true, []]);
    expect(fast(50, [turbo, cache])).to.deep.equal([false, ['turbo']]);
    expect(fast(30, [turbo, cache]), 'by turbo only at its utmost').to.deep.equal([false, ['l1-off']]);
    expect(fast(10, [turbo, cache]), 'both together').to.deep.equal([false, ['turbo', 'l1-off']]);
    expect(fast(5, [turbo, cache]), 'not even both').to.deep.equal([true, []]);
    expect(fast(40, [cache], 35), 'slower than it may be').to.deep.equal([true, []]);
    expect(fast(100, [])).to.equal(undefined);
  });

  it('every rule is asked by some profile', () => {
    for (const [rule, taking] of Object.entries(takings))
      expect(
        profiles.some((p) => taking(p.wants ?? {}, exactly(p.wants ?? {}))),
        rule
      ).to.equal(true);
  });

  it('what nobody entered yet is not held against a machine', () => {
    const blank: Offer = {
      ...exactly({}),
      cpu: null,
      speed: null,
      memory: null,
      pictures: null,
      floppies: [],
      dos: null,
      windows: null
    };
    const open = ['software.audio', 'software.disk', 'software.cdrom', 'software.ports'];
    for (const p of profiles) expect(open).to.include.members(rulesOf(p, blank));
  });

  it('more of anything but speed never adds a complaint', () => {
    const r = new Seeded(11);
    for (let n = 0; n < 600; n++) {
      const offer: Offer = {
        cpu: r.pick(CpuFamily.options.slice(0, 3)),
        speed: 1 + r.int(200),
        fpu: r.chance(0.3),
        memory: { base: r.int(640), extended: r.int(8192), expanded: r.int(4096) },
        pictures: new Set(r.some(Picture.options, r.int(4))),
        abilities: new Set(r.some(Ability.options, r.int(4))),
        functions: new Set(r.some(asked, r.int(4))),
        diskMiB: r.chance(0.3) ? null : r.int(600),
        cdrom: r.chance(0.5),
        floppies: [360],
        dos: 3.3,
        windows: null
      };
      const more: Offer = {
        ...offer,
        fpu: true,
        memory: {
          base: offer.memory!.base + r.int(100),
          extended: offer.memory!.extended + r.int(4000),
          expanded: offer.memory!.expanded + r.int(4000)
        },
        pictures: new Set([...offer.pictures!, ...r.some(Picture.options, 2)]),
        abilities: new Set([...offer.abilities, ...r.some(Ability.options, 2)]),
        functions: new Set([...offer.functions, ...r.some(asked, 2)]),
        diskMiB: (offer.diskMiB ?? 0) + 1 + r.int(500),
        cdrom: true,
        floppies: [...offer.floppies, 1200, 1440],
        dos: 6.22,
        windows: 3.1
      };
      const profile = r.pick(profiles);
      expect(rulesOf(profile, offer), profile.id).to.include.members(rulesOf(profile, more));
    }
  });

  it('a mouse or a modem also hangs on a serial port', () => {
    const profile = { id: 'x', name: 'X', wants: { functions: ['mouse', 'modem'] } } as unknown as Profile;
    expect(rulesOf(profile, { ...exactly({}), functions: new Set(['serial']) })).to.deep.equal([]);
    expect(rulesOf(profile, { ...exactly({}), functions: new Set(['mouse']) })).to.deep.equal([
      'software.ports'
    ]);
  });
});

describe('what the brief calls the system', () => {
  it('is read into versions', () => {
    expect(systemOf('DOS 6.22')).to.deep.equal({ dos: 6.22, windows: null });
    expect(systemOf('Windows 3.1 on DOS 5')).to.deep.equal({ dos: 5, windows: 3.1 });
    expect(systemOf('Windows for Workgroups 3.11, DOS 6.22')).to.deep.equal({ dos: 6.22, windows: 3.11 });
    expect(systemOf('Windows 95')).to.deep.equal({ dos: 7, windows: 4 });
    expect(systemOf('Windows 98')).to.deep.equal({ dos: 7.1, windows: 4.1 });
    expect(systemOf('Windows 95 OSR2')).to.deep.equal({ dos: 7.1, windows: 4 });
    expect(systemOf('to be seen')).to.deep.equal({ dos: null, windows: null });
    expect(systemOf(undefined)).to.deep.equal({ dos: null, windows: null });
  });
});
