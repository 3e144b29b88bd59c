import type { CpuFamily } from '../model';
import type { Span } from './dos';

/** Kinds of drivers and resident programs, in the order in which lines of CONFIG.SYS, then of AUTOEXEC.BAT, stand. */
export const DRIVER_CLASSES = [
  'overlay',
  'xms',
  'manager',
  'upper-driver',
  'ems-card',
  'version-table',
  'double-buffer',
  'compression',
  'power-saving',
  'scsi-manager',
  'pnp-manager',
  'scsi-disk',
  'disk',
  'flash',
  'pc-card',
  'cd-driver',
  'ram-disk',
  'display',
  'ansi',
  'net-manager',
  'helper',
  'set-clock',
  'codec',
  'mixer',
  'sound-emulation',
  'midi-emulation',
  'packet',
  'net-link',
  'net-card',
  'net-protocol',
  'net-bind',
  'requester',
  'share',
  'mouse',
  'cd-redirector',
  'cache',
  'keyboard',
  'history',
  'resident'
] as const;
export type DriverClass = (typeof DRIVER_CLASSES)[number];

/** A driver or resident program of a kind, as it usually is. Sizes in KiB, typical of the kind until they are measured. */
export interface Driver {
  id: string;
  class: DriverClass;
  /** The file, by the name that is usual or, where it comes with a card, a plain one. */
  file: string;
  /** It comes with DOS; otherwise with the part that it drives. */
  ofDos: boolean;
  where: 'config' | 'autoexec' | 'boot-record';
  cpu: CpuFamily;
  /** First version of DOS that loads it, and the last that makes use of it. */
  dos: number;
  until?: number;
  /** Most that it takes in one piece while it starts. */
  load: Span;
  stay: Span;
  after: readonly DriverClass[];
  /** `self`: starts low and moves itself; `try`: works high in some builds of it. */
  high: 'yes' | 'no' | 'self' | 'try';
  v86: 'any' | 'needs' | 'refuses';
  needs: readonly ('xms' | 'ems')[];
  /** What follows its name on the line; `{cd}` and the like are filled in from the build. */
  args: string;
}

type Row = Pick<Driver, 'id' | 'class' | 'file' | 'load' | 'stay'> & Partial<Driver>;

const driver = (row: Row): Driver => ({
  ofDos: false,
  where: 'config',
  cpu: '8088',
  dos: 2,
  after: [],
  high: 'yes',
  v86: 'any',
  needs: [],
  args: '',
  ...row
});
const config = (row: Row): Driver => driver(row);
const batch = (row: Row): Driver => driver({ where: 'autoexec', ...row });
const dosConfig = (row: Row): Driver => driver({ ofDos: true, ...row });
const dosBatch = (row: Row): Driver => driver({ ofDos: true, where: 'autoexec', ...row });

/**
 * Generic drivers and resident programs with what is typical of their kind, from the domain's table. One row is one
 * kind of build of a driver; what a machine really shows (MEM) stands above it.
 */
// oxfmt-ignore
export const drivers: readonly Driver[] = [
  driver({ id: 'overlay', class: 'overlay', file: 'large-disk overlay', where: 'boot-record', load: [2, 8], stay: [2, 8], high: 'no' }),
  dosConfig({ id: 'himem', class: 'xms', file: 'HIMEM.SYS', cpu: '286', dos: 3, load: [15, 35], stay: [1, 3], high: 'no' }),
  config({ id: 'xms-286', class: 'xms', file: 'XMS286.SYS', cpu: '286', dos: 3, load: [12, 20], stay: [1, 3], high: 'no' }),
  dosConfig({ id: 'emm386', class: 'manager', file: 'EMM386.EXE', cpu: '386sx', dos: 5, load: [90, 125], stay: [3, 4], after: ['xms'], high: 'no', v86: 'needs', needs: ['xms'] }),
  dosConfig({ id: 'emm386-5', class: 'manager', file: 'EMM386.EXE', cpu: '386sx', dos: 5, until: 5.99, load: [80, 100], stay: [8, 10], after: ['xms'], high: 'no', v86: 'needs', needs: ['xms'] }),
  dosConfig({ id: 'emm386-4', class: 'manager', file: 'EMM386.SYS', cpu: '386sx', dos: 4, until: 4.99, load: [60, 90], stay: [8, 12], high: 'no', v86: 'needs' }),
  config({ id: 'umb-xt', class: 'upper-driver', file: 'UMBXT.SYS', dos: 5, load: [2, 8], stay: [0.5, 2], high: 'no' }),
  config({ id: 'umb-chipset', class: 'upper-driver', file: 'UMBCHIP.SYS', cpu: '286', dos: 5, load: [2, 8], stay: [0.5, 2], after: ['xms'], high: 'no' }),
  config({ id: 'ems-32', class: 'ems-card', file: 'EMS.SYS', load: [10, 25], stay: [2, 12], high: 'no', args: '{ems}' }),
  config({ id: 'ems-40', class: 'ems-card', file: 'EMS4.SYS', load: [15, 25], stay: [8, 20], high: 'no', args: '{ems}' }),
  dosConfig({ id: 'setver', class: 'version-table', file: 'SETVER.EXE', dos: 5, load: [12, 12], stay: [0.4, 0.8] }),
  dosConfig({ id: 'double-buffer', class: 'double-buffer', file: 'SMARTDRV.EXE', cpu: '286', dos: 6, load: [5, 5], stay: [2, 5], after: ['xms'], high: 'no', args: '/DOUBLE_BUFFER' }),
  dosConfig({ id: 'compression', class: 'compression', file: 'compression driver', dos: 6, load: [60, 66], stay: [33, 60], high: 'try' }),
  dosConfig({ id: 'power', class: 'power-saving', file: 'POWER.EXE', cpu: '286', dos: 5, load: [8, 8], stay: [4, 5] }),
  config({ id: 'scsi-manager-isa', class: 'scsi-manager', file: 'SCSIMGR.SYS', cpu: '286', dos: 3.3, load: [20, 35], stay: [5, 14], high: 'try' }),
  config({ id: 'scsi-manager-pci', class: 'scsi-manager', file: 'SCSIPCI.SYS', cpu: '386sx', dos: 5, load: [30, 50], stay: [8, 14], high: 'try' }),
  config({ id: 'pnp-manager', class: 'pnp-manager', file: 'PNPCFG.EXE', cpu: '286', dos: 5, load: [30, 60], stay: [0, 25], high: 'no' }),
  config({ id: 'scsi-disk', class: 'scsi-disk', file: 'SCSIDISK.SYS', cpu: '286', dos: 3.3, load: [15, 40], stay: [7, 16], after: ['scsi-manager'] }),
  config({ id: 'xt-disk', class: 'disk', file: 'HDRIVER.SYS', load: [6, 12], stay: [2, 6], high: 'no' }),
  dosConfig({ id: 'driver-sys', class: 'disk', file: 'DRIVER.SYS', dos: 3.2, load: [5, 5], stay: [0.3, 0.5] }),
  config({ id: 'floppy-288', class: 'disk', file: 'FD288.SYS', dos: 3.3, load: [6, 10], stay: [2, 5] }),
  config({ id: 'parallel-disk', class: 'disk', file: 'PARDISK.SYS', cpu: '286', dos: 3.3, load: [25, 90], stay: [9, 35] }),
  config({ id: 'parallel-disk-xt', class: 'disk', file: 'PARDXT.SYS', dos: 3.3, load: [20, 40], stay: [9, 20], high: 'no' }),
  config({ id: 'removable-disk', class: 'disk', file: 'REMDISK.SYS', cpu: '286', dos: 3.3, load: [20, 45], stay: [9, 18] }),
  config({ id: 'flash-card', class: 'flash', file: 'FLASH.SYS', cpu: '386sx', dos: 5, load: [20, 40], stay: [10, 30] }),
  config({ id: 'pc-card-socket', class: 'pc-card', file: 'SOCKET.EXE', cpu: '386sx', dos: 5, load: [15, 30], stay: [6, 20] }),
  config({ id: 'pc-card-services', class: 'pc-card', file: 'CARDSRV.EXE', cpu: '386sx', dos: 5, load: [30, 60], stay: [30, 60], after: ['pc-card'] }),
  config({ id: 'cd-ata', class: 'cd-driver', file: 'CDDRV.SYS', cpu: '286', dos: 3.1, load: [15, 30], stay: [5, 14], args: '/D:{cd}' }),
  config({ id: 'cd-panel', class: 'cd-driver', file: 'CDPANEL.SYS', cpu: '8088', dos: 3.1, load: [15, 30], stay: [8, 14], args: '/D:{cd} /P:{cdport}' }),
  config({ id: 'cd-panel-dma', class: 'cd-driver', file: 'CDDMA.SYS', cpu: '8088', dos: 3.1, load: [15, 30], stay: [8, 14], high: 'try', args: '/D:{cd}' }),
  config({ id: 'cd-scsi', class: 'cd-driver', file: 'CDSCSI.SYS', cpu: '286', dos: 3.3, load: [15, 40], stay: [7, 16], after: ['scsi-manager'], args: '/D:{cd}' }),
  dosConfig({ id: 'ramdrive', class: 'ram-disk', file: 'RAMDRIVE.SYS', dos: 3.2, cpu: '286', load: [6, 6], stay: [1.2, 1.3], after: ['xms'], needs: ['xms'], args: '1024 /E' }),
  dosConfig({ id: 'vdisk', class: 'ram-disk', file: 'VDISK.SYS', dos: 3, until: 4.99, load: [4, 6], stay: [0.8, 1.3], high: 'no', args: '64' }),
  dosConfig({ id: 'display', class: 'display', file: 'DISPLAY.SYS', dos: 3.3, load: [16, 25], stay: [5, 16], args: 'CON=(EGA,,1)' }),
  config({ id: 'video-utility', class: 'display', file: 'VMODE.SYS', dos: 3.3, load: [8, 20], stay: [3, 12] }),
  dosConfig({ id: 'printer', class: 'display', file: 'PRINTER.SYS', dos: 3.3, load: [12, 16], stay: [8, 12] }),
  dosConfig({ id: 'ansi', class: 'ansi', file: 'ANSI.SYS', dos: 2, load: [9, 9], stay: [1.6, 4.2] }),
  config({ id: 'net-manager', class: 'net-manager', file: 'PROTMAN.SYS', cpu: '286', dos: 3.1, load: [20, 25], stay: [1, 3], args: '/I:C:\\NET' }),
  config({ id: 'net-card-ndis', class: 'net-card', file: 'NDISCARD.SYS', cpu: '286', dos: 3.1, load: [20, 40], stay: [6, 20], after: ['net-manager'] }),
  config({ id: 'net-protocol-ndis', class: 'net-protocol', file: 'TCPDRV.SYS', cpu: '286', dos: 3.3, load: [20, 60], stay: [10, 40], after: ['net-card'] }),
  config({ id: 'helper', class: 'helper', file: 'IFSHELP.SYS', cpu: '286', dos: 5, load: [4, 5], stay: [3, 4] }),
  batch({ id: 'set-clock', class: 'set-clock', file: 'SETCLOCK.COM', load: [2, 5], stay: [0, 0], high: 'no' }),
  batch({ id: 'mixer', class: 'mixer', file: 'MIXSET.EXE', dos: 3.1, load: [30, 30], stay: [0, 0], high: 'no' }),
  batch({ id: 'codec-setup', class: 'codec', file: 'CODECSET.EXE', cpu: '286', dos: 3.3, load: [20, 60], stay: [0, 3], high: 'no' }),
  batch({ id: 'sound-emulation', class: 'sound-emulation', file: 'SNDEMU.COM', cpu: '386sx', dos: 5, load: [50, 100], stay: [5, 35], v86: 'needs', high: 'try' }),
  batch({ id: 'midi-emulation', class: 'midi-emulation', file: 'MIDIEMU.EXE', cpu: '286', dos: 3.3, load: [10, 40], stay: [3, 30], high: 'try' }),
  batch({ id: 'packet-8', class: 'packet', file: 'PKTDRV.COM', load: [3, 15], stay: [2, 8], args: '0x60 {netirq} {netport}' }),
  batch({ id: 'packet-16', class: 'packet', file: 'PKTDRV16.COM', cpu: '286', dos: 3, load: [3, 15], stay: [2, 8], args: '0x60 {netirq} {netport}' }),
  batch({ id: 'packet-pci', class: 'packet', file: 'PKTPCI.COM', cpu: '386sx', dos: 3.3, load: [6, 20], stay: [4, 12], args: '0x60' }),
  batch({ id: 'odi-link', class: 'net-link', file: 'LINK.COM', load: [10, 16], stay: [4, 6] }),
  batch({ id: 'odi-card', class: 'net-card', file: 'ODICARD.COM', load: [10, 20], stay: [4, 18], after: ['net-link'] }),
  batch({ id: 'odi-protocol', class: 'net-protocol', file: 'PROTO.COM', load: [20, 40], stay: [15, 20], after: ['net-card'] }),
  batch({ id: 'odi-requester', class: 'requester', file: 'REQUEST.EXE', dos: 3.1, load: [60, 80], stay: [30, 50], after: ['net-protocol'] }),
  batch({ id: 'odi-requester-xms', class: 'requester', file: 'REQUESTX.EXE', cpu: '286', dos: 3.1, load: [60, 80], stay: [5, 20], after: ['net-protocol'], needs: ['xms'] }),
  batch({ id: 'net-bind', class: 'net-bind', file: 'NETBIND.COM', cpu: '286', dos: 3.1, load: [6, 10], stay: [0, 0], after: ['net-protocol'], high: 'no' }),
  batch({ id: 'redirector-full', class: 'requester', file: 'NETREDIR.EXE', cpu: '286', dos: 3.1, load: [80, 130], stay: [30, 120], after: ['net-bind', 'helper'] }),
  dosBatch({ id: 'share', class: 'share', file: 'SHARE.EXE', dos: 3, load: [11, 11], stay: [5, 7] }),
  batch({ id: 'mouse-old', class: 'mouse', file: 'MOUSE.COM', dos: 2, load: [30, 40], stay: [9, 14], until: 4.99 }),
  batch({ id: 'mouse-late', class: 'mouse', file: 'MOUSE.COM', cpu: '286', dos: 5, load: [45, 60], stay: [14, 18], high: 'self' }),
  batch({ id: 'mouse-small', class: 'mouse', file: 'SMOUSE.COM', dos: 2, load: [6, 15], stay: [2.5, 7] }),
  batch({ id: 'redirector', class: 'cd-redirector', file: 'CDREDIR.EXE', dos: 3.1, load: [30, 50], stay: [16, 30], after: ['cd-driver', 'requester'], args: '/D:{cd}' }),
  batch({ id: 'redirector-small', class: 'cd-redirector', file: 'CDREDIRS.COM', dos: 3.3, load: [12, 20], stay: [5, 9], after: ['cd-driver', 'requester'], args: '/D:{cd}' }),
  dosBatch({ id: 'smartdrv', class: 'cache', file: 'SMARTDRV.EXE', cpu: '286', dos: 6, load: [40, 50], stay: [26, 30], after: ['cd-redirector'], high: 'self', needs: ['xms'], args: '1024' }),
  dosConfig({ id: 'smartdrv-5', class: 'cache', file: 'SMARTDRV.SYS', cpu: '286', dos: 4, until: 5.99, load: [18, 25], stay: [14, 23], after: ['xms'], needs: ['xms'], args: '1024' }),
  dosBatch({ id: 'keyb', class: 'keyboard', file: 'KEYB.COM', dos: 3.3, load: [15, 25], stay: [5, 7], args: '{layout}' }),
  dosBatch({ id: 'keyb-old', class: 'keyboard', file: 'KEYBGR.COM', dos: 2, until: 3.29, load: [2, 4], stay: [1.5, 3] }),
  dosBatch({ id: 'doskey', class: 'history', file: 'DOSKEY.COM', dos: 5, load: [6, 6], stay: [3.6, 4.2] }),
  dosBatch({ id: 'append', class: 'resident', file: 'APPEND.EXE', dos: 3.3, load: [6, 11], stay: [5, 9] }),
  dosBatch({ id: 'print', class: 'resident', file: 'PRINT.COM', dos: 2, load: [10, 15], stay: [5, 6] }),
  dosBatch({ id: 'fastopen', class: 'resident', file: 'FASTOPEN.EXE', dos: 3.3, load: [8, 12], stay: [5, 9] }),
  dosBatch({ id: 'graphics', class: 'resident', file: 'GRAPHICS.COM', dos: 2, load: [10, 20], stay: [5, 6] }),
  dosBatch({ id: 'nlsfunc', class: 'resident', file: 'NLSFUNC.EXE', dos: 3.3, load: [7, 8], stay: [2.7, 3] }),
  dosBatch({ id: 'graftabl', class: 'resident', file: 'GRAFTABL.COM', dos: 3, load: [6, 11], stay: [1.2, 1.3] })
];

const byId = new Map(drivers.map((d) => [d.id, d]));
/** @throws Error when there is no such driver: a mistake in the program, not in what was typed */
export function driverOf(id: string): Driver {
  const found = byId.get(id);
  if (!found) throw new Error(`no driver "${id}"`);
  return found;
}

/** What a word on a line is, where its name says so: the names that DOS gives its own, and plain fragments of others. */
const names: readonly [RegExp, DriverClass][] = [
  [/^(HIMEM|XMS\w*|XMM\w*)$/, 'xms'],
  [/^(EMM386|\w*386MEM\w*)$/, 'manager'],
  [/^(UMB\w*|USEUMB\w*)$/, 'upper-driver'],
  [/^(EMS\w*|EMM|REMM|LIM\w*)$/, 'ems-card'],
  [/^SETVER$/, 'version-table'],
  [/^POWER$/, 'power-saving'],
  [/^(\w*SPACE)$/, 'compression'],
  [/^(SCSIMGR|\w*ASPI\w*|SCSIPCI)$/, 'scsi-manager'],
  [/^(SCSIDISK|ASPIDISK)$/, 'scsi-disk'],
  [/^(RAMDRIVE|VDISK|RAMDISK|XMSDISK)$/, 'ram-disk'],
  [/^(DISPLAY|PRINTER|VMODE)$/, 'display'],
  [/^(ANSI|\w*ANSI)$/, 'ansi'],
  [/^PROTMAN$/, 'net-manager'],
  [/^IFSHELP$/, 'helper'],
  [/^(PKT\w*|\w*PKT|\w*PD)$/, 'packet'],
  [/^(NETBIND)$/, 'net-bind'],
  [/^SHARE$/, 'share'],
  [/^(S?MOUSE\w*|\w*MOUSE)$/, 'mouse'],
  [/^(\w*CDREDIR\w*|REDIR|\w*CDEX|\w*CDX\w*)$/, 'cd-redirector'],
  [/^(SMARTDRV|SMARTDRIVE|\w*CACHE)$/, 'cache'],
  [/^KEYB(\w\w)?$/, 'keyboard'],
  [/^DOSKEY$/, 'history'],
  [/^(\w*CD\w*(DRV|ROM|PANEL|SCSI|DMA)\w*|CD\w*)$/, 'cd-driver'],
  [/^(PNP\w*|\w*PNP|\w*ICU)$/, 'pnp-manager'],
  [/^(APPEND|PRINT|FASTOPEN|GRAPHICS|NLSFUNC|GRAFTABL)$/, 'resident']
];

/** The class of a file by its name, without folder and ending; null: not known, which is no fault of it. */
export function classByName(file: string): DriverClass | null {
  const bare = file
    .toUpperCase()
    .replace(/^.*[\\/:]/, '')
    .replace(/\.\w+$/, '');
  return names.find(([name]) => name.test(bare))?.[1] ?? null;
}
