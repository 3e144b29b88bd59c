import type { InstallStep, WindowsLimit } from '../../core/boot';
import type { Tried } from '../../core/model';
import type { SlowDown } from '../../core/software';
import { kib as kibText, mhz, or } from './language';

export const slowWords: Record<SlowDown['means'], string> = {
  turbo: 'turbo switch',
  waits: 'more wait states',
  'l2-off': 'second-level cache off',
  'l1-off': 'cache of the CPU off',
  multiplier: 'lower multiplier',
  software: 'a slow-down program'
};

/** Ways to slow a machine down for a program: `turbo switch, or cache of the CPU off and turbo switch`. */
export const slowWays = (ways: readonly (readonly SlowDown[])[]): string =>
  or(ways.slice(0, 4).map((w) => slowWay(w.map((m) => m.means))));
export const slowWay = (means: readonly SlowDown['means'][]): string =>
  means.map((m) => slowWords[m]).join(' and ');

export const triedWords: Record<Tried['result'], string> = {
  works: 'works',
  'too-fast': 'too fast',
  'too-slow': 'too slow',
  silent: 'no sound',
  crashes: 'crashes or hangs',
  refuses: 'refuses to start'
};

const steps: Record<InstallStep['what'], { title: string; how: string }> = {
  reserve: {
    title: 'Reserve lines of cards set by hand',
    how: 'In the setup of the BIOS (legacy, reserved), and after the installation in the device list, before their drivers.'
  },
  folder: {
    title: 'Copy every driver into one folder of the disk',
    how: 'Before anything is wiped, and readable without CD and network. The driver of the network first among those that fetch others.'
  },
  setup: { title: 'Windows itself', how: 'From the disk, not from the CD: it asks for its files again.' },
  chipset: { title: 'Chipset and interrupt routing', how: 'Before anything that sits behind it.' },
  agp: { title: 'AGP bridge', how: 'Before the display driver.' },
  display: { title: 'Display', how: 'The driver for this version of Windows, not one for another.' },
  monitor: { title: 'Monitor', how: 'Say which one: Windows then offers only what it can show.' },
  'three-d': { title: '3D runtime', how: 'After the display driver.' },
  sound: { title: 'Sound', how: 'Port, IRQ and DMA as the card is set.' },
  network: { title: 'Network', how: 'On a network of its own: these systems get no more security fixes.' },
  modem: { title: 'Modem', how: 'After the serial ports are right.' },
  usb: { title: 'USB', how: 'After the chipset.' },
  scanner: { title: 'Scanner', how: 'Last: its set-up looks for a free address.' },
  leftovers: {
    title: 'Take the DOS drivers out again',
    how: 'CD driver, redirector, disk cache and old SCSI drivers in CONFIG.SYS keep Windows in compatibility mode: a quarter of the speed, and sound that stutters. Keep a copy for the DOS start.'
  }
};
export const installWords = ({ what, part }: InstallStep): { title: string; how: string } => ({
  title: part ? `${steps[what].title}: ${part}` : steps[what].title,
  how: steps[what].how
});
/** `3 to 4 restarts` */
export const restartWords = ([least, most]: readonly [number, number]): string =>
  most === 0
    ? ''
    : least === most
      ? most === 1
        ? '1 restart'
        : `${most} restarts`
      : `${least} to ${most} restarts`;

export function limitWords(limit: WindowsLimit): string {
  switch (limit.what) {
    case 'cache':
      return `${kibText(limit.kib)} are fitted. Before more than 512 MiB go in, set MaxFileCache=524288 under [vcache] in SYSTEM.INI: else “insufficient memory to initialise”, or DOS windows fail.`;
    case 'pages':
      return 'Above 1 GiB also set MaxPhysPage=30000 under [386Enh]: it keeps Windows to 768 MiB.';
    case 'too-much':
      return 'Above about 1.5 GiB do not try it.';
    case 'sees':
      return `Windows 3.x sees at most ${kibText(limit.most)} through HIMEM.SYS.`;
    case 'fast':
      return `At ${mhz(limit.mhz)} Windows 95 may stop with a protection error at start, on some CPUs from 350 MHz on. Slow down for the installation, then update. It is not a fault of the memory.`;
    case 'disk-32':
      return 'Windows 95 does not support disks above 32 GB.';
    case 'disk-48':
      return 'The standard disk driver writes wrong past 128 GiB, whatever the BIOS can: data is destroyed. Keep the last partition below it.';
  }
}
