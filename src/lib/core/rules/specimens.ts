import { thingOf, type Item, type Thing } from '../model';
import type { Case } from './finding';
import type { Rule, Situation } from './rule';

const thing = ({ parts }: Situation, item: Item): Thing[] => {
  const part = parts.get(item.part);
  return part ? [thingOf(item.label === undefined ? { part } : { part, title: item.label })] : [];
};

/** A part that was found bad stays in the way until it is out. */
const bad: Rule = (s) =>
  [s.m.build.board, ...s.m.build.items].flatMap((item): Case[] =>
    thing(s, item).flatMap((part) =>
      item.foundBad
        ? [
            {
              rule: 'part.bad',
              about: [item.id],
              facts: { part, ...item.foundBad, why: item.foundBad.why ?? null },
              fixes:
                item === s.m.build.board
                  ? []
                  : [
                      {
                        label: { kind: 'out', part: part.name },
                        fix: { action: 'take-out', item: item.id }
                      }
                    ]
            }
          ]
        : []
    )
  );

/** A machine with a loan is no reference, and the other one lacks a part. */
const borrowed: Rule = (s) =>
  s.m.build.items.flatMap((item): Case[] =>
    thing(s, item).flatMap((part) =>
      item.borrowed
        ? [
            {
              rule: 'part.borrowed',
              about: [item.id],
              facts: { part, from: item.borrowed.name, at: item.borrowed.at }
            }
          ]
        : []
    )
  );

export const specimenRules: readonly Rule[] = [bad, borrowed];
