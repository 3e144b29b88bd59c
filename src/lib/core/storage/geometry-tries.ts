/** One try of a geometry in a machine: cylinders typed, and what happened. */
export interface GeometryTry {
  cylinders: number;
  result: 'started' | 'hung' | 'too-small' | 'not-found';
}

export interface NextGeometry {
  /** Cylinders to try next; null when it is found. */
  cylinders: number | null;
  why: string;
}

/** Cylinder counts at which setups of the time stop, with what stops there. */
const boundaries: readonly (readonly [number, string])[] = [
  [1024, 'INT 13h without translation'],
  [4095, 'a 12-bit cylinder field'],
  [6322, 'a BIOS that hangs above it'],
  [8192, 'bit-shift: 128 heads, the last that DOS takes'],
  [15_360, 'the revised shift with 15 heads'],
  [16_383, 'what every larger drive reports']
];

/**
 * The next cylinder count to try: the known boundary between what started and what hung, else the middle.
 * @param most cylinders of the drive
 * @param expected cylinders that should work by what is known of the BIOS
 */
export function nextGeometry(tries: readonly GeometryTry[], most: number, expected = most): NextGeometry {
  const low = Math.max(0, ...tries.filter((t) => t.result === 'started').map((t) => t.cylinders));
  const high = Math.min(most + 1, ...tries.filter((t) => t.result !== 'started').map((t) => t.cylinders));
  if (!tries.length)
    return expected < most
      ? { cylinders: expected, why: 'The most that should work by what is known of this BIOS.' }
      : { cylinders: most, why: 'The drive as it reports itself.' };
  if (low >= high)
    return {
      cylinders: null,
      why: `It started with ${low} and failed with ${high}: something else differs between those tries.`
    };
  if (low === most) return { cylinders: null, why: `All ${most} cylinders work.` };
  if (low + 1 >= high) return { cylinders: null, why: `${low} is the most that works here.` };
  // What is known of the BIOS is tried before what is known of BIOSes in general.
  if (expected > low && expected < Math.min(high, most))
    return { cylinders: expected, why: 'The most that should work by what is known of this BIOS.' };
  const between = boundaries.filter(([n]) => n > low && n < high);
  if (between.length) {
    const [n, what] = between[between.length >> 1];
    return {
      cylinders: n,
      why: `${low ? `${low} started` : 'Nothing has started yet'}${high <= most ? `, ${high} did not` : ''}: heading for ${n}, ${what}.`
    };
  }
  const known = boundaries.find(([n]) => n === low);
  if (known && high <= most)
    return { cylinders: null, why: `${low} is probably the most that works: ${known[1]}.` };
  const middle = Math.floor((low + high) / 2);
  return {
    cylinders: middle,
    why: `Halfway between ${low} and ${high}; no known boundary lies between.`
  };
}
