<script lang="ts">
  import FileField from '../kit/FileField.svelte';
  import { Button } from 'flowbite-svelte';
  import { ask, problemLines } from '../record/send';
  import { text } from '$lib/words/en/screens';
  import { shelf as shelfText } from '$lib/words/en/screens/shelf';

  let { done, trouble }: { done: (lines: string[]) => void; trouble: (lines: string[]) => void } = $props();
  const words = shelfText;
  interface Row {
    line: number;
    text: string;
    problems: { path: string; message: string }[];
  }
  let table = $state('');
  let rows = $state.raw<Row[] | null>(null);
  const bad = $derived((rows ?? []).filter((r) => r.problems.length));
  const good = $derived((rows ?? []).length - bad.length);

  /** Reads the file and shows what it would bring; nothing is taken yet. */
  async function read(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    table = await file.text();
    const reply = await ask<{ rows: Row[] }>('POST', '/shelf/table', new Blob([table], { type: 'text/csv' }));
    if (reply.ok) rows = reply.value.rows;
    else trouble('away' in reply ? [text.serverGone] : problemLines(reply.problem));
  }
  async function take() {
    const reply = await ask<{ added: number }>(
      'POST',
      '/shelf/table?take=true',
      new Blob([table], { type: 'text/csv' })
    );
    if (!reply.ok) return trouble('away' in reply ? [text.serverGone] : problemLines(reply.problem));
    rows = null;
    done([words.took(reply.value.added)]);
  }
</script>

<FileField words={words.takeTable} accept=".csv,text/csv" onchange={read} />
{#if rows}
  <section class="py-2.75 px-4 border-l-8 border-l-ink basis-full bg-sheet" aria-label={words.takeTable}>
    <h2>{words.tableTitle(good, bad.length)}</h2>
    <ul class="my-1.5 max-h-72 overflow-y-auto">
      {#each rows.slice(0, 60) as row (row.line)}
        <li
          class="py-0.5 border-b border-b-rule flex flex-wrap gap-y-0 gap-x-3.25"
          class:bad={row.problems.length}
        >
          <span class="n min-w-18 text-quiet">{words.tableLine(row.line)}</span>
          {row.text}
          {#each row.problems as p (p.path + p.message)}<b>{p.path}: {p.message}</b>{/each}
        </li>
      {/each}
    </ul>
    {#if good}<Button class="act main" onclick={take}>{words.takeRows(good)}</Button>{/if}
    <Button class="act" onclick={() => (rows = null)}>{words.leave}</Button>
  </section>
{/if}

<style>
  .bad b {
    padding-left: 0.4rem;
    border-left: 4px solid var(--stop);
  }
</style>
