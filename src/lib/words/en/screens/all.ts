import { boot } from './boot';
import { brief, plan } from './brief';
import { builds, ownBoard } from './builds';
import { catalogue, compare, editor, identify, paste } from './catalogue';
import { disks } from './disks';
import { facts } from './facts';
import { firstPower } from './first-power';
import { bays, fit } from './fit';
import { text } from './index';
import { memoryMap } from './memory-map';
import { decode, notebook } from './notebook';
import { ownProgram } from './own-program';
import { sheet } from './sheet';
import { shelf } from './shelf';
import { start } from './start';

/** Every sentence of the interface, for whoever looks through them. */
export const allText = {
  ...text,
  boot,
  memoryMap,
  brief,
  builds,
  catalogue,
  compare,
  disks,
  editor,
  facts,
  firstPower,
  bays,
  fit,
  identify,
  ownBoard,
  ownProgram,
  paste,
  plan,
  sheet,
  shelf,
  start,
  decode,
  notebook
} as const;
