/**
 * The interface's sentences, apart from its logic, one file per group of screens. Another language is
 * another set of these files.
 */
import { brief, plan } from './brief';
import { builds } from './builds';
import { catalogue, compare, editor, identify } from './catalogue';
import { disks } from './disks';
import { fit } from './fit';
import { log } from './log';
import { lines } from './lines';
import { parts } from './parts';
import { sheet } from './sheet';
import { shelf } from './shelf';
import { shell } from './shell';
import { decode, notebook } from './notebook';
import { switches } from './switches';
import { tray } from './tray';

export const text = {
  ...shell,
  brief,
  builds,
  catalogue,
  compare,
  disks,
  editor,
  fit,
  identify,
  log,
  lines,
  parts,
  plan,
  sheet,
  shelf,
  switches,
  decode,
  notebook,
  tray
} as const;
