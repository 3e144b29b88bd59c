/**
 * The interface's sentences, apart from its logic, one file per group of screens. Here are those of every screen of a
 * build; the other screens take their own file, so that nobody loads the words of all of them.
 */
import { log } from './log';
import { lines } from './lines';
import { parts } from './parts';
import { shell } from './shell';
import { tray } from './tray';
import { work } from './work';

export const text = { ...shell, log, lines, parts, tray, work } as const;
