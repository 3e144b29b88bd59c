export const ownProgram = {
  title: 'A program of your own',
  lead: 'What its box, manual or first screen says. Leave empty what is not stated: it is then not checked.',
  fields: {
    name: { label: 'Name', hint: 'as on the box', wrong: 'Give it a name.' },
    year: { label: 'Year', hint: '1993', wrong: 'Write a year from 1975 to 2005.' },
    base: {
      label: 'Conventional memory free',
      hint: '580 · at least 600 KB',
      wrong: 'Not understood. Write KiB up to 640, such as 580.'
    },
    extended: { label: 'XMS', hint: '2 MB', wrong: 'Not understood. Write a size such as 2 MB or 1024 KB.' },
    expanded: {
      label: 'EMS',
      hint: '512 KB',
      wrong: 'Not understood. Write a size up to 32 MB, such as 512 KB.'
    },
    dos: { label: 'DOS from', hint: '3.3', wrong: 'Write a version such as 3.3 or 5.' },
    speedFrom: { label: 'Speed index from', hint: '60', wrong: 'Write a number.' },
    speedTo: { label: 'Speed index to', hint: '400', wrong: 'Write a number, not below the first.' },
    ports: {
      label: 'Sound card ports',
      hint: '220, 240',
      wrong: 'Not understood. Write ports in hex, such as 220, 240.'
    },
    irqs: { label: 'Sound card IRQs', hint: '5, 7', wrong: 'Not understood. Write lines from 0 to 15.' }
  },
  cpu: 'CPU from',
  unsaid: 'not stated',
  manager: 'Memory manager',
  managers: {
    '': 'not stated',
    off: 'refuses to run under it',
    needed: 'needs it'
  },
  boxes: { cd: 'CD-ROM', mouse: 'mouse', joystick: 'joystick', network: 'network' },
  add: 'Add the program'
} as const;
