import type { Finding } from '../model';
import { hookedMonitors, withSwitch, type Hooked } from '../video';
import { rule, setFix, type Rule, type Said, type Situation } from './rule';

const standard = (h: Hooked) => h.checks.filter((c) => c.mode.standards || c.mode.id === 'mono-graphics');

const danger = rule(
  'video.danger',
  'DE-9 plugs fit each other; a fixed-frequency monitor fed with other timing can be damaged within seconds.',
  (s) =>
    hookedMonitors(s.kit).flatMap((h): Said[] => {
      const bad = standard(h).find((c) => c.verdict === 'danger');
      if (!bad || !h.display) return [];
      return [
        {
          severity: 'stop',
          about: [h.monitor.item.id, h.display.item],
          title: `${h.monitor.title} can be damaged`,
          sentence: `Do not connect it: the plug fits, but ${h.display.title} sends ${bad.mode.horizontal} kHz and the monitor is made for ${h.monitor.part.monitor!.horizontal.map((r) => `${r.low} to ${r.high}`).join(', ')} kHz only. Switch off at once at a whine or a rolling picture.`,
          fixes: switchFixes(s, h)
        }
      ];
    })
);

/** Monitor-switch positions of the card under which nothing can be damaged and something is shown. */
function switchFixes(s: Situation, h: Hooked): Finding['fixes'] {
  const { display } = h;
  const told = display?.facts.monitorSwitch;
  if (!display || !told) return [];
  return Object.keys(told.values)
    .filter((position) => {
      const kit = {
        ...s.kit,
        at: (i: string, x: string) => (i === display.item && x === told.setting ? position : s.at(i, x))
      };
      const after = hookedMonitors({ ...kit, displays: s.kit.displays }).find((x) => x.monitor === h.monitor);
      return (
        after?.checks.some((c) => c.verdict === 'shown') &&
        !standard(after).some((c) => c.verdict === 'danger')
      );
    })
    .slice(0, 2)
    .map((position) => setFix(s, display.item, told.setting, position));
}

const signal = rule(
  'video.signal',
  'A monitor accepts a signal when plug, kind and both frequencies are in its ranges.',
  (s) =>
    hookedMonitors(s.kit).flatMap((h): Said[] => {
      if (!h.display)
        return s.kit.displays.length
          ? []
          : [
              {
                severity: 'clash',
                about: [h.monitor.item.id],
                title: `Nothing drives ${h.monitor.title}`,
                sentence: 'There is no video card in the machine.'
              }
            ];
      const shows = h.checks.some((c) => c.verdict === 'shown');
      const isDanger = standard(h).some((c) => c.verdict === 'danger');
      if (!shows && !isDanger) {
        const plug = h.checks.every((c) => c.verdict === 'no-plug');
        return [
          {
            severity: 'clash',
            about: [h.monitor.item.id, h.display.item],
            title: `${h.monitor.title} shows nothing of ${h.display.title}`,
            sentence: plug
              ? 'Their plugs do not fit.'
              : 'The plug fits; none of the card’s frequencies are in the monitor’s ranges.'
          }
        ];
      }
      const lost = h.checks.filter(
        (c) => !c.mode.standards && c.verdict !== 'shown' && c.mode.id !== 'mono-graphics'
      );
      return shows && lost.length
        ? [
            {
              severity: 'note',
              about: [h.monitor.item.id, h.display.item],
              title: `${lost.length} modes of ${h.display.title} that ${h.monitor.title} does not follow`,
              sentence: `Do not choose ${lost.map((c) => c.mode.label).join(', ')}: the picture rolls or stays dark${h.monitor.part.monitor!.fixed ? ', and a fixed monitor can be damaged' : ''}.`
            }
          ]
        : [];
    })
);

const flat = rule('video.flat', 'A VGA that finds no identification pins may start in monochrome.', (s) =>
  hookedMonitors(s.kit)
    .filter((h) => h.monitor.part.monitor!.flat && h.display?.facts.standard === 'vga')
    .map((h) => ({
      severity: 'note' as const,
      about: [h.monitor.item.id],
      title: `${h.monitor.title} may start in grey`,
      sentence:
        'If colours are missing, the card found no identification pins: use its utility, or wire the pin.'
    }))
);

const boardSwitch = rule(
  'video.switch',
  'The board is told which display starts; one long and two short beeps when that is wrong.',
  (s) => {
    const told = s.kit.facts.displaySwitch;
    const on = s.kit.displays.filter((d) => d.isOn && d.facts.standard !== '3d-only');
    if (!told || !on.length) return [];
    const position = s.at('board', told.setting);
    const set = position === undefined ? undefined : told.values[position];
    if (set === undefined || set === 'any') return [];
    const kinds = new Set(
      on.map((d) => {
        const sent = withSwitch(s.kit, d).standard;
        return sent === 'mono' ? 'mono' : sent === 'cga' ? 'colour' : 'own-bios';
      })
    );
    // AT class knows two words only: a card with its own BIOS counts as colour.
    const offered = new Set(Object.values(told.values));
    const wanted = [...kinds].map((k) => (k === 'own-bios' && !offered.has('own-bios') ? 'colour' : k));
    if (wanted.includes(set)) return [];
    // With its own BIOS the card takes over on AT class whatever the jumper says.
    const harmless = s.kit.facts.class === 'at' && kinds.has('own-bios');
    const right = Object.entries(told.values).find(([, v]) => v === wanted[0]);
    return [
      {
        severity: harmless ? 'note' : 'clash',
        about: [{ item: 'board', setting: told.setting }, ...on.map((d) => d.item)],
        title: `The board expects ${set === 'mono' ? 'a monochrome' : set === 'colour' ? 'a colour' : 'another'} card`,
        sentence: harmless
          ? 'The card’s own BIOS takes over; set the jumper all the same, some setups complain.'
          : `Expect a dark screen and one long, two short beeps (eight short by another BIOS). ${on[0].title} is ${wanted[0] === 'mono' ? 'monochrome' : wanted[0] === 'colour' ? 'colour' : 'a card with its own BIOS'}.`,
        fixes: right ? [setFix(s, 'board', told.setting, right[0])] : []
      }
    ];
  }
);

const two = rule('video.two', 'Monochrome beside colour is legal; two on one range are not.', (s) => {
  const on = s.kit.displays.filter((d) => d.isOn && d.facts.standard !== '3d-only');
  const sort = (d: (typeof on)[number]) => (withSwitch(s.kit, d).standard === 'mono' ? 'mono' : 'colour');
  const out: Said[] = [];
  for (const kind of ['mono', 'colour'] as const) {
    const same = on.filter((d) => sort(d) === kind);
    // The lines say it too; this says what it is.
    if (same.length > 1)
      out.push({
        severity: 'clash',
        about: same.map((d) => d.item),
        title: `Two ${kind === 'mono' ? 'monochrome' : 'colour'} displays`,
        sentence: `${same.map((d) => d.title).join(' and ')} answer at the same addresses. Keep one of them; a monochrome one beside a colour one is fine.`
      });
  }
  return out;
});

const only3d = rule('video.pass', 'A 3D-only card shows nothing by itself.', (s) => {
  const only = s.kit.displays.filter((d) => d.facts.standard === '3d-only');
  if (!only.length || s.kit.displays.some((d) => d.facts.standard === 'vga' && d.isOn)) return [];
  return only.map((d) => ({
    severity: 'clash' as const,
    about: [d.item],
    title: `${d.title} needs another card`,
    sentence: 'The picture of a VGA card passes through it; alone it stays dark.'
  }));
});

export const videoRules: readonly Rule[] = [danger, signal, boardSwitch, two, only3d, flat];
