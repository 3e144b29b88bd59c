import type { SlotBus } from './model';

/** Cautions shown before the step they belong to. Red ones are confirmed once per machine. `words` has the sentences. */
export interface Caution {
  id: 'mains' | 'jumpers' | 'static' | 'at-plugs' | 'first-power' | 'standby' | 'cpu' | 'monitor' | 'battery';
  level: 'red' | 'amber';
}

/** What holds whenever a case is opened and jumpers are moved. */
export const openingCautions: readonly Caution[] = [
  { id: 'mains', level: 'red' },
  { id: 'jumpers', level: 'amber' },
  { id: 'static', level: 'amber' }
];

/** What holds before the machine is switched on again. */
export const powerCautions: readonly Caution[] = [
  { id: 'at-plugs', level: 'red' },
  { id: 'first-power', level: 'red' }
];

/** Cautions that follow from the board: from PCI on its supply may be ATX. */
export const boardCautions = (buses: readonly SlotBus[]): Caution[] =>
  buses.includes('agp') || buses.includes('pci') ? [{ id: 'standby', level: 'red' }] : [];

/** What can hurt while settings that say these facts are moved. */
export const settingCautions = (facts: readonly string[]): Caution[] =>
  cautionsByFact.filter((c) => c.facts.some((f) => facts.includes(f))).map(({ caution }) => caution);

const cautionsByFact: readonly { facts: readonly string[]; caution: Caution }[] = [
  { facts: ['volts', 'bus-mhz', 'factor'], caution: { id: 'cpu', level: 'red' } },
  { facts: ['monitor', 'display'], caution: { id: 'monitor', level: 'red' } },
  { facts: ['battery'], caution: { id: 'battery', level: 'amber' } }
];
