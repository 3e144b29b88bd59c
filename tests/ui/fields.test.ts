import { expect } from 'chai';
import { Part } from '../../src/lib/core/model';
import { readPlainParts } from '../../src/lib/server/catalogue';
import { ELSEWHERE, PART_KINDS, factFields, mainFacts, type Field } from '../../src/lib/formats/part-fields';
import { withFact } from '../../src/lib/ui/editor/fields';

/** Every value of a group that no field can show. */
function unreachable(group: Extract<Field, { type: 'group' }>, value: object, at: string): string[] {
  return Object.entries(value).flatMap(([key, v]) => {
    const field = group.fields.find((f) => f.key === key);
    if (!field) return [`${at}.${key}`];
    return field.type === 'group' && v && typeof v === 'object' ? unreachable(field, v, `${at}.${key}`) : [];
  });
}

describe('the form of a part’s facts', () => {
  it('has a field for everything that the plain parts say', () => {
    for (const part of readPlainParts())
      for (const group of factFields(part.kind)) {
        const value = part[group.key as keyof Part];
        // What a multiplier code means on a chip is a table of its own, and the page has fields of its own for some.
        const own = ['cpu.reads', ...(ELSEWHERE[group.key] ?? []).map((key) => `${group.key}.${key}`)];
        const open = value
          ? unreachable(group, value as object, group.key).filter((k) => !own.includes(k))
          : [];
        expect(open, part.id).to.deep.equal([]);
      }
  });

  it('asks of every kind for the facts without which it is nothing', () => {
    for (const kind of PART_KINDS) {
      const fields = factFields(kind);
      // What those two cannot be without has its place at the top of the page.
      if (kind === 'board' || kind === 'card') continue;
      expect(fields[0]?.key, kind).to.equal(mainFacts(kind));
      expect(
        fields[0]?.fields.some((f) => f.required),
        kind
      ).to.equal(true);
    }
  });

  it('names CPUs in the order of their years, though they look like numbers', () => {
    const family = factFields('cpu')[0]?.fields.find((f) => f.key === 'family');
    expect(family?.type === 'choice' && family.options).to.deep.equal([
      '8088', '8086', '286', '386sx', '386dx', '486sx', '486dx', '586', 'pentium', 'pentium2'
    ]); // oxfmt-ignore
  });
  it('takes a fact back to unknown, and a group with nothing in it away', () => {
    const cpu = withFact({ family: '286' }, 'coreMHz', 12);
    expect(cpu).to.deep.equal({ family: '286', coreMHz: 12 });
    expect(withFact(cpu, 'coreMHz', undefined)).to.deep.equal({ family: '286' });
    expect(withFact({ family: '286' }, 'family', undefined)).to.equal(undefined);
  });
});
