<script lang="ts">
  import { floppyChains, type FloppyChain } from '$lib/core/disks';
  import { kitOf, withImage } from '$lib/core/kit';
  import { floppyName } from '$lib/core/storage';
  import { floppyNote, linkName, linkWords } from '$lib/words';
  import OneOf from '../kit/OneOf.svelte';
  import { getBench } from '../context';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import Cabling from './Cabling.svelte';

  const words = disksText;
  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const chains = $derived(floppyChains(kit));

  const setImage = (c: FloppyChain, value: string) =>
    session.change(
      withImage(session.build, c.item, c.image?.all.find((kib) => String(kib) === value) ?? null),
      words.imageSet
    );
</script>

<p class="lead">{words.floppyLead}</p>
{#if !chains.length}<p>{words.noFloppy}</p>{:else}
  <Cabling families={['floppy']} />
  <p class="lead">{words.cableNote} {words.boot}</p>
  {#each chains as c (c.item)}
    <section class="my-3.25 border-l-6 border-l-rule pl-3.25" class:bad={c.failing}>
      <h2><code>{words.letter(c.letter)}</code> {c.title}</h2>
      <p class="verdict"><b>{c.failing ? words.failing(linkName[c.failing.what]) : words.holds}</b></p>
      <ul class="my-0.75">
        {#each c.links as l (l.what)}<li class:off={!l.ok}>
            <span aria-hidden="true">{l.ok ? '✓' : '✗'}</span>
            {linkWords(l)}
          </li>{/each}
      </ul>
      {#if c.image}
        {@const image = c.image}
        <div class="my-1 flex flex-wrap items-center gap-2">
          {words.images}
          <OneOf
            class="w-80!"
            aria-label="{words.images}: {c.title}"
            value={image.told ? String(image.kib) : ''}
            onchange={(e) => setImage(c, e.currentTarget.value)}
          >
            <option value="">{words.imageUnsaid(floppyName(image.kib))}</option>
            {#each image.all as kib (kib)}<option value={String(kib)}
                >{words.imageOf(floppyName(kib), image.works.includes(kib))}</option
              >{/each}
          </OneOf>
        </div>
      {/if}
      <p class="lead">
        {words.select(c.select)}; {words.reads(c.reads.join(', '))}, {words.writes(c.writes.join(', '))}
      </p>
      {#each c.notes as note (note)}<p class="lead">{floppyNote[note]}</p>{/each}
    </section>
  {/each}
{/if}

<style>
  section.bad {
    border-left-color: var(--stop);
  }

  .bad .verdict {
    color: var(--stop);
  }
  p {
    margin: 0.15rem 0;
  }

  .off {
    font-weight: 700;
  }
</style>
