export const parts = {
  title: 'Parts',
  lead: 'Which card sits in which slot. Search, add, and seat it where it is.',
  slotOf: (name: string) => `Slot of ${name}`,
  noSlot: 'no slot',
  slot: (id: string, bus: string) => `slot ${id}, ${bus}`,
  takeOut: 'Take out',
  takeOutLabel: (name: string) => `Take out ${name}`,
  free: 'free',
  notSeated: 'Not seated',
  ready: 'Lying ready',
  fit: 'Fit',
  addTitle: 'Add a card',
  find: 'Find a part',
  findHint: 'Search: sound, network, VGA, modem, local bus',
  add: 'Add',
  addLabel: (name: string) => `Add ${name}`,
  none: (query: string) => `No card matches “${query}”. Try what it does: sound, disk, serial.`
} as const;
