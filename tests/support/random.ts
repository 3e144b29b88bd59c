/** A small seeded generator, so that a failing machine can be made again from its number. */
export class Seeded {
  /** Held as 32 bits with a sign, which the engine counts with fastest. */
  constructor(private state: number) {
    this.state = ((state * 2654435761) >>> 0 || 1) | 0;
  }

  /** 0 ≤ x < 1 */
  next(): number {
    let s = this.state;
    s ^= s << 13;
    s ^= s >>> 17;
    s ^= s << 5;
    this.state = s;
    return (s >>> 0) / 0x100000000;
  }

  int(below: number): number {
    return Math.floor(this.next() * below);
  }

  chance(p: number): boolean {
    return this.next() < p;
  }

  pick<T>(list: readonly T[]): T {
    return list[this.int(list.length)];
  }

  some<T>(list: readonly T[], count: number): T[] {
    const left = [...list];
    const out: T[] = [];
    while (out.length < count && left.length) out.push(...left.splice(this.int(left.length), 1));
    return out;
  }
}
