/** Cautions shown before the step they belong to. Red ones are confirmed once per machine. */
export interface Caution {
  id: string;
  level: 'red' | 'amber';
  text: string;
}

/** What holds whenever a case is opened and caps are moved. */
export const openingCautions: readonly Caution[] = [
  {
    id: 'mains',
    level: 'red',
    text: 'Unplug the mains lead and wait. The front switch of AT cases carries mains on its four spade terminals even when it is off; leave mains wiring to a qualified technician and follow your local electrical code.'
  },
  {
    id: 'jumpers',
    level: 'amber',
    text: 'Move caps and levers only with the machine off and unplugged. Write down the old position first; this sheet has it.'
  },
  {
    id: 'static',
    level: 'amber',
    text: 'Wear a strap clipped to bare case metal, or touch it often. Hold cards by the edge.'
  }
];

/** What holds before the machine is switched on again. */
export const powerCautions: readonly Caution[] = [
  {
    id: 'at-plugs',
    level: 'red',
    text: 'If the supply was unplugged from an AT board: the black wires of the two plugs meet in the middle.'
  },
  {
    id: 'first-power',
    level: 'red',
    text: 'First power after years: check for shorts, stand back and wear glasses, never leave it alone.'
  }
];

/** Cautions that follow from the board. */
export function boardCautions(buses: readonly string[]): Caution[] {
  return buses.includes('agp') || buses.includes('pci')
    ? [
        {
          id: 'standby',
          level: 'red',
          text: 'If the supply is ATX, standby +5 V is on whenever the mains lead is in, though the machine is "off": unplug before touching cards.'
        }
      ]
    : [];
}
