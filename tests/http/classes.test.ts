import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { parse } from 'svelte/compiler';

const root = new URL('../..', import.meta.url).pathname;

/** The files of a folder with one of these endings. */
const filesOf = (folder: string, ...endings: string[]): string[] =>
  (readdirSync(join(root, folder), { recursive: true }) as string[])
    .filter((name) => endings.some((ending) => name.endsWith(ending)))
    .map((name) => join(root, folder, name));
const textOf = (file: string): string => readFileSync(file, 'utf8');

/** Words after a dot in a text in quotes: the classes that selectors name. */
const selected = (source: string): string[] =>
  [...source.matchAll(/'[^'\n]*'|"[^"\n]*"|`[^`]*`/g)].flatMap(([text]) =>
    [...text.matchAll(/\.([A-Za-z][\w-]*)/g)].map((m) => m[1])
  );

/** The words of every class that stands in the markup as it is, and is no part of one that is put together. */
function classesOf(source: string): string[] {
  const words: string[] = [];
  const visit = (node: unknown): void => {
    if (Array.isArray(node)) return node.forEach(visit);
    if (typeof node !== 'object' || node === null) return;
    const { type, name, value, ...rest } = node as Record<string, unknown>;
    if (type === 'Attribute' && name === 'class' && Array.isArray(value))
      for (const part of value as { type: string; data?: string }[])
        if (part.type === 'Text')
          words.push(...(part.data ?? '').split(/\s+/).filter((word) => word && !word.endsWith('-')));
    visit([value, ...Object.values(rest)]);
  };
  visit(parse(source, { modern: true }).fragment);
  return words;
}

describe('the classes of the screens', () => {
  const components = filesOf('src', '.svelte');
  const sheet = textOf(join(root, 'src/app.css'));

  it('each means something: to the style sheet as it was built, to the component, or to who looks for it', () => {
    const built = filesOf('build/client/_app/immutable/assets', '.css')
      .map((file) => textOf(file).replace(/\\(.)/g, '$1'))
      .join('\n');
    const isBuilt = (name: string): boolean => {
      for (let at = built.indexOf(`.${name}`); at >= 0; at = built.indexOf(`.${name}`, at + 1))
        if (!/[\w-]/.test(built[at + name.length + 1] ?? '')) return true;
      return false;
    };
    const lookedFor = new Set(
      ['tests', 'scripts', 'bench', 'src'].flatMap((folder) =>
        filesOf(folder, '.ts', '.mjs').flatMap((file) => selected(textOf(file)))
      )
    );
    const found = new Map(components.map((file) => [file, classesOf(textOf(file))]));
    const all = new Set([...found.values()].flat());
    expect(all.size).to.be.greaterThan(300);
    const unknown = new Set([...all].filter((name) => !isBuilt(name) && !lookedFor.has(name)));
    const where = [...found].flatMap(([file, names]) =>
      names.filter((name) => unknown.has(name)).map((name) => `${file.slice(root.length)}: ${name}`)
    );
    expect(where).to.deep.equal([]);
  });

  it('those of a component of the library are in the style sheet', () => {
    const used = new Set(
      components.flatMap((file) =>
        [...textOf(file).matchAll(/import \{([^}]+)\} from 'flowbite-svelte'/g)].flatMap((m) =>
          m[1]
            .split(',')
            .map((name) => name.trim())
            .filter((name) => !name.startsWith('type '))
        )
      )
    );
    // It has no markup of its own.
    used.delete('ThemeProvider');
    expect(used).to.include('Button');
    for (const name of used) expect(sheet, name).to.match(new RegExp(`@source .*\\b${name}\\.svelte`));
  });

  it('a field, a list, a table, a fold, a dialog, a button is the one of the library', () => {
    const own = components
      .filter((file) => !file.endsWith('kit/OneOf.svelte'))
      .flatMap((file) =>
        [
          ...textOf(file).matchAll(
            /<(select|textarea|input|button|table|details|dialog|progress|Select)\b[^>]*/g
          )
        ].map(([tag]) => `${file.slice(root.length)}: ${tag}`)
      );
    expect(own).to.deep.equal([]);
  });
});
