import type { Caution } from '../../core/safety';

/** What can hurt, before the step it belongs to. */
export const cautionWords: Record<Caution['id'], string> = {
  mains:
    'Unplug the mains lead and wait. The front switch of AT cases carries mains on its four spade terminals even when it is off; leave mains wiring to a qualified technician and follow your local electrical code.',
  jumpers:
    'Move jumpers and switches only with the machine off and unplugged. Write down the old position first; this sheet has it.',
  static: 'Wear a strap clipped to bare case metal, or touch it often. Hold cards by the edge.',
  'at-plugs':
    'If the supply was unplugged from an AT board: the black wires of the two plugs meet in the middle.',
  'first-power':
    'First power after years: check for shorts, stand back and wear glasses, never leave it alone.',
  standby:
    'If the supply is ATX, standby +5 V is on whenever the mains lead is in, though the machine is "off": unplug before touching cards.',
  cpu: 'CPU: set the voltage before power, and look for pin 1. Too high a voltage destroys it at once.',
  monitor:
    'Monitor: a plug that fits does not mean that the signal does; look at the monitor check. Switch off at once at a whine or a rolling picture.',
  battery:
    'A leaked battery is caustic: gloves and glasses. Take it to recycling. Never connect a pack while the old one is still on.'
};
