import {
  hexRange,
  keyOf,
  type Claim,
  type FunctionKind,
  type PartFunction,
  type Resource,
  type Sharing,
  there
} from '../model';
import { isIn, isOn, isResident, type Fitted, type Machine, type Positions } from './machine';

/** A claim with its number: what one function takes in given positions. */
export interface Line {
  item: string;
  function: string;
  kind: FunctionKind;
  /** Index of the claim in its function. */
  index: number;
  claim: string;
  resource: Resource;
  /** IRQ or DMA number, port, or memory address. On AT class an IRQ 2 is 9. */
  value: number;
  /** The number as the part prints it, before 2 became 9. */
  printed: number;
  /** Ports or bytes; 1 for IRQ and DMA. */
  length: number;
  mask: number;
  access: 'both' | 'read' | 'write';
  /** Width in bits of a DMA or memory claim. */
  width: 8 | 16;
  busMaster: boolean;
  use: 'rom' | 'ram' | 'frame' | 'display' | null;
  shadowed: boolean;
  /** How addresses are compared: PCI cycles do not reach the ISA bus. */
  decode: 'isa' | 'pci' | 'board';
  sharing: Sharing;
  sharesWith: readonly string[];
  resident: boolean;
  /** The VGA ranges of a PCI or AGP display: the BIOS switches them on for one display of a machine only. */
  oneOnly: boolean;
  /** Ports and ROM of a PCI card that the BIOS places as it starts: never two in one place. */
  assigned: boolean;
}

/** Settings, as item and setting, on which the number of a claim rests. */
export function claimSettings(m: Machine, fitted: Fitted, claim: Claim): { item: string; setting: string }[] {
  const own = (setting: string) => ({ item: fitted.item.id, setting });
  if (claim.resource === 'irq' && claim.pin) {
    const setting = fitted.slot?.routing?.[claim.pin];
    return setting === undefined ? [] : [{ item: m.board.item.id, setting }];
  }
  if (!claim.from) return [];
  return 'setting' in claim.from ? [own(claim.from.setting)] : claim.from.settings.map(own);
}

/** The number that a claim takes in these positions; null when it takes nothing. */
export function claimValue(m: Machine, fitted: Fitted, claim: Claim, at: Positions): number | null {
  if (claim.value !== undefined) return claim.value;
  if (claim.resource === 'irq' && claim.pin) {
    const [wire] = claimSettings(m, fitted, claim);
    const position = wire && at(wire.item, wire.setting);
    // A routed input's position is named by the IRQ it is given: irq10, or off.
    const match = /^irq(\d+)$/.exec(position ?? '');
    return match ? Number(match[1]) : null;
  }
  const source = claim.from;
  if (!source) return null;
  if ('setting' in source) {
    const position = at(fitted.item.id, source.setting);
    return position === undefined ? null : (source.values[position] ?? null);
  }
  const row = source.rows.find((r) =>
    Object.entries(r.when).every(([setting, position]) => at(fitted.item.id, setting) === position)
  );
  return row?.value ?? null;
}

/**
 * Whether a PCI function that is on was left without its interrupt: an input that the start-up sets to off. Only a
 * display does without; every other function is as good as switched off then. A slot of which nobody knows where its
 * pins go is no such case.
 */
export function lacksInterrupt(m: Machine, fitted: Fitted, fn: PartFunction, at: Positions): boolean {
  return (
    fn.kind !== 'display' &&
    isOn(fitted, fn, at) &&
    fn.claims.some(
      (claim) =>
        claim.resource === 'irq' &&
        claim.pin !== undefined &&
        claimSettings(m, fitted, claim).length > 0 &&
        claimValue(m, fitted, claim, at) === null
    )
  );
}

/** KiB of shadow RAM from which on the video ROM is copied too: 64 for the system, 32 for the video ROM. */
const WITH_VIDEO = 96;
const VIDEO_ROM = { from: 0xc0000, to: 0xc8000 };

/**
 * Whether the board copies a video ROM to RAM, so that it is no longer read over the bus. A fact of the board and its
 * setup: boards with shadow RAM to spare are taken to use it for the video ROM, and those with PCI always do.
 */
function isShadowed({ board }: Machine, fn: PartFunction, use: string, base: number): boolean {
  if (fn.kind !== 'display' || use !== 'rom' || base < VIDEO_ROM.from || base >= VIDEO_ROM.to) return false;
  const { memory, slots } = board.part.board;
  return (memory?.shadowKiB ?? 0) >= WITH_VIDEO || slots.some((s) => s.bus === 'pci');
}

/** Whether a display sits on PCI or AGP, in a slot or on the board. A local-bus one does not. */
export const isPciDisplay = ({ board }: Machine, { item, seat }: Pick<Fitted, 'item' | 'seat'>): boolean =>
  seat === 'pci' || (item.id === board.item.id && board.part.board.slots.some((s) => s.bus === 'pci'));

/** Ports from here on are handed out; below are those that the first PCs gave to kinds of devices for good. */
const FIRST_ASSIGNED = 0x1000;

/** Whether the BIOS chooses the place of a claim as it starts: of what a PCI card has, all but the fixed ports of its kind. */
function isAssigned({ seat }: Fitted, fn: PartFunction, claim: Claim, value: number): boolean {
  if (seat !== 'pci' || claim.from || fn.kind === 'display') return false;
  if (claim.resource === 'io') return value >= FIRST_ASSIGNED;
  return claim.resource === 'memory' && claim.use === 'rom';
}

/** Builds the line of a claim for a number, as the seat lets it work. */
export function lineOf(m: Machine, fitted: Fitted, fn: PartFunction, index: number, value: number): Line {
  const claim = there(fn.claims[index]);
  const pci = fitted.seat === 'pci';
  const addressed = claim.resource === 'io' || claim.resource === 'memory' ? claim : null;
  const decode = addressed?.decode ?? (pci ? 'pci' : fitted.seat === 'board' ? 'board' : 'isa');
  const narrow = fitted.seat === 'isa8';
  return {
    item: fitted.item.id,
    function: fn.id,
    kind: fn.kind,
    index,
    claim: claim.id ?? claim.resource,
    resource: claim.resource,
    value: claim.resource === 'irq' && m.class === 'at' && value === 2 ? 9 : value,
    printed: value,
    length: addressed?.length ?? 1,
    mask: claim.resource === 'io' ? (claim.mask ?? (decode === 'pci' ? 0xffff : 0x3ff)) : 0xffffffff,
    access: claim.resource === 'io' ? claim.access : 'both',
    width: claim.resource === 'dma' || claim.resource === 'memory' ? (narrow ? 8 : claim.width) : 8,
    busMaster: claim.resource === 'dma' && claim.busMaster,
    use: claim.resource === 'memory' ? claim.use : null,
    shadowed: claim.resource === 'memory' && (claim.shadowed || isShadowed(m, fn, claim.use, value)),
    decode,
    sharing: claim.sharing,
    sharesWith: claim.sharesWith,
    resident: isResident(m, fitted.item.id, fn),
    oneOnly: fn.kind === 'display' && isPciDisplay(m, fitted),
    assigned: isAssigned(fitted, fn, claim, value)
  };
}

/** All lines taken in these positions by the functions that are on, of every item or of some. */
export function linesAt(m: Machine, at: Positions, of: readonly Fitted[] = m.fitted): Line[] {
  return of.filter(isIn).flatMap((fitted) =>
    fitted.part.functions.flatMap((fn) =>
      isOn(fitted, fn, at)
        ? fn.claims.flatMap((claim, index) => {
            const value = claimValue(m, fitted, claim, at);
            return value === null ? [] : [lineOf(m, fitted, fn, index, value)];
          })
        : []
    )
  );
}

/** A line in words: `IRQ 2→9`, `DMA 1`, `220h–22Fh`, `C8000h–CBFFFh`. */
export function lineText(line: Pick<Line, 'resource' | 'value' | 'printed' | 'length'>): string {
  switch (line.resource) {
    case 'irq':
      return line.printed === line.value ? `IRQ ${line.value}` : `IRQ ${line.printed}→${line.value}`;
    case 'dma':
      return `DMA ${line.value}`;
    case 'io':
      return hexRange(line.value, line.length);
    case 'memory':
      return hexRange(line.value, line.length, 5);
  }
}

/** `item/function` of a line. */
export const ownerKey = (line: Pick<Line, 'item' | 'function'>): string => keyOf(line.item, line.function);
