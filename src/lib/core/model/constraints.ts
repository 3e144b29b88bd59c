import { there } from './sure';
import type { Part } from './part';

/** Whether the constraints of a part rule out a partial choice of positions. */
export function forbidden(part: Part, chosen: Readonly<Record<string, string>>): boolean {
  return part.constraints.some((constraint) => {
    if ('forbid' in constraint)
      return Object.entries(constraint.forbid).every(
        ([id, ps]) => id in chosen && ps.includes(there(chosen[id]))
      );
    if ('allow' in constraint) {
      const { settings, rows } = constraint.allow;
      return !rows.some((row) =>
        row.every((p, i) => !(there(settings[i]) in chosen) || chosen[there(settings[i])] === p)
      );
    }
    return false;
  });
}
