<script lang="ts">
  import FileField from '../kit/FileField.svelte';
  import Fold from '../kit/Fold.svelte';
  import { Button, Label, Textarea, Table } from 'flowbite-svelte';
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
<div class="two gap-4.75 grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-lg:grid-cols-1">
  {#each Object.keys(fields) as FileName[] as file (file)}
    <div>
      <div class="head flex justify-between items-end mb-1.25">
        <Label for="own-{file}">{file}</Label>
        <FileField words={words.openFile} onchange={(e) => open(file, e.currentTarget)} />
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
<Fold title={words.listing} headClass="text-large">
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
</Fold>
<div aria-live="polite">
  {#if isEmpty}<p class="quiet">{words.nothingYet}</p>
  {:else}
    <p class="sum mt-3.25 text-head font-bold">
      {findings.length ? words.found(findings.length) : words.nothing}
    </p>
    {#if notAsked.length}<p class="ask"><b>{words.notAsked}</b> {notAsked.join('; ')}</p>{/if}
    <ul class="my-2">
      {#each findings as f (`${f.file}${f.line}${f.rule}${JSON.stringify(f.facts)}`)}
        {@const told = bootFindingWords(f)}
        <li class={f.severity}>
          <p class="where gap-3.25 flex flex-wrap items-baseline">
            <b class="tag">{words.severity[f.severity]}</b>
            {#if f.line}<Button class="link" aria-label={words.goTo(f.file, f.line)} onclick={() => show(f)}
                >{words.at(f.file, f.line)}</Button
              >{:else}<span>{f.file}</span>{/if}
            {#if inStarts(f)}<small>{inStarts(f)}</small>{/if}
          </p>
          <h3 class="text-large">{told.title}</h3>
          <p>{told.sentence}</p>
          {#if f.line}<code class="inline-block font-mono wrap-anywhere whitespace-pre-wrap">{lineOf(f)}</code
            >{/if}
          {#if f.edit}
            <p class="gap-2.5 flex flex-wrap items-center mt-0.75">
              <span>{f.edit.isNew ? words.newLine : f.edit.text === null ? words.goes : words.becomes}</span>
              {#if f.edit.text !== null}<code
                  class="px-1.25 border border-ink inline-block font-mono wrap-anywhere whitespace-pre-wrap bg-sheet"
                  >{f.edit.text}</code
                >{/if}
              <Button class="act" onclick={() => mend(f)}>{words.fix}</Button>
            </p>
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
</div>
{#if !isEmpty}
  <Fold title={words.lineByLine} headClass="text-large">
    {#each Object.keys(fields) as FileName[] as file (file)}
      <Table class="mb-3.25">
        <caption class="text-left font-mono font-[650]">{file}</caption>
        <thead
          ><tr
            ><th class="border-b-[1.5px] border-b-ink text-left" scope="col">{words.line}</th><th
              class="border-b-[1.5px] border-b-ink text-left"
              scope="col">{words.does}</th
            ><th class="border-b-[1.5px] border-b-ink text-left" scope="col">{words.takes}</th></tr
          ></thead
        >
        <tbody>
          {#each explained[file].filter((l) => l.meaning.kind !== 'blank') as l (l.n)}
            <tr>
              <td class="py-0.75 border-b border-b-rule pr-3.25 align-top wrap-anywhere first:w-[50%]"
                ><small>{l.n}</small>
                <code class="inline-block font-mono wrap-anywhere whitespace-pre-wrap">{l.text}</code></td
              >
              <td class="py-0.75 border-b border-b-rule pr-3.25 align-top wrap-anywhere first:w-[50%]"
                >{lineMeaningWords(l.meaning)}</td
              >
              <td class="py-0.75 border-b border-b-rule pr-3.25 align-top wrap-anywhere first:w-[50%]"
                >{l.takes ? words.takesText(...l.takes) : ''}</td
              >
            </tr>
          {/each}
        </tbody>
      </Table>
    {/each}
  </Fold>
{/if}

<style>
  .open:focus-within {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
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

  .clash .tag {
    color: var(--stop);
  }

  .quiet,
  small {
    color: var(--quiet);
  }
</style>
