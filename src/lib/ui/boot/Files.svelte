<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Checkbox, Label, Table } from 'flowbite-svelte';
  import { fileText, type BootFiles } from '$lib/core/boot';
  import { lineWhyWords } from '$lib/words';
  import { saveAs } from '../save-as';
  import { boot as words } from '$lib/words/en/screens/boot';

  let { files, dos }: { files: BootFiles; dos: number } = $props();
  let size = $state('1440');
  let goesOn = $state(false);

  /** The image is made when it is asked for: nobody loads its code before. */
  async function saveFloppy() {
    const { startFloppy } = await import('$lib/formats/boot-disk');
    saveAs(
      'start.img',
      'application/octet-stream',
      startFloppy(files, dos, Number(size), 'C:\\DRIVERS', goesOn ? 'C:' : null)
    );
  }
</script>

<div class="files gap-2.5 grid mt-4">
  {#each files.files as f (f.name)}
    <section>
      <div class="head border-b-2 border-b-ink flex items-center justify-between">
        <h2 class="font-mono">{f.name}</h2>
        <Button class="act" onclick={() => saveAs(f.name, 'text/plain', fileText(f))}
          >{words.save(f.name)}</Button
        >
      </div>
      <Table>
        <caption class="sr-only">{words.file(f.name)}</caption>
        <thead class="sr-only"
          ><tr><th scope="col">{words.line}</th><th scope="col">{words.reason}</th></tr></thead
        >
        <tbody>
          {#each f.lines as l, i (i)}
            <tr class:look={l.why.kind === 'look'}
              ><td
                class="py-0.75 border-b border-b-rule pr-3.25 align-top max-md:block max-md:w-auto first:w-[55%] first:wrap-anywhere max-md:first:border-b-0 max-md:first:block max-md:first:w-auto max-md:first:pb-0"
                ><code class="font-mono text-large whitespace-pre-wrap">{l.text}</code></td
              ><td
                class="py-0.75 border-b border-b-rule pr-3.25 align-top max-md:block max-md:w-auto first:w-[55%] first:wrap-anywhere max-md:first:border-b-0 max-md:first:block max-md:first:w-auto max-md:first:pb-0"
                >{lineWhyWords(l.why)}</td
              ></tr
            >
          {/each}
        </tbody>
      </Table>
    </section>
  {/each}
</div>
<p class="quiet">{words.folders}</p>
{#if files.bootsWindows}<p class="ask">{words.bootGui}</p>{/if}
<div class="floppy my-3.25 gap-3.25 flex flex-wrap items-end">
  <div class="min-w-32">
    <Label for="boot-floppy">{words.floppy}</Label>
    <OneOf
      id="boot-floppy"
      items={Object.entries(words.floppySizes).map(([value, name]) => ({ value, name }))}
      bind:value={size}
    />
  </div>
  <Checkbox bind:checked={goesOn}>{words.floppyGoesOn}</Checkbox>
  <Button class="act" onclick={saveFloppy}>{words.saveFloppy}</Button>
  <span class="quiet">{words.floppyNote}</span>
</div>

<style>
  td + td {
    color: var(--quiet);
    font-size: 0.95rem;
  }
  .look td {
    color: var(--ink);
    font-weight: 650;
  }
  .look td:first-child {
    padding-left: 0.5rem;
    border-left: 8px solid var(--stop);
  }
</style>
