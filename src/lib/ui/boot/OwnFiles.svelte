<script lang="ts">
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import { expectationOf, withBoot } from '$lib/core/boot';
  import { applyEdit, checkFiles, explainFiles, type BootFinding, type FileName } from '$lib/core/boot-files';
  import { kitOf } from '$lib/core/kit';
  import { bootFindingWords, inStarts, lineMeaningWords } from '$lib/words';
  import { getBench } from '../context';
  import { boot as words } from '$lib/words/en/screens/boot';

  const { session } = getBench();
  const MOST = 65_536;
  const machine = $derived(expectationOf(kitOf(session.build, session.parts, session.machine)));
  const kept = $derived(session.build.boot ?? {});
  const texts = $derived<Record<FileName, string>>({
    'CONFIG.SYS': kept.config ?? '',
    'AUTOEXEC.BAT': kept.autoexec ?? ''
  });
  const isEmpty = $derived(!texts['CONFIG.SYS'].trim() && !texts['AUTOEXEC.BAT'].trim());
  const findings = $derived(isEmpty ? [] : checkFiles(texts['CONFIG.SYS'], texts['AUTOEXEC.BAT'], machine));
  const notAsked = $derived([
    ...(machine.dos === null ? [words.notAskedNames.dos] : []),
    ...(machine.cpu === null ? [words.notAskedNames.cpu] : []),
    ...(machine.map.hidden.length ? [words.notAskedNames.hidden] : []),
    ...(machine.map.doubtful.length ? [words.notAskedNames.doubtful] : []),
    ...(machine.listing ? [] : [words.notAskedNames.listing])
  ]);
  const explained = $derived.by(() => {
    const { config, batch } = explainFiles(
      texts['CONFIG.SYS'],
      texts['AUTOEXEC.BAT'],
      machine.dos,
      kept.sizes ?? {}
    );
    return { 'CONFIG.SYS': config, 'AUTOEXEC.BAT': batch };
  });
  const fields: Record<FileName, 'config' | 'autoexec'> = {
    'CONFIG.SYS': 'config',
    'AUTOEXEC.BAT': 'autoexec'
  };

  const keep = (file: FileName, text: string, what: string) =>
    session.change(withBoot(session.build, { [fields[file]]: text.slice(0, MOST) }), what);
  const lineOf = (f: BootFinding) => texts[f.file].split(/\r\n|\n|\r/)[f.line - 1] ?? '';
  function mend(f: BootFinding) {
    if (f.edit) keep(f.edit.file, applyEdit(texts[f.edit.file], f.edit), words.fixed);
  }
  /** DOS wrote it in bytes; every one of them comes back when it is saved. */
  async function open(file: FileName, input: HTMLInputElement) {
    const [chosen] = input.files ?? [];
    if (!chosen) return;
    const bytes = new Uint8Array(await chosen.slice(0, MOST).arrayBuffer());
    keep(file, Array.from(bytes, (b) => String.fromCharCode(b)).join(''), words.keep);
    input.value = '';
  }
  function show({ file, line }: BootFinding) {
    const area = document.getElementById(`own-${file}`) as HTMLTextAreaElement | null;
    if (!area) return;
    const rows = area.value.split('\n');
    const from = rows.slice(0, line - 1).reduce((n, r) => n + r.length + 1, 0);
    area.focus();
    area.setSelectionRange(from, from + (rows[line - 1]?.length ?? 0));
  }
</script>

<p class="quiet">{words.ownLead}</p>
<div class="two">
  {#each Object.keys(fields) as FileName[] as file (file)}
    <div>
      <div class="head">
        <Label for="own-{file}">{file}</Label>
        <label class="open"
          >{words.openFile}
          <input type="file" class="sr-only" onchange={(e) => open(file, e.currentTarget)} /></label
        >
      </div>
      <Textarea
        id="own-{file}"
        class="w-full font-mono"
        rows={12}
        maxlength={MOST}
        value={texts[file]}
        onchange={(e) => keep(file, e.currentTarget.value, words.keep)}
        spellcheck="false"
        wrap="off"
      />
    </div>
  {/each}
</div>
<details>
  <summary>{words.listing}</summary>
  <p class="quiet">{words.listingHint}</p>
  <Textarea
    id="own-listing"
    class="w-full font-mono"
    aria-label={words.listing}
    rows={6}
    maxlength={MOST}
    value={kept.listing ?? ''}
    onchange={(e) =>
      session.change(
        withBoot(session.build, { listing: e.currentTarget.value.slice(0, MOST) }),
        words.listingKept
      )}
    spellcheck="false"
    wrap="off"
  />
  {#if machine.listing}<p>{words.listingSays(machine.listing.files.size, machine.listing.odd)}</p>
  {:else if kept.listing}<p class="ask">{words.listingNone}</p>{/if}
</details>
<div aria-live="polite">
  {#if isEmpty}<p class="quiet">{words.nothingYet}</p>
  {:else}
    <p class="sum">{findings.length ? words.found(findings.length) : words.nothing}</p>
    {#if notAsked.length}<p class="ask"><b>{words.notAsked}</b> {notAsked.join('; ')}</p>{/if}
    <ul>
      {#each findings as f (`${f.file}${f.line}${f.rule}${JSON.stringify(f.facts)}`)}
        {@const told = bootFindingWords(f)}
        <li class={f.severity}>
          <p class="where">
            <b class="tag">{words.severity[f.severity]}</b>
            {#if f.line}<button type="button" aria-label={words.goTo(f.file, f.line)} onclick={() => show(f)}
                >{words.at(f.file, f.line)}</button
              >{:else}<span>{f.file}</span>{/if}
            {#if inStarts(f)}<small>{inStarts(f)}</small>{/if}
          </p>
          <h3>{told.title}</h3>
          <p>{told.sentence}</p>
          {#if f.line}<code>{lineOf(f)}</code>{/if}
          {#if f.edit}
            <p class="fix">
              <span>{f.edit.isNew ? words.newLine : f.edit.text === null ? words.goes : words.becomes}</span>
              {#if f.edit.text !== null}<code class="new">{f.edit.text}</code>{/if}
              <Button class="act" onclick={() => mend(f)}>{words.fix}</Button>
            </p>
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
</div>
{#if !isEmpty}
  <details>
    <summary>{words.lineByLine}</summary>
    {#each Object.keys(fields) as FileName[] as file (file)}
      <table>
        <caption>{file}</caption>
        <thead
          ><tr
            ><th scope="col">{words.line}</th><th scope="col">{words.does}</th><th scope="col"
              >{words.takes}</th
            ></tr
          ></thead
        >
        <tbody>
          {#each explained[file].filter((l) => l.meaning.kind !== 'blank') as l (l.n)}
            <tr>
              <td><small>{l.n}</small> <code>{l.text}</code></td>
              <td>{lineMeaningWords(l.meaning)}</td>
              <td>{l.takes ? words.takesText(...l.takes) : ''}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/each}
  </details>
{/if}

<style>
  summary {
    padding: 0.4rem 0;
    font-size: 1.1rem;
    font-weight: 650;
    cursor: pointer;
  }
  table {
    width: 100%;
    margin-bottom: 0.8rem;
    border-collapse: collapse;
  }
  caption {
    text-align: left;
    font-family: var(--font-mono);
    font-weight: 650;
  }
  th {
    text-align: left;
    border-bottom: 1.5px solid var(--ink);
  }
  td {
    padding: 0.2rem 0.8rem 0.2rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: top;
    overflow-wrap: anywhere;
  }
  td:first-child {
    width: 50%;
  }
  .two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 1.2rem;
  }
  .head {
    display: flex;
    justify-content: space-between;
    align-items: end;
    margin-bottom: 0.3rem;
  }
  .open {
    padding: 0.15rem 0.5rem;
    border: 1px solid var(--ink);
    cursor: pointer;
  }
  .open:focus-within {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
  .sum {
    margin-top: 0.8rem;
    font-size: 1.35rem;
    font-weight: 700;
  }
  ul {
    margin: 0.5rem 0;
    padding: 0;
    list-style: none;
  }
  li {
    margin-bottom: 0.7rem;
    padding: 0.2rem 0 0.2rem 0.8rem;
    border-left: 6px double var(--ink);
  }
  .clash,
  .stop {
    border-left: 8px solid var(--stop);
  }
  .note {
    border-left: 2px solid var(--quiet);
  }
  .where {
    display: flex;
    flex-wrap: wrap;
    gap: 0.8rem;
    align-items: baseline;
  }
  .where button {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  .clash .tag {
    color: var(--stop);
  }
  h3 {
    font-weight: 700;
    font-size: 1.05rem;
  }
  code {
    display: inline-block;
    font-family: var(--font-mono);
    overflow-wrap: anywhere;
    white-space: pre-wrap;
  }
  .fix {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
    margin-top: 0.2rem;
  }
  .new {
    padding: 0 0.3rem;
    background: var(--sheet);
    border: 1px solid var(--ink);
  }
  .quiet,
  small {
    color: var(--quiet);
  }
  @media (max-width: 900px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
