import { counted } from '../count';

/** Dialogs that come over a build; they are loaded when they open. */
export const dialogs = {
  keys: [
    ['R', 'resolve: the fewest moves without a clash'],
    ['P', 'bench sheet'],
    ['B', 'brief'],
    ['F', 'fit'],
    ['S', 'switches'],
    ['D', 'disks'],
    ['M', 'memory'],
    ['O', 'boot'],
    ['T', 'start'],
    ['G', 'log: every state of this build'],
    ['/', 'search parts'],
    ['Tab', 'to the loom, and on to the next thing'],
    ['← → ↑ ↓', 'in the loom: from mark to mark'],
    ['Shift ← →', 'on a jumper: move it along its row'],
    ['Enter', 'on a ring: move the jumper there; on a crossed-out ring: why not?'],
    ['L', 'on a jumper: lock it where it is, or unlock'],
    ['Ctrl Z, Ctrl Y', 'undo, redo'],
    ['Esc', 'leave a plan, an explanation, a dialog'],
    ['?', 'this list']
  ],
  merge: {
    title: 'Changed in two places',
    lead: 'While you changed this build here, another window saved it. Nothing is lost: choose for each fact, or keep your state as a copy.',
    was: 'Was',
    mine: 'Here',
    theirs: 'Saved elsewhere',
    decide: 'both changed it: choose',
    allMine: 'All from here',
    allTheirs: 'All from there',
    save: 'Save what is chosen',
    left: counted('fact to decide', 'facts to decide'),
    drop: 'Drop mine, take theirs',
    notWhole: 'These choices conflict:'
  }
} as const;
