/**
 * The interface's sentences, apart from its logic, one file per group of screens. Another language is
 * another set of these files.
 */
import { builds } from './builds';
import { log } from './log';
import { lines } from './lines';
import { parts } from './parts';
import { sheet } from './sheet';
import { shell } from './shell';
import { tray } from './tray';

export const text = { ...shell, builds, log, lines, parts, sheet, tray } as const;
