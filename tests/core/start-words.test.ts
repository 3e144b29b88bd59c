import { expect } from 'chai';
import { readBeeps, readScreen, soundIn } from '../../src/lib/core/diagnosis';
import { readStarts } from '../../src/lib/formats';

const AT = '2026-01-01T00:00:00Z';

describe('what was seen and heard of a start, as people write it', () => {
  it('reads beeps as people write them, and says when it cannot', () => {
    expect(readBeeps('three short')).to.deep.equal({ kind: 'count', n: 3 });
    expect(readBeeps('1 long, 2 short')).to.deep.equal({ kind: 'long-short', long: 1, short: 2 });
    for (const said of ['long short short', 'one long beep and two short beeps', 'Long beep, 2 short'])
      expect(readBeeps(said), said).to.deep.equal({ kind: 'long-short', long: 1, short: 2 });
    expect(readBeeps('seven short')).to.deep.equal({ kind: 'count', n: 7 });
    expect(readBeeps('beeps 3 times')).to.deep.equal({ kind: 'count', n: 3 });
    expect(readBeeps('short long'), 'no table has it').to.equal(null);
    expect(readBeeps('1L 3S')).to.deep.equal({ kind: 'long-short', long: 1, short: 3 });
    expect(readBeeps('1-3-3')).to.deep.equal({ kind: 'groups', groups: [1, 3, 3] });
    expect(readBeeps('keeps beeping')).to.deep.equal({ kind: 'repeated', long: true });
    expect(readBeeps('silent')).to.deep.equal({ kind: 'none' });
    for (const odd of ['', 'loud', '1-', 'long']) expect(readBeeps(odd), odd).to.equal(null);
    expect(soundIn('A', { kind: 'count', n: 8 })).to.equal('display');
    expect(soundIn('C', { kind: 'groups', groups: [1, 1, 4] })).to.equal('rom');
    expect(() => readStarts('beeps: loud', AT)).to.throw('line 1');
    const left = 'after: without sound\npower: runs';
    expect(readStarts(left, AT, ['sound'])[0]!.after).to.equal('without sound');
    expect(() => readStarts(left, AT, ['serial'])).to.throw('"sound" is not a part of this build');
    expect(() => readStarts('after: without\npower: runs', AT, ['sound'])).to.throw('is not a test');
    // What people say for it; and the line that was not understood is named.
    expect(readStarts('power: on\nscreen: black\nreached: memory count', AT)).to.deep.equal([
      { at: AT, power: 'runs', screen: 'dark', reached: 'count' }
    ]);
    expect(readStarts('power: dead', AT)[0]!.power).to.equal('still');
    expect(() => readStarts('power: on\nscreen: blue', AT)).to.throw(/line 2.*write one of dark, text/);
    expect(readStarts('power: runs\nscreen: dark sure\nmessages: none', AT)).to.deep.equal([
      { at: AT, power: 'runs', screen: 'dark', darkSure: true, messages: [] }
    ]);
    const several =
      'power: runs\nbeeps: 3\n---\nread: ohms no\n---\nafter: reseat-memory\ntext: keybord eror';
    expect(readStarts(several, AT).slice(1)).to.deep.equal([
      { at: AT, read: { test: 'ohms', found: false } },
      { at: AT, after: 'reseat-memory', messages: ['keyboard'], note: 'keybord eror' }
    ]);
    for (const odd of ['read: smell yes', 'read: ohms', 'after: prayer', 'text: hello world', '', '---'])
      expect(() => readStarts(odd, AT), odd).to.throw();
  });

  it('reads the text on a screen however it is spelled, and says when it is none', () => {
    const texts: [string, string[]][] = [
      ['Keyboard error or no keyboard present', ['keyboard']],
      ['KEYBORD EROR', ['keyboard']],
      ['301', ['keyboard']],
      ['163-Time & Date not set', ['settings']],
      ['CMOS checksum bad', ['settings']],
      ['164 memory size', ['memory-size']],
      ['PARITY CHECK 1', ['memory']],
      ['1701', ['disk']],
      ['HDD controler failure', ['disk']],
      ['FDD controller failure', ['floppy']],
      ['601', ['floppy']],
      ['Non-System disk or disk error', ['not-system']],
      ['missing operating systm', ['no-system']],
      ['No ROM BASIC, system halted', ['no-boot']],
      ['Bad or missing Command Interpreter', ['interpreter']],
      ['Keyboard is locked', ['locked']],
      ['Drive C: failure', ['disk']],
      ['A: drive error', ['floppy']],
      ['K/B interface error', ['keyboard']],
      ['RAM parity error at 0:4000', ['memory']],
      // Words that stand in any message make none.
      ['Sector not found', []],
      ['test failed', []],
      ['press any key', []],
      ['hello', []],
      ['', []],
      ['12', []]
    ];
    for (const [text, ids] of texts) expect(readScreen(text), text).to.deep.equal(ids);
  });
});
