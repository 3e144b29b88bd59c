import { there } from '../model';
import {
  claimValue,
  isOn,
  lineOf,
  offSettings,
  unlookedAmong,
  unlookedBehind,
  type Fitted,
  type Line,
  type Machine,
  type Positions,
  type Unlooked
} from '../resources';

/** A line for a start-up file; `assumed`: settings behind it that nobody looked at. */
export interface StartupLine {
  where: string;
  text: string;
  assumed: Unlooked[];
}

/** Lines for the start-up files, with the numbers that the cards are set to. */
export function startupLines(m: Machine, at: Positions): StartupLine[] {
  return m.fitted.flatMap((fitted) =>
    fitted.part.startup.flatMap((line): StartupLine[] => {
      const when = fitted.part.functions.find((f) => f.id === line.when);
      if (when && !isOn(fitted, when, at)) return [];
      const assumed = when ? unlookedAmong(m, offSettings(fitted.item.id, when)) : [];
      const text = line.text.replace(/\{([^.}]+)\.([^}]+)\}/g, (_, fn, claim) => {
        const is = lineOfClaim(m, fitted, at, fn, claim);
        if (!is) return '?';
        assumed.push(...unlookedBehind(m, is));
        return numberText(is);
      });
      return [{ where: line.file, text, assumed }];
    })
  );
}

function lineOfClaim(m: Machine, fitted: Fitted, at: Positions, fnId: string, claimId: string): Line | null {
  const fn = fitted.part.functions.find((f) => f.id === fnId);
  const index = fn?.claims.findIndex((c) => (c.id ?? c.resource) === claimId) ?? -1;
  if (!fn || index < 0) return null;
  const value = claimValue(m, fitted, there(fn.claims[index]), at);
  return value === null ? null : lineOf(m, fitted, fn, index, value);
}

const numberText = ({ resource, value, printed }: Line): string =>
  resource === 'io' || resource === 'memory' ? value.toString(16).toUpperCase() : String(printed);
