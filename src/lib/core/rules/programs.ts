import { totalKiB } from '../kit';
import { hex, thingOf, type Profile, entryOf, there } from '../model';
import { families } from '../boards';
import { largestPartition } from '../storage';
import { driverLacks, systemIn, systemLacks, systemOf, unmet, type Area } from '../software';
import { acceptedIn, firstClaim, isOn, offSettings, unlookedAmong, unlookedBehind } from '../resources';
import type { Case } from './finding';
import type { Rule, Situation } from './rule';

/** Whether enough is entered to judge what a program lacks in an area. */
const judged = (s: Situation, area: Area): boolean =>
  (area !== 'storage' || s.kit.drives.length > 0) &&
  (area !== 'audio' && area !== 'ports' ? true : s.kit.drives.length > 0 && s.kit.seatedCpu !== null);

/** A program runs only on what it was written for. */
const software: Rule = (s) =>
  s.kit.build.brief.profiles.flatMap((profile: Profile) =>
    unmet(profile, s.offer)
      .filter((u) => judged(s, u.area))
      .map(
        ({ rule, facts, hard }) =>
          ({
            rule,
            key: profile.id,
            severity: hard ? 'clash' : 'caution',
            about: ['board'],
            facts: { ...facts, program: profile.name, profile: profile.id, year: profile.year ?? null }
          }) as Case
      )
  );

/** An operating system has its own least machine. */
const system: Rule = (s) => {
  const { os } = s.kit.build.brief;
  const { dos, windows } = systemOf(os);
  // What was typed and not understood is no system that asks for nothing.
  if (os?.trim() && dos === null && windows === null)
    return [{ rule: 'os.unknown', about: ['board'], facts: { os: os.trim() } }];
  const found = systemIn(os);
  const family = s.kit.seatedCpu?.cpu.family;
  const { memory, diskMiB } = s.offer;
  const out: Case[] = [];
  const about = ['board'];
  if (found) {
    const total = memory && totalKiB(s.kit);
    const lacks = systemLacks(found, {
      cpu: family,
      totalKiB: total,
      extendedKiB: memory?.extended,
      diskMiB
    });
    const system = found.name;
    if (lacks.includes('cpu') && family)
      out.push({ rule: 'os.cpu', about, facts: { system, family, needs: found.cpu } });
    if (lacks.includes('base') && total !== null)
      out.push({
        rule: 'os.memory',
        key: 'base',
        about,
        facts: { system, needsKiB: found.baseKiB, of: 'base', hasKiB: total }
      });
    if (lacks.includes('extended') && memory)
      out.push({
        rule: 'os.memory',
        about,
        facts: { system, needsKiB: found.extendedKiB, of: 'extended', hasKiB: memory.extended }
      });
    if (lacks.includes('disk') && diskMiB !== null)
      out.push({
        rule: 'os.disk',
        about,
        facts: { system, needsMiB: found.diskMiB, diskMiB }
      });
  }
  // DOS before 3.3 makes one partition, and what lies behind it stays unused.
  if (dos !== null && dos < 3.3) {
    const mostMiB = Math.round(largestPartition(dos) / 2048);
    if (diskMiB !== null && diskMiB > mostMiB)
      out.push({
        rule: 'os.partition',
        about,
        facts: { dos: String(dos), mostMiB, diskMiB }
      });
  }
  return out;
};

/** A driver is a program: it has a least CPU and a least system of its own. */
const driver: Rule = (s) => {
  const family = s.kit.seatedCpu?.cpu.family;
  return s.kit.build.items.flatMap((item): Case[] => {
    const part = entryOf(s.parts, item.part);
    if (!part.driver) return [];
    const thing = thingOf({ part, title: item.label ?? part.name });
    const out: Case[] = [];
    if (family && families[family].rank < families[part.driver.cpu].rank)
      out.push({
        rule: 'os.driver',
        key: 'cpu',
        about: [item.id, 'board'],
        facts: { part: thing, why: 'cpu', needs: part.driver.cpu, family }
      });
    const lacks = driverLacks(part.driver, s.kit.build.brief.os);
    if (lacks)
      out.push({
        rule: 'os.driver',
        ...(lacks.why === 'windows' ? { key: 'windows' } : {}),
        about: [item.id],
        facts: { part: thing, ...lacks }
      });
    return out;
  });
};

const needResources = ['irq', 'dma', 'io', 'memory'] as const;

/** A program that accepts only some numbers of a function, and every such function is set to others. */
const programLines: Rule = ({ m, at, lines }) => {
  const owners = m.fitted.flatMap((f) => f.part.functions.map((fn) => ({ fitted: f, item: f.item.id, fn })));
  return m.build.brief.profiles.flatMap((profile) =>
    profile.needs.flatMap((need): Case[] => {
      const able = owners.filter((o) => o.fn.kind === need.kind);
      const meets = ({ fitted, item, fn }: (typeof able)[number]) =>
        isOn(fitted, fn, at) &&
        needResources.every((resource) => {
          const accepted = need[resource];
          if (!accepted) return true;
          const claim = firstClaim(fn, resource);
          const line = lines.find((l) => l.item === item && l.function === fn.id && l.index === claim);
          return line !== undefined && acceptedIn(m, resource, accepted).includes(line.value);
        });
      if (!able.length || able.some(meets)) return [];
      const accepts = needResources
        .flatMap((r) =>
          (need[r] ?? []).map((n) =>
            r === 'io' ? hex(n) : r === 'memory' ? hex(n, 5) : `${r.toUpperCase()} ${n}`
          )
        )
        .join(', ');
      return [
        {
          rule: 'audio.profile',
          key: profile.id,
          severity: need.weight === 'hard' ? 'clash' : 'note',
          about: able.map((o) => ({ item: o.item, function: o.fn.id })),
          facts: {
            program: profile.name,
            profile: profile.id,
            function: there(able[0]).fn.label,
            cards: able.map((o) => thingOf(o.fitted)),
            assumed: able.flatMap(({ item, fn }) => [
              ...unlookedAmong(m, offSettings(item, fn)),
              ...unlookedBehind(m, ...lines.filter((l) => l.item === item && l.function === fn.id))
            ]),
            accepts,
            note: need.why ?? null
          }
        }
      ];
    })
  );
};

export const programRules: readonly Rule[] = [system, driver, software, programLines];
