export const parts = {
  title: 'Parts',
  lead: 'Everything in the machine. Search, add, and seat cards where they are.',
  slotOf: (name: string) => `Slot of ${name}`,
  noSlot: 'no slot',
  slot: (id: string, bus: string) => `slot ${id}, ${bus}`,
  takeOut: 'Take out',
  takeOutLabel: (name: string) => `Take out ${name}`,
  free: 'free',
  notSeated: 'Not seated',
  ready: 'Lying ready',
  fit: 'Fit',
  addTitle: 'Add a part',
  find: 'Find a part',
  findHint: 'Search: sound, network, VGA, irq 10, 30-pin',
  add: 'Add',
  addLabel: (name: string) => `Add ${name}`,
  none: (query: string) => `No part matches “${query}”. Try what it does: sound, disk, serial.`
} as const;
