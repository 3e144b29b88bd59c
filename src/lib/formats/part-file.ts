import { parse } from 'yaml';
import { Part, checkPart, schemaFlaws } from '../core/model';
import { InvalidDocument, documentNames, fileFlaws } from '../words';

/**
 * Reads a part from YAML (JSON is YAML too).
 * @throws InvalidDocument naming the file and the place.
 */
export function readPart(text: string, name: string): Part {
  let data: unknown;
  try {
    data = parse(text, { maxAliasCount: 20 });
  } catch (error) {
    throw new InvalidDocument(
      [
        {
          path: name,
          message: error instanceof Error ? error.message.split('\n')[0].replace(/:$/, '') : fileFlaws.notYaml
        }
      ],
      documentNames.part
    );
  }
  const parsed = Part.safeParse(data);
  const problems = parsed.success ? checkPart(parsed.data) : schemaFlaws(parsed.error);
  if (!parsed.success || problems.length)
    throw new InvalidDocument(
      problems.map((p) => ({ ...p, path: `${name}: ${p.path}` })),
      documentNames.part
    );
  return parsed.data;
}
