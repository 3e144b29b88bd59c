import { answerTo, statements } from './table';

/** `npm run truth`: every statement that the program disagrees with, and how many there are of each kind. */
const all = statements();
const kinds = new Map<string, number>();
let wrong = 0;
for (const s of all) {
  kinds.set(s.kind, (kinds.get(s.kind) ?? 0) + 1);
  const said = answerTo(s);
  if (said === s.answer) continue;
  wrong++;
  console.log(
    `${s.file}:${s.line}  ${s.kind}: ${s.question}\n    true (${s.sure}, ${s.source}): ${s.answer}\n    said: ${said}`
  );
}
console.log([...kinds].map(([kind, n]) => `${kind} ${n}`).join(', '));
console.log(`${all.length} statements, ${wrong} wrong`);
process.exitCode = wrong ? 1 : 0;
