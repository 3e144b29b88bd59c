import { expect } from 'chai';
import { columnOf } from '../../src/lib/core/compare';
import { Build } from '../../src/lib/core/model';
import { parts } from '../support/demo';

describe('machines side by side', () => {
  const column = (part: string, cpu: string, asFound: Record<string, string> = {}) =>
    columnOf(
      Build.parse({
        id: 'm',
        name: 'M',
        board: { id: 'board', part, asFound },
        items: [{ id: 'cpu', part: cpu }]
      }),
      parts
    );
  it('a clock that rests on settings nobody looked at is told as the usual one', () => {
    expect(column('varnoc-v66', 'ashgill-486dx2-66')).to.deep.include({
      isClockSeen: false,
      cpu: '486DX2-66'
    });
    expect(column('varnoc-v66', 'ashgill-486dx2-66', { clock: '33' })).to.deep.include({ isClockSeen: true });
    expect(column('skerrin-px8', 'ashgill-8088-5'), 'one crystal, no jumper').to.deep.include({
      isClockSeen: true
    });
  });
  it('of a CPU that does not go in nothing is worked out, and what is not entered is not known', () => {
    expect(column('skerrin-px8', 'ashgill-486dx2-66')).to.deep.include({
      cpu: '486DX2-66',
      speed: null,
      totalKiB: null
    });
  });
});
