/** A value with one key set, or taken out where nothing is known of it. An empty whole is nothing. */
export function withFact(whole: unknown, key: string, value: unknown): Record<string, unknown> | undefined {
  const rest: Record<string, unknown> = { ...(whole as Record<string, unknown> | undefined) };
  if (value === undefined) delete rest[key];
  else rest[key] = value;
  return Object.keys(rest).length ? rest : undefined;
}
