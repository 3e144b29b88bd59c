import { readFileSync } from 'node:fs';
import { improbable } from '../src/lib/core/catalogue';
import { readReasons, unreasoned } from '../src/lib/formats/reasons';
import { readCatalogue } from '../src/lib/server/catalogue';

/** `npm run catalogue`: numbers of the catalogue that stand out among their like, each with its reason or without. */
const folder = new URL('../catalogue', import.meta.url).pathname;
const parts = readCatalogue(folder);
const found = improbable(parts);
const reasons = readReasons(readFileSync(`${folder}/reasons.csv`, 'utf8'));
const { open, stale } = unreasoned(found, reasons);
const number = (n: number) => String(Math.round(n * 100) / 100);

for (const f of found) {
  const reason = reasons.find((r) => r.part === f.part && r.fact === f.fact)?.reason ?? 'NO REASON GIVEN';
  console.log(`${f.part}: ${f.fact} ${number(f.value)}, its like about ${number(f.usual)}. ${reason}`);
}
for (const r of stale) console.log(`${r.part}: ${r.fact} does not stand out; its reason can go.`);
const sourceless = parts.filter((p) => p.evidence.length === 0);
for (const p of sourceless) console.log(`${p.id}: no source for its facts`);
console.log(
  `${parts.length} parts, ${found.length} numbers stand out, ${open.length} without a reason, ${sourceless.length} parts without a source`
);
process.exitCode = open.length + stale.length + sourceless.length > 0 ? 1 : 0;
