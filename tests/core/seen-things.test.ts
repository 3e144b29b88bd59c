import { expect } from 'chai';
import {
  DISPLAY_SIZES,
  PLUGS,
  bytesOf,
  displayMemory,
  keyboardKind,
  plugsLike,
  readMode,
  readSupplyLabel,
  type ScreenMode
} from '../../src/lib/core/identify';
import { keyboardReasons, plugLooks } from '../../src/lib/words';
import { Seeded } from '../support/random';

const mode = (text: string): ScreenMode => readMode(text)!;

describe('plugs by what one sees', () => {
  const ids = (seen: Parameters<typeof plugsLike>[0]) => plugsLike(seen).plugs.map((p) => p.id);
  it('tells look-alikes apart by pins and holes, and warns where it cannot', () => {
    expect(ids({ shape: 'd', pins: 9, gender: 'pins' })).to.deep.equal(['serial-9']);
    expect(ids({ shape: 'd', pins: 9, gender: 'holes' })).to.deep.equal(['display-ttl']);
    const fifteen = plugsLike({ place: 'bracket', shape: 'd', pins: 15 });
    expect(fifteen.plugs.map((p) => p.id)).to.deep.equal(['vga', 'game', 'aui']);
    expect(fifteen.doNotPlug).to.equal(true);
    expect(ids({ shape: 'd', pins: 25, gender: 'holes' })).to.include.members(['parallel', 'scsi-25']);
    expect(plugsLike({ shape: 'power-large', pins: 20 }).doNotPlug).to.equal(true);
    expect(ids({ shape: 'box', pins: 40 })).to.include.members(['ata-40', 'xta-40', 'cd-40']);
    expect(plugsLike({ shape: 'd', pins: 9, gender: 'pins' }).doNotPlug).to.equal(false);
    expect(ids({ shape: 'd', pins: 7 })).to.deep.equal([]);
  });
  it('has words for each, and takes nothing out for what nobody looked at', () => {
    for (const p of PLUGS) expect(plugLooks[p.id], p.id).to.have.length(2);
    expect(plugsLike({}).plugs).to.have.length(PLUGS.length);
  });
});

describe('memory of a display by its modes', () => {
  it('reads modes as they are written', () => {
    expect(readMode('640x480x256')).to.deep.equal({ width: 640, height: 480, colours: 256 });
    expect(readMode('800 x 600, 16 colours')).to.deep.equal({ width: 800, height: 600, colours: 16 });
    expect(readMode('1024*768 64k')).to.deep.equal({ width: 1024, height: 768, colours: 65_536 });
    expect(readMode('640×480 16.7M')?.colours).to.equal(16_777_216);
    const colours = (text: string) => readMode(text)?.colours;
    for (const said of [
      '800x600 16 bit',
      '800x600 16bpp',
      '800x600 65,536 colours',
      '800x600 hi-color',
      '800 by 600, 64K'
    ])
      expect(colours(said), said).to.equal(65_536);
    for (const said of ['640*480*24bpp', '640x480 in 16.7 million colours', '640x480 true colour'])
      expect(colours(said), said).to.equal(16_777_216);
    expect(colours('800x600@60 256')).to.equal(256);
    // Eight colours or eight bits: nobody can say.
    expect(readMode('640 × 480 × 8')).to.equal(null);
    for (const odd of ['', '640x480', '640x480x300', 'big', '10x10x16'])
      expect(readMode(odd), odd).to.equal(null);
  });
  it('counts width × height × bits ÷ 8', () => {
    expect(bytesOf(mode('640x480x16'))).to.equal(153_600);
    expect(bytesOf(mode('640x480x256'))).to.equal(307_200);
    expect(bytesOf(mode('1024x768x256'))).to.equal(786_432);
    expect(bytesOf(mode('640x480 16m'))).to.equal(921_600);
  });
  it('gives bounds from both sides, and the mode that tells most', () => {
    const d = displayMemory([mode('640x480x256')], [mode('1024x768x256')]);
    expect(d.sizes).to.deep.equal([512]);
    expect(displayMemory([mode('640x480x256')], []).sizes).to.deep.equal([512, 1024, 2048, 4096, 8192]);
    expect(displayMemory([], [mode('640x480x256')]).sizes).to.deep.equal([64, 128, 256]);
    const odd = displayMemory([mode('1024x768x256')], [mode('640x480x256')]);
    expect(odd.contradicts).to.have.length(1);
    expect(odd.sizes[0]).to.equal(1024);
  });
  it('never loses the true size, on random cards', () => {
    const r = new Seeded(9);
    const modes = [
      '640x480x16',
      '640x480x256',
      '800x600x16',
      '800x600x256',
      '1024x768x16',
      '1024x768x256',
      '800x600 64k',
      '1280x1024x256',
      '1024x768 16m'
    ].map(mode);
    for (let n = 0; n < 500; n++) {
      const kib = r.pick([...DISPLAY_SIZES]);
      const tried = r.some(modes, 1 + r.int(6));
      const fits = (m: ScreenMode) => bytesOf(m) <= kib * 1024;
      const d = displayMemory(
        tried.filter(fits),
        tried.filter((m) => !fits(m))
      );
      expect(d.sizes).to.include(kib);
      expect(d.contradicts).to.deep.equal([]);
      for (const t of d.tries) expect(new Set(d.sizes.map((k) => bytesOf(t) <= k * 1024)).size).to.equal(2);
    }
  });
});

describe('a keyboard, a label', () => {
  it('says only what is sure of a keyboard', () => {
    expect(keyboardKind({}).kind).to.equal('open');
    expect(keyboardKind({ keys: 101, plug: 'din5' }).kind).to.equal('open');
    expect(keyboardKind({ hasSwitch: true }).kind).to.equal('either');
    expect(keyboardKind({ flashes: true, plug: 'din5' }).kind).to.equal('at');
    expect(keyboardKind({ plug: 'minidin6' }).kind).to.equal('at');
    expect(keyboardKind({ keys: 83, hasLights: false, plug: 'din5' }).kind).to.equal('xt');
    for (const seen of [{}, { keys: 101 }, { plug: 'other' as const }, { hasSwitch: false }])
      for (const r of [...keyboardKind(seen).because, ...keyboardKind(seen).next])
        expect(keyboardReasons[r], r).to.be.a('string');
  });
  it('reads a label, and leaves unknown what is not on it', () => {
    const l = readSupplyLabel('INPUT 115/230V~ OUTPUT +5V 20A, +12V 8A; -5V=0.5A, −12V 0.5A 200W');
    expect(l.amps).to.deep.equal({ v5: 20, v12: 8, m5: 0.5, m12: 0.5 });
    expect(l.watts).to.equal(200);
    expect(l.sum).to.equal(204.5);
    expect(l.isShared).to.equal(true);
    expect(l.mains).to.equal('115/230');
    const comma = readSupplyLabel('DC OUTPUT: 5V 10.0A; 12V 4.2A; -12V 0,5A');
    expect([comma.amps, comma.odd]).to.deep.equal([{ v5: 10, v12: 4.2, m12: 0.5 }, []]);
    expect(readSupplyLabel('+5 V 15 A red\n+12 V 5.5 A yellow').odd).to.deep.equal([]);
    const atx = readSupplyLabel('+3.3V 14A +5V 22A +12V 8A +5VSB 0.8A -12V 0.8A 235 W');
    expect(atx.amps).to.deep.equal({ v3: 14, v5: 22, v12: 8, standby: 0.8, m12: 0.8 });
    expect(atx.amps.m5).to.equal(undefined);
    expect(atx.mains).to.equal(null);
    expect(readSupplyLabel('made on a Tuesday').odd).to.deep.equal(['made on a Tuesday']);
  });
});
