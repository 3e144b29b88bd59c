import type { Sundry } from '../../core/sundries';
import { and, capital, counted } from './language';
import { ownerShort, the } from './things';

type Cable = Extract<Sundry, { kind: 'cable' }>;

const plugWords = ({ plugs: { edge, pins } }: Cable): string =>
  and([
    ...(edge ? [`${counted('card-edge plug', 'card-edge plugs')(edge)} for 5.25 inch`] : []),
    ...(pins ? [`${counted('pin plug', 'pin plugs')(pins)} for 3.5 inch`] : [])
  ]);
const drives = ({ plugs }: Cable): string => counted('drive', 'drives')(plugs.edge + plugs.pins);

const cables: Record<Cable['family'], (c: Cable) => string> = {
  floppy: (c) =>
    `floppy cable, 34 wires, ${c.ribbon === 'straight' ? 'straight' : 'twist in 10–16'}, ${plugWords(c)}`,
  ata: (c) =>
    `ATA cable, 40 wires, for ${drives(c)}${c.ribbon === 'cable-select' ? ', made for cable select' : ''}`,
  st506: (c) =>
    `hard-disk cable, 34 wires, ${c.ribbon === 'straight' ? 'straight' : 'twist in 25–29'}, and ${counted('20-wire data cable', '20-wire data cables')(c.plugs.edge + c.plugs.pins)}`,
  scsi: (c) =>
    `SCSI cable for ${drives(c)}${c.isOutside ? ', with one for outside the case' : ''}${c.terminator ? '; look for a terminator at each end of the bus' : ''}`
};

/** A small thing that the machine needs beside its parts, in one line. */
export function sundryWords(s: Sundry): string {
  switch (s.kind) {
    case 'cable':
      return `${capital(cables[s.family](s))} (${ownerShort(s.controller)})`;
    case 'cooler':
      return `Heat sink${s.fan ? ' with fan' : ''} and thermal paste for ${the(s.cpu)}: about ${Math.round(s.watts)} W`;
    case 'battery':
      return s.of === 'coin'
        ? 'Coin cell for the setup memory'
        : 'Battery pack on a lead for the header of the setup memory, of the voltage printed there; where the board charges it, plain cells need a diode';
    case 'keyboard-adapter':
      return s.board === 'din5'
        ? 'Keyboard adapter: mini-DIN plug to the large DIN socket'
        : 'Keyboard adapter: large DIN plug to the mini-DIN socket';
    case 'power-adapter':
      return 'Adapter from ATX to the two AT connectors, with a switch';
    case 'power-leads':
      return `${counted('Y lead', 'Y leads')(s.count)} for drive power, as long as the rail allows it`;
    case 'rails':
      return `Rails and a bezel for ${the(s.drive)} in a 5.25 inch bay`;
    case 'cd-lead':
      return `Audio lead from ${the(s.drive)} to ${the(s.card)}; its pins differ by maker`;
  }
}
