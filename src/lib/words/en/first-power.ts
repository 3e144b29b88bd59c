/** Checks before the first power, and what forbids it whatever the score. */
export const powerCheckWords: Record<string, string> = {
  look: 'Look: mains lead and inlet whole, battery, plugs, voltage selector, loose metal, screws under the board.',
  cpu: 'CPU voltage and clock jumpers are known and right.',
  ohms: 'Ohms to ground on every rail of the board plug and of every drive plug, unplugged.',
  'cell-off':
    'Battery off. If it looks clean and reads 2.5 V or more, first photograph the setup pages at a start.',
  unplug: 'All cards and drives unplugged.',
  'supply-alone': 'The supply alone on a dummy load: measure its volts.',
  'bare-board': 'Then the bare board.',
  'one-by-one': 'Then one card for each start.',
  'disks-last': 'Disks with data last.',
  clean: 'Residue cleaned off.',
  tantalums:
    'Each tantalum on ±12 V marked 16 V or less renewed: an ohm reading finds only those already short.',
  glasses: 'Eye protection. Stand back.',
  limit: 'A current limit or a lamp in series; its wiring is for a qualified person.',
  qualified: 'The supply inspected by a qualified person.',
  'data-disk': 'The disk with data stays without power until the rails were measured under load.'
};

export const powerStopWords: Record<string, string> = {
  selector: 'voltage selector or label not read',
  voltage: 'CPU voltage unknown',
  plugs: 'order of the power plugs not checked',
  short: 'a rail reads short: +5 V under 2\u00a0Ω, ±12 V or −5 V under 5\u00a0Ω, +3.3 V under 1\u00a0Ω',
  leak: 'a leak lies across fine tracks',
  minus5: 'memory with three supplies, and no −5 V',
  'look-alike': 'a 20-pin supply plug that was not read pin by pin',
  mains: 'mains lead damaged; supply wet, rattling or smelling'
};
