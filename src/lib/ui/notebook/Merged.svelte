<script lang="ts">
  import { Button } from 'flowbite-svelte';
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
  const made = () => partFrom(notebook, like!, `${notebook.id}-part`.slice(0, 60));
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
  <table>
    <caption>{name(table.subject)}</caption>
    <tbody>
      {#each table.cells as cell (row(cell))}
        <tr class={cell.kind}>
          <td><code>{row(cell)}</code></td>
          <td><b>{cell.value ?? '?'}</b></td>
          <td class="kind">{words.cells[cell.kind]}</td>
          <td
            >{[
              ...cell.said.map((s) => words.says(s.title, s.value)),
              ...cell.tried.map((t) => words.tryN(t.n, t.value))
            ].join(' · ')}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
{/each}
{#if tables.length}
  <p class="out">
    <b>{words.export}</b>
    {#if like}<Button class="act" onclick={edit}>{words.edit}</Button>
      <Button class="act" onclick={() => savePart(made())}>{words.save}</Button>
    {:else}<span class="quiet">{words.noLike}</span>{/if}
  </p>
{/if}

<style>
  table {
    width: 100%;
    margin-bottom: 0.8rem;
    border-collapse: collapse;
  }
  caption {
    text-align: left;
    font-weight: 650;
    border-bottom: 1.5px solid var(--ink);
  }
  td {
    padding: 0.2rem 0.7rem 0.2rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: top;
  }
  td:first-child {
    padding-left: 0.5rem;
    border-left: 5px solid transparent;
  }
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
  code {
    font-family: var(--font-mono);
    font-size: 0.9rem;
  }
  .out {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
  }
</style>
