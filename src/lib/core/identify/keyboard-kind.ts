/** What was seen of a keyboard. What is left out nobody looked at. */
export interface KeyboardSeen {
  plug?: 'din5' | 'minidin6' | 'other';
  /** A switch X/A, XT/AT or 8/2 below, or behind a label. */
  hasSwitch?: boolean;
  keys?: number;
  /** Its lights flash by themselves as it gets power. */
  flashes?: boolean;
  hasLights?: boolean;
}

export type KeyboardKind =
  | 'xt'
  | 'at'
  /** By its switch. */
  | 'either'
  | 'open';

export interface KeyboardGuess {
  kind: KeyboardKind;
  /** Names of the reasons, and of what would tell more. */
  because: string[];
  next: string[];
}

/**
 * Which protocol a keyboard speaks. Only what is sure is said: a switch, or lights that flash by themselves at power,
 * which no XT keyboard has. The rest leaves it open.
 */
export function keyboardKind(seen: KeyboardSeen): KeyboardGuess {
  const { plug, hasSwitch, keys, flashes, hasLights } = seen;
  const next = [
    ...(hasSwitch === undefined ? ['look-switch'] : []),
    ...(flashes === undefined && hasLights !== false ? ['watch-lights'] : [])
  ];
  if (plug === 'other') return { kind: 'open', because: ['other-plug'], next: [] };
  if (hasSwitch) return { kind: 'either', because: ['switch'], next: [] };
  if (flashes) return { kind: 'at', because: ['flash'], next: [] };
  if (plug === 'minidin6') return { kind: 'at', because: ['small-plug'], next: [] };
  if (keys === 83 && hasLights === false) return { kind: 'xt', because: ['83-no-lights'], next };
  if (keys === 84) return { kind: 'at', because: ['84-keys'], next };
  return { kind: 'open', because: keys && keys > 84 ? ['many-keys'] : [], next };
}
