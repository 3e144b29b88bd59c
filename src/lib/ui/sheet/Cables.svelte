<script lang="ts">
  import { Input } from 'flowbite-svelte';
  import { kitOf } from '$lib/core/kit';
  import type { PinHeader, ShelfView } from '$lib/core/model';
  import { sundriesOf } from '$lib/core/sundries';
  import { sundryWords } from '$lib/words';
  import { onMount } from 'svelte';
  import { getBench } from '../context';
  import { ask } from '../record/send';
  import { sheet as sheetText } from '$lib/words/en/screens/sheet';
  import Photo from './Photo.svelte';
  import PowerPlugs from './PowerPlugs.svelte';

  const words = sheetText;
  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const headers = $derived(kit.facts.headers ?? []);
  const pins = $derived(session.build.pins ?? {});
  const sundries = $derived(sundriesOf(kit, session.checked.findings));
  const isAt = $derived(kit.facts.powerPlug !== 'atx');
  /** Cables that go to a card: they come off when it is exchanged. */
  const onCards = $derived(
    session.build.items.flatMap((item) =>
      item.cable
        ? [
            {
              id: item.id,
              what: item.label ?? session.parts.get(item.part)?.name ?? item.part,
              card: session.machine.find(item.cable.to)?.title ?? item.cable.to
            }
          ]
        : []
    )
  );
  const CELL = 46;
  /** Photographs of the things in this machine; without the server there are none. */
  let photos = $state.raw<
    { item: string; part: string; title: string; photo: ShelfView['photos'][number] }[]
  >([]);
  onMount(async () => {
    const used = [session.build.board, ...session.build.items].flatMap((i) => i.specimen ?? []);
    for (const id of new Set(used)) {
      const reply = await ask<ShelfView>('GET', `/shelf/${id}`);
      if (!reply.ok) continue;
      const { title, item } = reply.value;
      photos = [
        ...photos,
        ...reply.value.photos.map((photo) => ({ item: id, part: item.part, title, photo }))
      ];
    }
  });

  function write(header: PinHeader, event: Event) {
    const told = (event.currentTarget as HTMLInputElement).value.trim();
    const { [header.id]: _, ...rest } = pins;
    const { pins: __, ...build } = session.build;
    const next = told ? { ...rest, [header.id]: told } : rest;
    session.change(
      Object.keys(next).length ? { ...build, pins: next } : build,
      words.pinsChanged(header.label)
    );
  }
</script>

<p class="lead">{words.cablesLead}</p>
{#if !headers.length}<p>{words.noHeaders}</p>{/if}
<div class="grid grid-cols-[repeat(auto-fill,minmax(19rem,1fr))] gap-y-3.25 gap-x-6.5">
  {#each headers as header (header.id)}
    <section>
      <h2>
        <code class="font-bold text-large font-mono leading-[1.25]">{header.label}</code>
        {words.headerKinds[header.kind]}
      </h2>
      <svg
        class="block max-w-full"
        width={header.pins.length * CELL + 4}
        height="62"
        role="img"
        aria-label={header.pins.map((p, i) => `${words.pin(i + 1)} ${p}`).join(', ')}
      >
        {#each header.pins as pin, i (i)}
          {@const x = i * CELL + CELL / 2}
          {#if i === 0}<rect
              x={x - 11}
              y="4"
              width="22"
              height="22"
              class="first fill-none stroke-ink stroke-2"
            />{/if}
          <rect x={x - 6} y="9" width="12" height="12" class="fill-ink" />
          <text {x} y="40" text-anchor="middle" class="n fill-ink font-bold text-[12px] font-mono"
            >{i + 1}</text
          >
          <text class="font-normal text-[11px] font-sans fill-ink" {x} y="56" text-anchor="middle">{pin}</text
          >
        {/each}
      </svg>
      <p class="quiet">{header.polar ? words.polar : words.either}{header.note ? `; ${header.note}` : ''}</p>
      <Input
        value={pins[header.id] ?? ''}
        onchange={(e) => write(header, e)}
        aria-label={words.onIt(header.label)}
        placeholder={words.onItHint}
        maxlength={400}
      />
    </section>
  {/each}
</div>
{#if headers.some((h) => h.kind === 'turbo-switch')}<p>{words.turbo}</p>{/if}
<p>{words.diskLed}</p>
{#if sundries.length}
  <section>
    <h2>{words.sundries}</h2>
    <p class="lead">{words.sundriesLead}</p>
    <ul class="my-0.75 pl-4.5 list-[square]">
      {#each sundries.map(sundryWords) as line, i (i)}<li>{line}</li>{/each}
    </ul>
  </section>
{/if}
{#if onCards.length}
  <section>
    <h2>{words.exchange}</h2>
    <ul class="my-0.75 pl-4.5 list-[square]">
      {#each onCards as c (c.id)}<li><b>{c.what}</b> {words.exchangeOf(c.card)}</li>{/each}
    </ul>
  </section>
{/if}
{#if isAt}
  <section>
    <h2>{words.plugs}</h2>
    <PowerPlugs />
    <p class="danger border-l-7 border-l-stop pl-2.75 font-[650] text-large">{words.plugsText}</p>
  </section>
{/if}
<section>
  <h2>{words.photos}</h2>
  {#if !photos.length}<p class="quiet">{words.noPhotos}</p>{/if}
  <div class="photos gap-4 flex flex-wrap">
    {#each photos as p (p.photo.id)}<Photo
        item={p.item}
        photo={p.photo}
        title={p.title}
        part={session.parts.get(p.part)}
      />{/each}
  </div>
</section>

<style>
  section {
    margin-bottom: 0.8rem;
  }
  h2 {
    font-size: 1.1rem;
  }

  p {
    margin: 0.2rem 0;
  }
</style>
