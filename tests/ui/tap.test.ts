import { expect } from 'chai';
import { tapped } from '../../src/lib/ui/start/tap';

/** Presses of these lengths, with these pauses before each, in milliseconds. */
const rhythm = (...presses: [pause: number, length: number][]) => {
  let now = 0;
  return presses.map(([pause, length]) => {
    const down = (now += pause);
    now += length;
    return { down, up: now };
  });
};

describe('a tapped rhythm', () => {
  it('is a count, long and short, or groups by its pauses', () => {
    expect(tapped([])).to.equal('');
    expect(tapped(rhythm([0, 80], [200, 80], [200, 80]))).to.equal('3');
    expect(tapped(rhythm([0, 600], [300, 80], [200, 80]))).to.equal('1 long 2 short');
    expect(tapped(rhythm([0, 600]))).to.equal('1 long');
    expect(
      tapped(rhythm([0, 80], [900, 80], [200, 80], [200, 80], [900, 80], [200, 80], [200, 80]))
    ).to.equal('1-3-3');
  });
});
