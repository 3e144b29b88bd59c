import type { SlotBus } from '../../core/model';
import type { Obstacle, Unreachable } from '../../core/resources';

const pcTypes = { 1: 'I', 2: 'II', 3: 'III' } as const;
const lineName = { irq: 'IRQ', dma: 'DMA' } as const;

const aCard: Record<SlotBus, string> = {
  isa8: 'an 8-bit ISA card',
  isa16: 'a 16-bit ISA card',
  vlb: 'a local-bus card',
  pci: 'a PCI card',
  agp: 'an AGP card',
  'memory-board': 'a memory board',
  'pc-card': 'a PC card'
};
const aSlot: Record<SlotBus, string> = {
  isa8: 'an 8-bit ISA slot',
  isa16: 'a 16-bit ISA slot',
  vlb: 'a local-bus slot',
  pci: 'a PCI slot',
  agp: 'an AGP slot',
  'memory-board': 'a slot for a memory board',
  'pc-card': 'a slot for PC cards'
};

/** Why a card does not go into a slot, or does not work there; without a full stop. */
export function obstacleWords(o: Obstacle): string {
  switch (o.why) {
    case 'no-card':
      return 'this is not a card';
    case 'memory-board':
      return 'the slot looks like ISA but takes only the memory board made for this system board';
    case 'bus':
      return `${aCard[o.card]} does not go into ${aSlot[o.slot]}`;
    case 'local-bus':
      return 'a local-bus card needs a local-bus slot';
    case 'eight-bit':
      return 'this 16-bit card does not work in an 8-bit slot';
    case 'card-select':
      return 'the slot goes by the card-selected line, and this card does not drive it';
    case 'bus-master':
      return 'the card takes the bus over by itself, and this slot does not let it';
    case 'thick':
      return `the card is of type ${pcTypes[o.card]} and the slot takes type ${pcTypes[o.slot]} at most`;
    case 'length':
      return `the card is ${o.cardMm} mm long and the slot has room for ${o.roomMm} mm`;
    case 'skirt':
      return 'the lower edge of the card hits the 16-bit part of the slot';
  }
}

/** Why a line cannot work from where its card sits; without a full stop. */
export function unreachableWords(u: Unreachable): string {
  switch (u.why) {
    case 'misfit':
      return obstacleWords(u.misfit);
    case 'xt-ports':
      return `the slots of an XT-class board read nothing below 200h, and this is ${u.port}`;
    case 'xt-top':
      return `an XT-class board has no ${lineName[u.resource]} above ${u.top}`;
    case 'master-slot':
      return 'an ISA bus master needs a 16-bit slot on an AT-class board';
    case 'master-channel':
      return `a bus master uses DMA 0, 5, 6 or 7, not ${u.channel}`;
    case 'narrow-card':
      return `an 8-bit card has no contact for ${lineName[u.resource]} ${u.number}`;
    case 'narrow-slot':
      return `an 8-bit slot does not carry ${lineName[u.resource]} ${u.number}`;
    case 'no-slot':
      return `${lineName[u.resource]} ${u.number} does not reach the slots`;
    case 'addresses':
      return u.seat === 'xt'
        ? 'an XT-class board addresses 1 MiB only'
        : `${u.seat === 'isa8' ? 'an 8-bit slot' : 'ISA'} addresses the first ${u.mib} MiB only`;
    case 'alignment':
      return `a window of ${u.lengthKiB} KiB must start on a multiple of ${u.stepKiB} KiB, and ${u.base} does not`;
  }
}
