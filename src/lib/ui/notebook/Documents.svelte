<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Input, Button } from 'flowbite-svelte';
  import type { Fragment, Notebook } from '$lib/core/model';
  import { standing } from '$lib/core/puzzle';
  import { stateText, notationFlawWords } from '$lib/words';
  import { NotationError, readRow } from '$lib/core/settings';
  import { editor as editorText } from '$lib/words/en/screens/catalogue';
  import { notebook as notebookText } from '$lib/words/en/screens/notebook';

  interface Props {
    notebook: Notebook;
    change: (next: Notebook) => void;
  }
  let { notebook, change }: Props = $props();
  const words = notebookText;
  const sources = Object.keys(editorText.sources) as Fragment['source'][];
  let title = $state('');
  let source = $state<Fragment['source']>('manual');
  /** The row that is being typed, for each source. */
  const blank = { block: '', state: '', subject: '', value: '' };
  let drafts = $state<Record<string, typeof blank>>({});
  let problem = $state<Record<string, string>>({});
  const draft = (id: string) => drafts[id] ?? blank;
  const edit = (id: string, part: Partial<typeof blank>) =>
    (drafts = { ...drafts, [id]: { ...draft(id), ...part } });
  const fared = $derived(standing(notebook));
  const name = (subject: string) => words.facts[subject] ?? subject;
  const blockOf = (id: string) => notebook.blocks.find((b) => b.id === id);

  function add(event: SubmitEvent) {
    event.preventDefault();
    if (!title.trim()) return;
    const ids = notebook.fragments.map((f) => f.id);
    let n = ids.length + 1;
    while (ids.includes(`s${n}`)) n++;
    change({
      ...notebook,
      fragments: [...notebook.fragments, { id: `s${n}`, source, title: title.trim(), rows: [] }]
    });
    title = '';
  }
  const put = (id: string, rows: Fragment['rows']) =>
    change({ ...notebook, fragments: notebook.fragments.map((f) => (f.id === id ? { ...f, rows } : f)) });
  function addRow(fragment: Fragment, event: SubmitEvent) {
    event.preventDefault();
    const typed = draft(fragment.id);
    const block = blockOf(typed.block) ?? notebook.blocks[0];
    const subject = typed.subject || notebook.subjects[0];
    if (!block || !subject || !typed.value.trim()) return;
    try {
      const state = readRow(typed.state, block);
      put(fragment.id, [...fragment.rows, { block: block.id, state, subject, value: typed.value.trim() }]);
      drafts = { ...drafts, [fragment.id]: { ...typed, state: '', value: '' } };
      problem = { ...problem, [fragment.id]: '' };
    } catch (error) {
      if (!(error instanceof NotationError)) throw error;
      problem = { ...problem, [fragment.id]: notationFlawWords(error.flaw) };
    }
  }
</script>

{#each notebook.fragments as fragment (fragment.id)}
  {@const f = fared.find((x) => x.id === fragment.id)}
  <article class="border-b border-b-rule mb-2.75 pb-2">
    <h3 class="gap-2.5 flex flex-wrap items-baseline text-large">
      {fragment.title} <span class="font-normal text-quiet">{editorText.sources[fragment.source]}</span>
      {#if f && f.confirmed + f.refuted > 0}<span class="font-normal text-quiet" class:bad={f.refuted > 0}
          >{words.fared(f.confirmed, f.refuted)}</span
        >{/if}
      <Button
        class="cross"
        onclick={() => change({ ...notebook, fragments: notebook.fragments.filter((x) => x !== fragment) })}
        aria-label={words.removeDocument(fragment.title)}>×</Button
      >
    </h3>
    <ul class="my-0.75">
      {#each fragment.rows as row, i (i)}
        {@const block = blockOf(row.block)}
        <li class="gap-2.5 flex items-baseline">
          <code class="min-w-36 font-mono"
            >{block?.label ?? row.block} {block ? stateText(block, row) : ''}</code
          >
          {name(row.subject)}: <b>{row.value}</b>
          <Button
            class="cross"
            onclick={() =>
              put(
                fragment.id,
                fragment.rows.filter((r) => r !== row)
              )}
            aria-label={words.removeRow(`${row.subject} ${row.value}`)}>×</Button
          >
        </li>
      {/each}
    </ul>
    {#if notebook.blocks.length && notebook.subjects.length}
      <form class="gap-1.5 flex flex-wrap items-center" onsubmit={(e) => addRow(fragment, e)}>
        <OneOf
          aria-label={words.block}
          value={draft(fragment.id).block || notebook.blocks[0].id}
          onchange={(e) => edit(fragment.id, { block: e.currentTarget.value })}
          >{#each notebook.blocks as b (b.id)}<option value={b.id}>{b.label ?? b.id}</option>{/each}</OneOf
        >
        <Input
          class="flex-[1_1_8rem] max-w-64"
          aria-label={words.state}
          placeholder={words.stateHint}
          value={draft(fragment.id).state}
          oninput={(e) => edit(fragment.id, { state: (e.currentTarget as HTMLInputElement).value })}
          maxlength={120}
          spellcheck="false"
        />
        <OneOf
          aria-label={words.subject}
          value={draft(fragment.id).subject || notebook.subjects[0]}
          onchange={(e) => edit(fragment.id, { subject: e.currentTarget.value })}
          >{#each notebook.subjects as s (s)}<option value={s}>{name(s)}</option>{/each}</OneOf
        >
        <Input
          class="flex-[1_1_8rem] max-w-64"
          aria-label={words.value}
          placeholder={words.value}
          value={draft(fragment.id).value}
          oninput={(e) => edit(fragment.id, { value: (e.currentTarget as HTMLInputElement).value })}
          maxlength={60}
        />
        <Button type="submit" class="act">{words.addRow}</Button>
      </form>
    {/if}
    {#if problem[fragment.id]}<p
        class="wrong my-1.25 border-l-5 border-l-stop pl-2.5 font-semibold"
        role="alert"
      >
        {problem[fragment.id]}
      </p>{/if}
  </article>
{/each}
<form class="gap-1.5 flex flex-wrap items-center mt-2.5" onsubmit={add}>
  <Input
    class="flex-[1_1_8rem] max-w-64"
    aria-label={words.sourceTitle}
    placeholder={words.sourceTitleHint}
    bind:value={title}
    maxlength={120}
  />
  <OneOf aria-label={editorText.source} bind:value={source}
    >{#each sources as s (s)}<option value={s}>{editorText.sources[s]}</option>{/each}</OneOf
  >
  <Button type="submit" class="act">{words.addDocument}</Button>
</form>

<style>
  h3 .bad {
    color: var(--stop);
    font-weight: 700;
  }
</style>
