import { there } from './sure';
/**
 * Reads a hexadecimal address as people write it: `220`, `220h`, `0x220` (case does not matter).
 * Returns null for anything else.
 */
export function parseHex(text: string): number | null {
  const match = /^(?:0x)?([0-9a-f]{1,8})h?$/i.exec(text.trim());
  return match ? parseInt(there(match[1]), 16) : null;
}

/** Writes an address the way the project prints it: 544 → `220h`. */
export function hex(value: number, digits = 3): string {
  return value.toString(16).toUpperCase().padStart(digits, '0') + 'h';
}

/** Writes an inclusive range from a base and a length: `220h–22Fh`; one byte is one address. */
export function hexRange(base: number, length: number, digits = 3): string {
  return length <= 1 ? hex(base, digits) : `${hex(base, digits)}–${hex(base + length - 1, digits)}`;
}
