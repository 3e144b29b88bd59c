export * from './hex';
export * from './part';
export * from './build';
export * from './problem';
export * from './names';
export { checkPart, forbidden, repeated } from './check-part';
export { checkBuild, checkFile, partSet } from './check-build';
export { upgrade } from './upgrade';
export * from './finding';
