<script lang="ts">
  import { Button, Label, Textarea } from 'flowbite-svelte';
  import type { Part } from '$lib/core/model';
  import { TABLE_LIMITS, readTable, withTable } from '$lib/core/table';
  import { claimAssumptionWords, lineAsWords, questionWords, toldWords } from '$lib/words';
  import { paste as words } from '$lib/words/en/screens/catalogue';

  interface Props {
    part: Part;
    change: (part: Part) => void;
    /** What was typed, kept by the page. */
    typed: string;
    type: (text: string) => void;
  }
  let { part, change, typed, type }: Props = $props();
  let took = $state(0);
  const read = $derived(readTable(typed));
  const shown = $derived(read.lines.filter((l) => l.as !== 'blank' && l.as !== 'rule'));
  const lost = $derived(shown.filter((l) => l.as === 'not-understood').length);
  /** What each line says, by its number. */
  const said = $derived.by(() => {
    const out = new Map<number, string[]>();
    for (const setting of read.settings)
      for (const p of setting.positions)
        for (const n of p.lines)
          out.set(n, [
            ...(out.get(n) ?? []),
            `${setting.on.join(', ')}: ${toldWords(p.told)}${p.isDefault ? ` (${words.default})` : ''}`
          ]);
    return out;
  });
  const open = $derived([
    ...read.questions.map((q) => questionWords(q, read)),
    ...read.assumptions.map(claimAssumptionWords)
  ]);

  function take() {
    change(withTable(part, read));
    took = read.settings.length;
  }
</script>

<section class="paste">
  <Label for="paste-text">{words.label}</Label>
  <Textarea
    id="paste-text"
    class="w-full font-mono"
    rows={6}
    maxlength={TABLE_LIMITS.characters}
    value={typed}
    oninput={(e) => {
      took = 0;
      type(e.currentTarget.value);
    }}
    placeholder={words.hint}
    spellcheck="false"
  />
  {#if typed.trim()}
    <table>
      <caption class="sr-only">{words.reading}</caption>
      <thead><tr><th scope="col">{words.line}</th><th scope="col">{words.means}</th></tr></thead>
      <tbody>
        {#each shown as line (line.n)}
          <tr class:lost={line.as === 'not-understood'}>
            <td><span>{line.n}</span> <code>{line.text}</code></td>
            <td>{said.get(line.n)?.join(' · ') || lineAsWords[line.as]}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if open.length}
      <h3>{words.open}</h3>
      <ul>
        {#each open as sentence, i (i)}<li>{sentence}</li>{/each}
      </ul>
    {/if}
    <p class="sum" role="status">{took ? words.taken(took) : words.sum(read.settings.length, lost)}</p>
    <Button class="act main" disabled={!read.settings.length && !read.blocks.length} onclick={take}
      >{words.take}</Button
    >
  {/if}
</section>

<style>
  .paste :global(label) {
    display: block;
    margin-bottom: 0.5rem;
  }
  .paste {
    padding: 0.6rem 0.8rem 0.8rem;
    background: var(--sheet);
    border: 1.5px solid var(--ink);
  }
  table {
    width: 100%;
    margin: 0.6rem 0;
    border-collapse: collapse;
  }
  th {
    text-align: left;
    font-weight: 650;
    border-bottom: 1.5px solid var(--ink);
  }
  td {
    padding: 0.2rem 0.6rem 0.2rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: top;
    overflow-wrap: anywhere;
  }
  td:first-child {
    width: 50%;
  }
  td span {
    color: var(--quiet);
    font-size: 0.85rem;
  }
  code {
    font-family: var(--font-mono);
    white-space: pre-wrap;
  }
  .lost td {
    border-left: 8px solid var(--stop);
    padding-left: 0.5rem;
  }
  .lost td + td {
    border-left: 0;
    font-weight: 650;
  }
  h3 {
    font-weight: 650;
  }
  ul {
    margin: 0.2rem 0 0.6rem;
    padding-left: 1.1rem;
    list-style: disc;
  }
  .sum {
    margin-bottom: 0.5rem;
    font-weight: 650;
  }
</style>
