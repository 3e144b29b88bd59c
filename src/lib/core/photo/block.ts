import { readDip, type DipSeen } from './dip';
import { readHeader, type JumperSeen } from './header';
import type { Corners, Raster } from './straighten';

export type BlockShape = { kind: 'dip'; switches: number } | { kind: 'header'; rows: 1 | 2; columns: number };

/** Reads `dip:8`, `header:2x6`, `header:1x3`. @returns null for anything else */
export function blockShape(text: string): BlockShape | null {
  const dip = /^dip:(\d{1,2})$/.exec(text.trim());
  if (dip) {
    const switches = Number(dip[1]);
    return switches >= 1 && switches <= 16 ? { kind: 'dip', switches } : null;
  }
  const header = /^header:([12])x(\d{1,2})$/.exec(text.trim());
  if (!header) return null;
  const columns = Number(header[2]);
  const rows = header[1] === '1' ? 1 : 2;
  return columns >= (rows === 1 ? 2 : 1) && columns <= 40 ? { kind: 'header', rows, columns } : null;
}

export type BlockSeen = ({ kind: 'dip' } & DipSeen) | { kind: 'header'; jumpers: JumperSeen[] };

/** Reads a block out of a picture. @throws CornersError */
export const readBlock = (
  raster: Raster,
  corners: Corners,
  shape: BlockShape,
  slider?: 'light' | 'dark'
): BlockSeen =>
  shape.kind === 'dip'
    ? { kind: 'dip', ...readDip(raster, corners, shape.switches, slider) }
    : { kind: 'header', jumpers: readHeader(raster, corners, shape.rows, shape.columns) };
