import { expect } from 'chai';
import { chain, depthIn, displayKiB, gives, modeOn, modesOf } from '../../src/lib/core/video';
import { parts } from '../support/demo';

const card = (id: string) => parts.get(id)!.video!;
const monitor = (id: string) => parts.get(id)!.monitor!;
const verdicts = (c: string, m: string) =>
  Object.fromEntries(chain(card(c), monitor(m)).map((x) => [x.mode.id, x.verdict]));

describe('cards and monitors', () => {
  it('a monochrome screen on a monochrome card, and nothing else', () => {
    expect(verdicts('oddmere-mono', 'glimmerby-m12-green')).to.deep.equal({
      'mono-text': 'shown',
      'mono-graphics': 'shown'
    });
    expect(
      verdicts('oddmere-c16', 'glimmerby-m12-green')['cga-text'],
      'the plug fits, the tube may burn'
    ).to.equal('danger');
    expect(verdicts('oddmere-mono', 'glimmerby-c13')['mono-text']).to.equal('danger');
    expect(verdicts('brim-v16', 'glimmerby-m12-green')['vga-text']).to.equal('no-plug');
  });
  it('an EGA monitor takes CGA, a CGA monitor does not take 350 lines', () => {
    const on14 = verdicts('oddmere-e256', 'glimmerby-e14');
    expect([on14['ega-350'], on14['ega-200']]).to.deep.equal(['shown', 'shown']);
    expect(verdicts('oddmere-c16', 'glimmerby-e14')['cga-text']).to.equal('shown');
    const on13 = verdicts('oddmere-e256', 'glimmerby-c13');
    expect([on13['ega-200'], on13['ega-350']]).to.deep.equal(['shown', 'danger']);
  });
  it('the composite socket carries the colour adapter', () => {
    expect(verdicts('oddmere-c16', 'glimmerby-c12-comp')['cga-graphics']).to.equal('shown');
    expect(verdicts('oddmere-e256', 'glimmerby-c12-comp')['ega-200']).to.equal('no-plug');
  });
  it('a multifrequency monitor follows both plugs, a fixed VGA only 31.5 kHz', () => {
    expect(verdicts('brim-v16', 'glimmerby-ms14')['vga-text']).to.equal('shown');
    expect(verdicts('oddmere-mono', 'glimmerby-ms14')['mono-text']).to.equal('shown');
    const v14 = verdicts('brim-v16', 'glimmerby-v14');
    expect(v14['640x480']).to.equal('shown');
    expect(v14['800x600@56']).to.equal('danger');
    const sv14 = verdicts('brim-v16', 'glimmerby-sv14');
    expect([sv14['800x600@56'], sv14['1024x768@87i']]).to.deep.equal(['shown', 'shown']);
  });
  it('both frequencies have to be in range', () => {
    const m = monitor('glimmerby-sv15');
    const [mode] = modesOf(card('gantrel-p4')).filter((x) => x.id === '1024x768@70');
    expect(modeOn(card('gantrel-p4'), m, mode)).to.equal('no-sync');
    expect(modeOn(card('gantrel-p4'), { ...m, horizontal: [{ low: 30, high: 60 }] }, mode)).to.equal('shown');
    expect(
      modeOn(
        card('gantrel-p4'),
        { ...m, horizontal: [{ low: 30, high: 60 }], vertical: { low: 50, high: 65 } },
        mode
      )
    ).to.equal('no-sync');
  });
  it('display memory bounds the colours', () => {
    expect(displayKiB(640, 480, 8)).to.equal(300);
    expect(displayKiB(1024, 768, 8)).to.equal(768);
    const at = (id: string, mode: string) => {
      const found = modesOf(card(id)).find((m) => m.id === mode);
      return found ? depthIn(card(id), found) : null;
    };
    expect(at('gantrel-g256', '640x480')).to.equal(4);
    expect(at('gantrel-g512', '640x480')).to.equal(8);
    expect(at('gantrel-g1m', '1024x768@60')).to.equal(8);
    expect(at('gantrel-g512', '1024x768@87i')).to.equal(4);
  });
  it('later standards show the pictures of the earlier colour ones, never monochrome graphics', () => {
    const all = (id: string) => modesOf(card(id));
    for (const picture of ['text', 'cga', 'ega', 'mcga', 'vga'] as const)
      expect(gives(card('gantrel-g256'), all('gantrel-g256'), picture), picture).to.equal(true);
    expect(gives(card('gantrel-g256'), all('gantrel-g256'), 'mono-graphics')).to.equal(false);
    expect(gives(card('gantrel-g256'), all('gantrel-g256'), '640x480x8')).to.equal(false);
    expect(gives(card('oddmere-e256'), all('oddmere-e256'), 'mcga')).to.equal(false);
    expect(gives(card('vexley-a8'), all('vexley-a8'), '3d')).to.equal(true);
  });
});
