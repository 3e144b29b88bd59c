import { check, registry, type Finding } from '../../src/lib/core/rules';
import {
  families,
  fittedKiB,
  knownFilling,
  moduleFits,
  settingsFor,
  socketTakes,
  type BankFill
} from '../../src/lib/core/boards';
import {
  hasFacts,
  isOfKind,
  partSet,
  type Build,
  type Item,
  type Part,
  type PartOf
} from '../../src/lib/core/model';
import { middlePrice, middleWeights, type PlanRequest } from '../../src/lib/core/planner';
import { assemble } from '../../src/lib/core/planner/assemble';
import { poolOf, weighSides } from '../../src/lib/core/planner/pool';
import { choose, resolve } from '../../src/lib/core/solver';
import type { Choice } from '../../src/lib/core/planner/assemble';
import type { Base, Option } from '../../src/lib/core/planner/options';

/**
 * The best score over every machine that a small catalogue allows, without bounds, masks, covers or any of the
 * planner's own search: boards × CPUs × memory × display and monitor × sound × drives × subsets of the other
 * cards × case, supply and keyboard. Putting parts together and the rules are shared; what is to be compared
 * is which machines are looked at. Null when none works.
 */
export function bruteBest(request: PlanRequest): number | null {
  const weights = request.weights ?? middleWeights;
  const pool = poolOf(request, weights);
  const parts = partSet(request.parts);
  const { brief } = request;
  const units = (id: string) => request.shelf.filter((u) => u.part === id).length;
  const year = brief.date ? Number(brief.date.slice(0, 4)) : null;
  const strict = brief.strictness === 'convenient' ? 0.2 : 1;
  const of = (test: (p: Part) => unknown) => pool.parts.filter(test);
  const option = <P extends Part>(list: { part: P; count: number; place?: string }[]): Option<P> => ({
    parts: list,
    mask: 0n,
    soft: 0n,
    weight: 0
  });
  const ofKind = <K extends Part['kind']>(kind: K) =>
    pool.parts.filter((p): p is PartOf<K> => isOfKind(p, kind));
  const one = <P extends Part>(part: P) => ({ part, count: 1 });
  const maybe = (kind: Part['kind']): (Part | null)[] => {
    const list = of((p) => p.kind === kind);
    return list.length ? list : [null];
  };

  const score = (chosen: { part: Part; count: number }[], build: Build): number | null => {
    const findings = check(build, parts);
    const isProgram = (f: Finding) => registry[f.rule].about === 'program';
    const ofProgram = (f: Finding, id: string) =>
      isProgram(f) && 'profile' in f.facts && f.facts.profile === id;
    const bad = findings.some(
      (f) =>
        ((f.severity === 'stop' || f.severity === 'clash') && !isProgram(f)) ||
        f.rule === 'brief.wish' ||
        f.rule === 'disk.coding'
    );
    if (bad) return null;
    const missed = brief.profiles.filter((p) =>
      findings.some((f) => ofProgram(f, p.id) && f.severity === 'clash')
    );
    const rough = brief.profiles.filter(
      (p) => !missed.includes(p) && findings.some((f) => ofProgram(f, p.id) && f.severity !== 'clash')
    );
    const years = (p: Part) =>
      year === null || !p.sold
        ? 0
        : Math.max(0, p.sold.from - year) + (p.sold.to === undefined ? 0 : Math.max(0, year - p.sold.to - 4));
    const bought = chosen.reduce((n, c) => n + Math.max(0, c.count - units(c.part.id)), 0);
    const cost = chosen.reduce(
      (n, c) => n + Math.max(0, c.count - units(c.part.id)) * middlePrice(c.part),
      0
    );
    return weighSides(
      {
        missed: missed.length,
        rough: rough.length,
        years: chosen.reduce((n, c) => n + years(c.part), 0) * strict,
        bought,
        cost,
        slots: build.items.filter((i: Item) => i.slot !== undefined).length,
        cautions: findings.filter(
          (f) => f.severity === 'caution' && !isProgram(f) && registry[f.rule].about !== 'period'
        ).length
      },
      weights
    );
  };

  let best: number | null = null;
  const others = of((p) => p.card && !p.video && !p.audio);
  const subsets = Array.from({ length: 1 << others.length }, (_, bits) =>
    others.filter((_c, i) => bits & (1 << i))
  );
  const drives = ofKind('drive').filter((p) => p.drive.medium === 'hard');
  const floppies = ofKind('drive').filter((p) => p.drive.interface === 'floppy');
  for (const { base, memories } of machines())
    for (const memory of memories)
      for (const card of of((p) => p.card && p.video && p.video.standard !== '3d-only'))
        for (const monitor of of((p) => p.monitor))
          for (const audio of [null, ...of((p) => p.card && p.audio)])
            for (const disk of [null, ...drives])
              for (const floppy of floppies)
                for (const services of subsets) {
                  const choice: Choice = {
                    base,
                    memory: option(memory),
                    display: option([one(card), one(monitor)]),
                    audio: option(audio ? [one(audio)] : []),
                    storage: option([...(disk ? [one(disk)] : []), one(floppy)]),
                    services: option(services.map(one))
                  };
                  if (!canBeBetter(choice)) continue;
                  tryTrims(choice);
                }
  return best;

  /** The plain sum that every machine with these parts has at least; no search idea, only to save time. */
  function canBeBetter(choice: Choice): boolean {
    if (best === null) return true;
    const list = Object.values(choice).flatMap((o: Option) => o.parts);
    const sum = list.reduce(
      (n, { part, count }) => n + Math.max(0, count - units(part.id)) * middlePrice(part),
      0
    );
    return weighSides({ cost: sum }, weights) < best;
  }

  function tryTrims(choice: Choice): void {
    let resolved: Build | null | undefined;
    for (const chassis of maybe('case'))
      for (const supply of maybe('supply'))
        for (const keyboard of maybe('keyboard')) {
          const trim = [chassis, supply, keyboard].filter((p): p is Part => p !== null);
          const fitsForm =
            (!chassis || !supply || chassis.chassis!.supply.includes(supply.supply!.form)) &&
            (!supply ||
              !choice.base.board.board!.powerPlug ||
              choice.base.board.board!.powerPlug === 'either' ||
              (supply.supply!.form === 'atx') === (choice.base.board.board!.powerPlug === 'atx'));
          if (!fitsForm) continue;
          const build = assemble(pool, brief, choice, trim);
          if (!build) return;
          if (resolved === undefined) {
            const lines = resolve(build, parts, { alternatives: 0, relaxations: 0, maxNodes: 20_000 });
            resolved = lines.status === 'solved' ? choose(build, lines) : null;
          }
          if (!resolved) return;
          const chosenOf = new Map([resolved.board, ...resolved.items].map((i) => [i.id, i.chosen]));
          const set: Build = {
            ...build,
            board: { ...build.board, chosen: chosenOf.get('board')! },
            items: build.items.map((i) => ({ ...i, chosen: chosenOf.get(i.id) ?? i.chosen }))
          };
          const list = [...Object.values(choice).flatMap((o: Option) => o.parts), ...trim.map(one)];
          const got = score(list, set);
          if (got !== null && (best === null || got < best)) best = got;
        }
  }

  function machines(): { base: Base; memories: { part: Part; count: number; place: string }[][] }[] {
    return ofKind('board').flatMap((board) => {
      const soldered = board.board.cpuSocket?.soldered;
      const cpus = soldered ? [null] : ofKind('cpu').filter((p) => socketTakes(board, p));
      return cpus.flatMap((cpu) => {
        const fixed = parts.get(soldered ?? '');
        const own = cpu ?? (fixed && hasFacts(fixed, 'cpu') ? fixed : null);
        const settings = own ? settingsFor(board, own) : {};
        if (!settings) return [];
        const base: Base = {
          ...option<Part>([one(board), ...(cpu ? [one(cpu)] : [])]),
          board,
          cpu,
          settings
        };
        return [{ base, memories: memoriesOf(board, own ?? null) }];
      });
    });
  }

  function memoriesOf(board: Part, cpu: Part | null): { part: Part; count: number; place: string }[][] {
    const facts = board.board!.memory!;
    const reach = cpu?.cpu ? families[cpu.cpu.family].reachKiB : Infinity;
    const out: { part: Part; count: number; place: string }[][] = [];
    const walk = (i: number, list: { part: Part; count: number; place: string }[]): void => {
      if (i === facts.banks.length) {
        const fills: BankFill[] = list.map((l) => ({
          bank: l.place,
          module: l.part.module!,
          count: l.count
        }));
        const kib = fittedKiB(facts, fills);
        const sizes = facts.banks.map((b) => fills.find((f) => f.bank === b.id)?.module.kib ?? 0);
        const ordered = sizes.every(
          (s, n) => s === 0 || n === 0 || (sizes[n - 1] !== 0 && s <= sizes[n - 1])
        );
        if (
          kib > 0 &&
          kib <= Math.min(reach, facts.maxKiB) &&
          (facts.fillings ? knownFilling(facts, sizes) : ordered)
        )
          out.push(list);
        return;
      }
      walk(i + 1, list);
      for (const part of ofKind('memory'))
        if (moduleFits(facts, facts.banks[i], part))
          walk(i + 1, [...list, { part, count: facts.banks[i].sockets, place: facts.banks[i].id }]);
    };
    walk(0, []);
    return out;
  }
}
