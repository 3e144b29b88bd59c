import { expect } from 'chai';
import { Gate, passphraseProblem, setPassphrase } from '../../src/lib/server/gate';
import { useShop } from '../support/store';

describe('the gate', () => {
  const shop = useShop();
  let now: number;
  let gate: Gate;
  beforeEach(async () => {
    now = Date.parse('2026-11-24T00:00:00Z');
    gate = new Gate(shop.db, () => now);
    await setPassphrase(shop.db, 'three herons over mud');
  });

  it('doubles the wait with each wrong try after the fifth, up to an hour, and forgets it after a right one', async () => {
    const waits: number[] = [];
    for (let i = 0; i < 14; i++) {
      expect((await gate.signIn('wrong', 'a')).result).to.equal('wrong');
      const next = await gate.signIn('wrong', 'a');
      if (next.result === 'wait') {
        waits.push(next.seconds);
        now += next.seconds * 1000;
      } else i++;
    }
    expect(waits.slice(0, 4)).to.deep.equal([30, 60, 120, 240]);
    expect(Math.max(...waits)).to.equal(3600);
    expect((await gate.signIn('three herons over mud', 'b')).result, 'another address').to.equal('in');
    expect((await gate.signIn('three herons over mud', 'a')).result).to.equal('in');
    expect((await gate.signIn('wrong', 'a')).result).to.equal('wrong');
    expect((await gate.signIn('three herons over mud', 'a')).result).to.equal('in');
  });
  it('keeps somebody signed in for thirty days', async () => {
    const entry = await gate.signIn('three herons over mud', 'a');
    const token = entry.result === 'in' ? entry.token : '';
    expect(token).to.match(/^[\w-]{43}$/);
    now += 29 * 86_400_000;
    expect(await gate.isSignedIn(token)).to.equal(true);
    now += 2 * 86_400_000;
    expect(await gate.isSignedIn(token)).to.equal(false);
    expect(await gate.isSignedIn(undefined)).to.equal(false);
  });
  it('takes passphrases of 12 characters to 72 bytes', () => {
    expect(passphraseProblem('x'.repeat(11))).to.match(/at least 12/);
    expect(passphraseProblem('x'.repeat(12))).to.equal(null);
    expect(passphraseProblem('x'.repeat(72))).to.equal(null);
    expect(passphraseProblem('é'.repeat(37))).to.match(/72 bytes/);
  });
});
