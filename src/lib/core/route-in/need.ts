import type { CpuFamily, Part } from '../model';

/** Where something that a link needs is to be had. */
export type Where = 'here' | 'shelf' | 'missing';

/** What a link needs. */
export type Needed =
  | {
      is:
        | 'usb-floppy'
        | 'card-reader'
        | 'flash-card'
        | 'card-bracket'
        | 'ata-channel'
        | 'ata-controller'
        | 'xt-disk-adapter'
        | 'serial-port'
        | 'null-modem'
        | 'usb-serial'
        | 'started-system'
        | 'network-card'
        | 'unknown-driver'
        | 'floppy-emulator';
    }
  | { is: 'floppy-drive'; kib: number }
  | { is: 'floppy-controller'; kbit: number; ownRom: boolean }
  | { is: 'dos'; version: number }
  | { is: 'packet-driver'; file: string; byAnotherWay: boolean }
  | { is: 'packet-driver-for'; cpu: CpuFamily };

export interface LinkNeed {
  what: Needed;
  where: Where;
  /** The part that serves, when there is one. */
  part?: string;
}

/** What to heed on a link. */
export type LinkCaution =
  | { is: 'real-720k' | 'narrow-tracks' | 'partition-here' | 'no-receiver' | 'isolated' | 'driver-line' }
  | { is: 'slow-port'; isXt: boolean }
  | { is: 'small-images'; kib: number };

/** What to do on a link; `on` is the name of the machine. */
export type Step =
  | { is: 'write-floppy'; kib: number }
  | { is: 'fill-card' | 'fill-stick' }
  | { is: 'read-floppy'; kib: number; on: string }
  | { is: 'write-there'; kib: number; on: string; drive: string }
  | { is: 'choose-image' | 'put-card' | 'serial' | 'network'; on: string };

export interface Link {
  step: Step;
  needs: LinkNeed[];
  cautions: LinkCaution[];
}

/** Costs of what a link needs. */
export const PRICE: Record<Where, number> = { here: 0, shelf: 1.5, missing: 8 };

export const here = (what: Needed): LinkNeed => ({ what, where: 'here' });
export const missing = (what: Needed): LinkNeed => ({ what, where: 'missing' });

export const need = (
  what: Needed,
  part: Part | undefined,
  where: Where = part ? 'shelf' : 'missing'
): LinkNeed => ({ what, where, ...(part ? { part: part.id } : {}) });
