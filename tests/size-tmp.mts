import { startServer } from './support/server';
const s = await startServer();
const answer = await fetch(`${s.url}/builds/plover/lines`);
const named = (answer.headers.get('link') ?? '') + (await answer.text());
const scripts = new Set(named.match(/_app\/immutable\/[\w./-]+?\.js/g));
const rows = [];
for (const path of scripts) { const { headers } = await fetch(`${s.url}/${path}`, { method: 'HEAD', headers: { 'accept-encoding': 'br' } }); rows.push([Number(headers.get('content-length')), path]); }
rows.sort((a, b) => b[0] - a[0]); console.log(rows.slice(0, 22).map((r) => r.join(' ')).join('\n')); console.log(rows.reduce((n, r) => n + r[0], 0));
import { readFileSync } from 'node:fs'; for (const [, path] of rows) { const t = readFileSync('build/client/' + path, 'utf8'); const names = [...t.matchAll(/from"([^"]+)"|import"([^"]+)"/g)].map((m) => (m[1] ?? m[2]).split('/').pop()); if (names.some((n) => /^(Df9|MIraD|BMPW|D8ah|DA2g)/.test(n))) console.log(path, names.filter((n) => /^(Df9|MIraD|BMPW|D8ah|DA2g)/.test(n))); }
await s.stop?.(); process.exit(0);
