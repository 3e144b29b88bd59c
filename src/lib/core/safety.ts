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
    text: 'Move jumpers and switches only with the machine off and unplugged. Write down the old position first; this sheet has it.'
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

/** What can hurt while settings that say these facts are moved. */
export function settingCautions(facts: readonly string[]): Caution[] {
  return cautionsByFact.filter((c) => c.facts.some((f) => facts.includes(f))).map(({ caution }) => caution);
}

const cautionsByFact: readonly { facts: readonly string[]; caution: Caution }[] = [
  {
    facts: ['volts', 'bus-mhz', 'factor'],
    caution: {
      id: 'cpu',
      level: 'red',
      text: 'CPU: set the voltage before power, and look for pin 1. Too high a voltage destroys it at once.'
    }
  },
  {
    facts: ['monitor', 'display'],
    caution: {
      id: 'monitor',
      level: 'red',
      text: 'Monitor: plug fits is not signal fits; look at the monitor check. Switch off at once at a whine or a rolling picture.'
    }
  },
  {
    facts: ['battery'],
    caution: {
      id: 'battery',
      level: 'amber',
      text: 'A leaked battery is caustic: gloves and glasses. Take it to recycling. Never connect a pack while the old one is still on.'
    }
  }
];
