export { disksOf, setupFactsOf, type KitDisk } from './disks';
export { floppyChains, mediaOf, type FloppyChain, type Link } from './floppies';
export { freeWindows } from './windows';
