import { z } from 'zod';
import { BuildFile, Part } from '../core/model';
import { schemaTitles } from '../words';

/** JSON Schemas of the files that the project reads, made from the schemas that check them. */
export function schemas(): Record<string, unknown> {
  const make = (schema: z.ZodType, title: string) => ({
    ...z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'ref' }),
    title
  });
  return {
    build: make(BuildFile, schemaTitles.build),
    part: make(Part, schemaTitles.part)
  };
}
