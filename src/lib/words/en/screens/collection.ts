import type { Choice, Standing } from '../../../core/own';

export const collection = {
  title: (n: number) => (n === 1 ? 'One part in this file' : `${n} parts in this file`),
  lead: 'Nothing is taken in yet, and nothing is overwritten unless you choose so.',
  standings: {
    new: 'new here',
    same: 'the same is here already',
    differs: 'one of your own under this id says something else',
    catalogue: 'the catalogue has one under this id that says something else'
  } satisfies Record<Standing, string>,
  differs: (what: string) => `Differs in: ${what}.`,
  choiceOf: (name: string) => `What becomes of ${name}`,
  choices: {
    take: 'take it in',
    copy: 'take it in as a second one',
    replace: 'replace mine by it',
    leave: 'leave it'
  } satisfies Record<Choice, string>,
  refused: 'Could not be read, and stays out',
  take: (n: number) => (n === 1 ? 'Take 1 part in' : `Take ${n} parts in`),
  close: 'Close',
  taken: (n: number) => (n === 1 ? 'One part was taken in.' : `${n} parts were taken in.`),
  saveOwn: 'Save my parts'
} as const;
