<script lang="ts">
  import { Button, Checkbox, Label, Select } from 'flowbite-svelte';
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

<div class="files">
  {#each files.files as f (f.name)}
    <section>
      <div class="head">
        <h2>{f.name}</h2>
        <Button class="act" onclick={() => saveAs(f.name, 'text/plain', fileText(f))}
          >{words.save(f.name)}</Button
        >
      </div>
      <table>
        <caption class="sr-only">{words.file(f.name)}</caption>
        <thead class="sr-only"
          ><tr><th scope="col">{words.line}</th><th scope="col">{words.reason}</th></tr></thead
        >
        <tbody>
          {#each f.lines as l, i (i)}
            <tr class:look={l.why.kind === 'look'}
              ><td><code>{l.text}</code></td><td>{lineWhyWords(l.why)}</td></tr
            >
          {/each}
        </tbody>
      </table>
    </section>
  {/each}
</div>
<p class="quiet">{words.folders}</p>
{#if files.bootsWindows}<p class="ask">{words.bootGui}</p>{/if}
<div class="floppy">
  <div>
    <Label for="boot-floppy">{words.floppy}</Label>
    <Select
      id="boot-floppy"
      placeholder=""
      items={Object.entries(words.floppySizes).map(([value, name]) => ({ value, name }))}
      bind:value={size}
    />
  </div>
  <Checkbox bind:checked={goesOn}>{words.floppyGoesOn}</Checkbox>
  <Button class="act" onclick={saveFloppy}>{words.saveFloppy}</Button>
  <span class="quiet">{words.floppyNote}</span>
</div>

<style>
  .files {
    display: grid;
    gap: 0.6rem;
    margin-top: 1rem;
  }
  .head {
    display: flex;
    align-items: center;
    justify-content: space-between;
    border-bottom: 2px solid var(--ink);
  }
  h2 {
    margin: 0;
    font-family: var(--font-mono);
    font-size: 1.15rem;
  }
  td {
    padding: 0.2rem 0.8rem 0.2rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: top;
  }
  td:first-child {
    width: 55%;
    overflow-wrap: anywhere;
  }
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
  code {
    font-family: var(--font-mono);
    font-size: 1.05rem;
    white-space: pre-wrap;
  }
  .floppy div {
    min-width: 8rem;
  }
  .floppy {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 0.8rem;
    margin: 0.8rem 0;
  }
  @media (max-width: 700px) {
    td,
    td:first-child {
      display: block;
      width: auto;
    }
    td:first-child {
      border-bottom: 0;
      padding-bottom: 0;
    }
  }
</style>
