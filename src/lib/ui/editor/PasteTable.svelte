<script lang="ts">
  import { Button, Label, Textarea, Table } from 'flowbite-svelte';
  import type { Part } from '$lib/core/model';
  import { TABLE_LIMITS, printedState, readTable, withTable } from '$lib/core/table';
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
    for (const setting of read.settings) {
      const block = read.blocks.find((b) => b.id === setting.block);
      for (const p of setting.positions)
        for (const n of p.lines)
          out.set(n, [
            ...(out.get(n) ?? []),
            `${(block && printedState(block, p.state)) ?? setting.on.join(', ')}: ${toldWords(p.told)}${p.isDefault ? ` (${words.default})` : ''}`
          ]);
    }
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

<section class="paste px-3.25 border-[1.5px] border-ink pt-2.5 pb-3.25 bg-sheet">
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
    <Table class="my-2.5">
      <caption class="sr-only">{words.reading}</caption>
      <thead
        ><tr
          ><th class="border-b-[1.5px] border-b-ink text-left font-[650]" scope="col">{words.line}</th><th
            class="border-b-[1.5px] border-b-ink text-left font-[650]"
            scope="col">{words.means}</th
          ></tr
        ></thead
      >
      <tbody>
        {#each shown as line (line.n)}
          <tr class:lost={line.as === 'not-understood'}>
            <td class="py-0.75 border-b border-b-rule pr-2.5 align-top wrap-anywhere first:w-[50%]"
              ><span class="text-quiet text-small">{line.n}</span>
              <code class="font-mono whitespace-pre-wrap">{line.text}</code></td
            >
            <td class="py-0.75 border-b border-b-rule pr-2.5 align-top wrap-anywhere first:w-[50%]"
              >{said.get(line.n)?.join(' · ') || lineAsWords[line.as]}</td
            >
          </tr>
        {/each}
      </tbody>
    </Table>
    {#if open.length}
      <h3>{words.open}</h3>
      <ul class="mt-0.75 mb-2.5 pl-4.5 list-disc">
        {#each open as sentence, i (i)}<li>{sentence}</li>{/each}
      </ul>
    {/if}
    <p class="sum mb-2 font-[650]" role="status">
      {took ? words.taken(took) : words.sum(read.settings.length, lost)}
    </p>
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

  .lost td {
    border-left: 8px solid var(--stop);
    padding-left: 0.5rem;
  }
  .lost td + td {
    border-left: 0;
    font-weight: 650;
  }
</style>
