/**
 * The words of whatever the core finds, for screens, files, the API and the command line. The core tells what is the
 * case, as data; here it becomes sentences.
 */
export { and, capital, clockNumber, counted, mhz, or } from './en/language';
export { busName, socketName, kindWord, kindWords, seatName, the, whatWords } from './en/things';
export { InvalidDocument, flawWords, problemOf, problemsOf, type Problem } from './en/documents';
export { findings, fixLabel, tell, type ToldFinding } from './en/findings';
export { missingNames } from './en/findings/unknown';
export type { Told } from './en/findings/told';
export { barWords, reasonWords } from './en/planner';
export { explainWords, shareWords, struckWords } from './en/solver';
export { floppyNote, linkName, linkWords } from './en/floppies';
export { interfaceWords, lowLevelSteps } from './en/interfaces';
export { dueWords } from './en/cabling';
export { actionWords, commandWords, setupLineWords } from './en/moves';
export { obstacleWords, unreachableWords } from './en/reach';
export { claimAssumptionWords, lineAsWords, questionWords, toldWords } from './en/table';
export { chipGroupsWords, commonMemoryWords, legalWords, lostWords, markingWords } from './en/chips';
export * from './en/bench-sheet';
export * from './en/boot';
export * from './en/boot-files';
export * from './en/boot-programs';
export * from './en/disk-image';
export * from './en/files';
export * from './en/first-power';
export * from './en/puzzle';
export * from './en/rails';
export * from './en/rail-advice';
export * from './en/refusals';
export * from './en/rescue';
export * from './en/route-in';
export { cautionWords } from './en/safety';
export * from './en/roms';
export * from './en/seen-things';
export * from './en/start';
export { changesOf, mergeWords, stateText, type Change } from './en/revision';
export {
  consequenceOf,
  decodedSentence,
  factGroupWords,
  readingWords,
  reasonOf,
  reasonsOf,
  waitsWords,
  wantedWords
} from './en/settings';
export { costWords, layerWords, partitionTypeName, witnessWords } from './en/disk-views';
export { barrierWords, guardWords, overrunWords, waysWords } from './en/storage';
export { sundryWords } from './en/sundries';
export { assemblyWords, lastLookWords } from './en/teardown';
export * from './en/trials';
