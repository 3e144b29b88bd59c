export { HexDumpError, blobSource, bytesSource, readHexDump, type SectorSource } from './bytes';
export { bootBlock, type BootBlock } from './boot-block';
export { readDisk, type DiskImage, type Entry, type Remark } from './read';
export { diagnose, witnessesOf, type Diagnosis } from './diagnose';
export { diskImage, fatLayout, imagePieces, type Chunk, type SparseImage, type WriteOptions } from './write';
