/** A small seeded generator, so that a failing machine can be made again from its number. */
export class Seeded {
  constructor(private state: number) {
    this.state = (state * 2654435761) >>> 0 || 1;
  }

  /** 0 ≤ x < 1 */
  next(): number {
    this.state ^= this.state << 13;
    this.state >>>= 0;
    this.state ^= this.state >>> 17;
    this.state ^= this.state << 5;
    this.state >>>= 0;
    return this.state / 0x100000000;
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
