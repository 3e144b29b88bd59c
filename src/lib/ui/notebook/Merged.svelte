<script lang="ts">
  import { Button, Table } from 'flowbite-svelte';
  import { goto } from '$app/navigation';
  import type { Notebook, Part } from '$lib/core/model';
  import { mergeFragments, partFrom, type Cell } from '$lib/core/puzzle';
  import { stateText } from '$lib/words';
  import { savePart } from '../save-as';
  import { notebook as notebookText } from '$lib/words/en/screens/notebook';

  interface Props {
    notebook: Notebook;
    parts: readonly Part[];
  }
  let { notebook, parts }: Props = $props();
  const words = notebookText;
  const tables = $derived(mergeFragments(notebook));
  const like = $derived(parts.find((p) => p.id === notebook.like) ?? null);
  const made = () =>
    partFrom(notebook, like!, `${notebook.id}-part`.slice(0, 60), words.foundOut(like!.name));
  const name = (subject: string) => words.facts[subject] ?? subject;
  function row({ block, state }: Cell): string {
    const known = notebook.blocks.find((b) => b.id === block);
    return known ? `${known.label ?? known.id} ${stateText(known, { state })}` : block;
  }
  function edit() {
    sessionStorage.setItem('yj-draft', JSON.stringify(made()));
    void goto('/catalogue/edit?draft=1');
  }
</script>

{#if !tables.length}<p class="quiet">{words.noRows}</p>{/if}
{#each tables as table (table.subject)}
  <Table class="mb-3.25">
    <caption class="border-b-[1.5px] border-b-ink text-left font-[650]">{name(table.subject)}</caption>
    <tbody>
      {#each table.cells as cell (row(cell))}
        <tr class={cell.kind}>
          <td
            class="py-0.75 border-b border-b-rule pr-2.75 pl-0 align-top first:border-l-5 first:border-l-transparent first:pl-2"
            ><code class="font-mono text-small">{row(cell)}</code></td
          >
          <td
            class="py-0.75 border-b border-b-rule pr-2.75 pl-0 align-top first:border-l-5 first:border-l-transparent first:pl-2"
            ><b>{cell.value ?? '?'}</b></td
          >
          <td
            class="kind py-0.75 border-b border-b-rule pr-2.75 pl-0 align-top first:border-l-5 first:border-l-transparent first:pl-2"
            >{words.cells[cell.kind]}</td
          >
          <td
            class="py-0.75 border-b border-b-rule pr-2.75 pl-0 align-top first:border-l-5 first:border-l-transparent first:pl-2"
            >{[
              ...cell.said.map((s) => words.says(s.title, s.value)),
              ...cell.tried.map((t) => words.tryN(t.n, t.value))
            ].join(' · ')}</td
          >
        </tr>
      {/each}
    </tbody>
  </Table>
{/each}
{#if tables.length}
  <p class="out gap-2.5 flex flex-wrap items-center">
    <b>{words.export}</b>
    {#if like}<Button class="act" onclick={edit}>{words.edit}</Button>
      <Button class="act" onclick={() => savePart(made())}>{words.save}</Button>
    {:else}<span class="quiet">{words.noLike}</span>{/if}
  </p>
{/if}

<style>
  .conflicting td:first-child,
  .refuted td:first-child {
    border-left-color: var(--stop);
  }
  .conflicting .kind,
  .refuted .kind {
    color: var(--stop);
    font-weight: 750;
  }
  .confirmed .kind {
    font-weight: 750;
  }
  .missing {
    color: var(--quiet);
  }
</style>
