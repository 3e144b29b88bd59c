<script lang="ts">
  import { Button, Label, Textarea, Table } from 'flowbite-svelte';
  import { readMem, withBoot, withSizes } from '$lib/core/boot';
  import { getBench } from '../context';
  import { boot as words } from '$lib/words/en/screens/boot';

  const { session } = getBench();
  let typed = $state('');
  const read = $derived(readMem(typed));
  const kept = $derived(Object.entries(session.build.boot?.sizes ?? {}));
</script>

<p class="quiet mb-2">{words.sizesLead}</p>
<Label for="mem-text">{words.sizesLabel}</Label>
<Textarea
  id="mem-text"
  class="w-full font-mono"
  rows={10}
  maxlength={20_000}
  bind:value={typed}
  spellcheck="false"
  wrap="off"
/>
<div aria-live="polite">
  {#if typed.trim()}
    {#if read.largest !== null}<p>{words.sizesLargest(read.largest)}</p>{/if}
    {#if read.programs.length}
      <Table class="my-2">
        <thead
          ><tr
            ><th class="border-b-[1.5px] border-b-ink text-left" scope="col">{words.program}</th><th
              class="border-b-[1.5px] border-b-ink text-left"
              scope="col">{words.conventional}</th
            ><th class="border-b-[1.5px] border-b-ink text-left" scope="col">{words.upper}</th></tr
          ></thead
        >
        <tbody>
          {#each read.programs as p (p.name)}
            <tr
              ><td><code>{p.name}</code></td><td>{words.bytes(p.conventional)}</td><td
                >{words.bytes(p.upper)}</td
              ></tr
            >
          {/each}
        </tbody>
      </Table>
      <Button
        class="act main"
        onclick={() => session.change(withSizes(session.build, read.programs), words.sizesKept)}
        >{words.sizesTake(read.programs.length)}</Button
      >
    {:else}<p class="bad">{words.sizesNone}</p>{/if}
    {#if read.odd.length}
      <p class="bad">{words.sizesOdd(read.odd.length)}</p>
      {#each read.odd as o (o.n)}<p><code>{o.text}</code></p>{/each}
    {/if}
  {/if}
</div>
{#if kept.length}
  <h2 class="mt-4 mb-1.25">{words.sizesKnown}</h2>
  <Table class="my-2">
    <tbody>
      {#each kept as [name, { stay }] (name)}<tr><td><code>{name}</code></td><td>{words.bytes(stay)}</td></tr
        >{/each}
    </tbody>
  </Table>
  <Button
    class="act"
    onclick={() => session.change(withBoot(session.build, { sizes: undefined }), words.sizesForgot)}
    >{words.sizesForget}</Button
  >
{/if}

<style>
  th,
  td {
    padding: 0.2rem 1.4rem 0.2rem 0;
  }
  td {
    border-bottom: 1px solid var(--rule);
  }
  td + td {
    text-align: right;
    font-family: var(--font-mono);
  }
</style>
