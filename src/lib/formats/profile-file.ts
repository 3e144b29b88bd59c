import { z } from 'zod';
import { parse } from 'yaml';
import { Profile, repeated, schemaFlaws } from '../core/model';
import { InvalidDocument, documentNames, fileFlaws } from '../words';

const File = z.strictObject({ profiles: z.array(Profile).max(500) });

/**
 * Reads software profiles from YAML: a list under `profiles`.
 * @throws InvalidDocument naming the file and the place.
 */
export function readProfiles(text: string, name: string): Profile[] {
  const parsed = File.safeParse(parse(text, { maxAliasCount: 200 }));
  const problems = parsed.success
    ? repeated(parsed.data.profiles.map((p) => p.id)).map((id) => ({ path: id, message: fileFlaws.twice }))
    : schemaFlaws(parsed.error);
  if (!parsed.success || problems.length)
    throw new InvalidDocument(
      problems.map((p) => ({ ...p, path: `${name}: ${p.path}` })),
      documentNames.software
    );
  return parsed.data.profiles;
}
