<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Input, Button } from 'flowbite-svelte';
  import {
    ChipsError,
    chipCapacity,
    fillingsFor,
    modulesOf,
    fillingsShowing,
    BUS_BITS,
    nextLegal,
    readChips,
    readMarking,
    readSize,
    waitStates,
    withOneLost,
    type ChipReading,
    type Chips,
    type Filling
  } from '$lib/core/boards';
  import { kitOf } from '$lib/core/kit';
  import type { Build, MemoryFacts, PartOf, ShelfView } from '$lib/core/model';
  import { middlePrice } from '$lib/core/planner';
  import { offerOf, unmet } from '$lib/core/software';
  import { picturesIn } from '$lib/core/video';
  import {
    legalWords,
    lostWords,
    markingWords,
    waitsWords,
    chipsFlawWords,
    commonMemoryWords,
    chipGroupsWords
  } from '$lib/words';
  import { getBench } from '../context';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import { sizeText } from './edit';

  interface Props {
    facts: MemoryFacts;
    modules: readonly PartOf<'memory'>[];
    shelf: readonly ShelfView[];
    /** The build with its banks filled so. */
    filled: (way: Filling) => Build;
    fill: (way: Filling) => void;
  }
  let { facts, modules, shelf, filled, fill }: Props = $props();
  const words = fitText.plan;
  const { session } = getBench();
  const SHOWN = 10;
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const stock = $derived(
    shelf.reduce((map, v) => {
      const usable = v.kind === 'memory' && !v.lentTo && v.item.condition !== 'faulty';
      if (usable) map.set(v.item.part, (map.get(v.item.part) ?? 0) + 1);
      return map;
    }, new Map<string, number>())
  );
  let target = $state('640');
  let from = $state<'shelf' | 'any'>('any');
  /** The least that is asked for; an "up to" asks for nothing and is not understood. */
  const targetKiB = $derived(readSize(target, 'small is MiB')?.least || NaN);
  const found = $derived(
    Number.isNaN(targetKiB)
      ? null
      : fillingsFor(facts, modules, { targetKiB, stock, from, price: middlePrice })
  );
  const shown = $derived(
    (found?.fillings ?? []).slice(0, SHOWN).map((way) => {
      const build = filled(way);
      const known = new Map([...session.parts, ...way.banks.map((b) => [b.part.id, b.part] as const)]);
      const offer = offerOf(kitOf(build, known));
      const short = build.brief.profiles.flatMap((p) =>
        unmet(p, offer, ['memory']).some((u) => u.hard) ? [p.name] : []
      );
      return { way, short };
    })
  );

  let counted = $state('');
  const seen = $derived(readSize(counted));
  const reading = $derived(seen && fillingsShowing(facts, seen));
  const sizes = (list: readonly number[]) =>
    facts.banks
      .map((b, i) => `${b.label ?? b.id}: ${list[i] ? `${b.sockets} × ${sizeText(list[i])}` : words.empty}`)
      .join(', ');

  let chips = $state('');
  let bus = $state<number>(16);
  const counts = $derived.by((): Chips[] | string => {
    if (!chips.trim()) return [];
    try {
      return readChips(chips);
    } catch (error) {
      if (!(error instanceof ChipsError)) throw error;
      return chipsFlawWords(error.flaw);
    }
  });
  const capacity = $derived<ChipReading[] | string>(
    typeof counts === 'string' ? counts : chipCapacity(counts)
  );
  /** What the numbers on the chips say, apart from how many there are. */
  const marks = $derived(
    chips
      .split(/[+,;]|\band\b/i)
      .flatMap(
        (entry) =>
          readMarking(entry.trim().replace(/^\d{1,3}\s*(?:x|×|\*|of)\s*|^\d{1,3}\s+(?=[A-Z]*\d{4})/i, '')) ??
          []
      )
      .filter((m) => /^\d{4,}|C/.test(m.type))
  );
  const legal = $derived(typeof counts === 'string' ? [] : nextLegal(counts, bus));
  const lost = $derived(typeof counts === 'string' || !counts.length ? [] : withOneLost(counts));

  let ns = $state('');
  let mhz = $state('');
  const family = $derived(kit.cpu?.cpu?.family ?? null);
  const clock = $derived(Number((mhz || String(kit.cpu?.cpu?.coreMHz ?? '')).replace(',', '.')));
  const waits = $derived(
    family && clock > 0 && Number(ns) >= 5 && Number(ns) <= 300 ? waitStates(family, clock, Number(ns)) : null
  );
</script>

<section class="mt-4.5">
  <h2 class="border-b-2 border-b-ink pb-0.5">{words.reach}</h2>
  <div class="flex flex-wrap gap-y-2 gap-x-5.5">
    <label>{words.target} <Input class="w-28! font-mono" bind:value={target} maxlength={40} /></label>
    <label
      >{words.from}
      <OneOf bind:value={from}
        >{#each Object.entries(words.sources) as [id, label] (id)}<option value={id}>{label}</option
          >{/each}</OneOf
      ></label
    >
  </div>
  {#if Number.isNaN(targetKiB)}<p
      class="bad border-l-5 border-l-stop pl-2 text-ink font-semibold"
      role="alert"
    >
      {words.badSize(target)}
    </p>
  {:else if found && !found.fillings.length}<p>{words.noWay(sizeText(targetKiB))}</p>{/if}
  {#if found?.under}
    {@const { kib, shown } = found.under}
    <p class="my-1.25 flex flex-wrap items-center gap-2">
      {words.under(sizeText(kib), sizeText(shown.count))}
      <Button class="act" onclick={() => (target = `${shown.count} KiB`)}
        >{words.showUnder(sizeText(shown.count))}</Button
      >
    </p>
  {/if}
  <ul>
    {#each shown as { way, short } (way.banks.map((b) => b.bank + b.part.id).join())}
      <li>
        <b>{words.counts(sizeText(way.shown.count))}</b>
        <span
          >{modulesOf(way)
            .map((x) => `${x.count} × ${x.part.name}`)
            .join(' + ')}
          <small class="block text-quiet text-small"
            >{words.cost(way.fromShelf, way.toBuy, Math.round(way.cost))}{way.isSlow
              ? `, ${words.slow(way.ns, facts.ns)}`
              : ''}</small
          >
          {#if short.length}<small
              class="bad border-l-5 border-l-stop block text-small pl-2 text-ink font-semibold"
              >{words.tooLittle(short.join(', '))}</small
            >{/if}</span
        >
        <Button class="act" onclick={() => fill(way)} aria-label={`${fitText.fill}: ${sizeText(way.kib)}`}
          >{fitText.fill}</Button
        >
      </li>
    {/each}
  </ul>
  {#if found && found.fillings.length > SHOWN}<p class="quiet">
      {words.more(found.fillings.length - SHOWN)}
    </p>{/if}
  {#if found && !found.whole}<p class="quiet">{words.notWhole}</p>{/if}
</section>

<section class="mt-4.5">
  <h2 class="border-b-2 border-b-ink pb-0.5">{words.backwards}</h2>
  <label
    >{words.counted}
    <Input class="w-28! font-mono" bind:value={counted} placeholder="3712" maxlength={40} /></label
  >
  {#if counted.trim() && !seen}<p
      class="bad border-l-5 border-l-stop pl-2 text-ink font-semibold"
      role="alert"
    >
      {words.badCount(counted)}
    </p>{/if}
  {#if seen && seen.least !== seen.most}<p class="quiet">{words.takenAs(seen)}</p>{/if}
  {#if reading}
    {#if !reading.explanations.length}<p>{words.noExplanation}</p>
    {:else}
      <p>
        {words.explained(reading.explanations.length)}
        {#if reading.common.length}<b>{words.common(reading.common.map(commonMemoryWords).join('; '))}</b
          >{/if}
      </p>
      <ul class="plain">
        {#each reading.explanations.slice(0, 8) as e (`${e.sizes.join()} ${e.shadowKiB}`)}
          <li class="py-0.5">
            {sizeText(e.kib)}: {sizes(e.sizes)}{e.mostShadowKiB
              ? `; ${words.shadow(e.shadowKiB, e.mostShadowKiB)}`
              : ''}
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
</section>

<section class="mt-4.5">
  <h2 class="border-b-2 border-b-ink pb-0.5">{words.chips}</h2>
  <label
    >{words.chipsAsk}
    <Input class="w-64! font-mono" bind:value={chips} placeholder="9 × 256K×1" maxlength={80} /></label
  >
  <label
    >{words.chipBus}
    <OneOf bind:value={bus}
      >{#each BUS_BITS as bits (bits)}<option value={bits}>{words.bits(bits)}</option>{/each}</OneOf
    ></label
  >
  {#each marks as mark (mark.type)}<p class="quiet">{markingWords(mark)}</p>{/each}
  {#if typeof capacity === 'string'}<p
      class="bad border-l-5 border-l-stop pl-2 text-ink font-semibold"
      role="alert"
    >
      {capacity}
    </p>
  {:else}
    {#if chips.trim() && !capacity.length}<p
        class="border-l-6 border-l-ink border-double pl-2.5"
        role="status"
      >
        {words.noBank}
      </p>{/if}
    {#if capacity.some((c) => c.widths.some((w) => w !== null))}<p
        class="border-l-6 border-l-ink border-double pl-2.5"
      >
        {words.noWidth}
      </p>{/if}
    <ul class="plain">
      {#each capacity as c, i (i)}
        <li class="py-0.5">
          <b>{sizeText(c.kib)}</b>
          {c.parity ? words.withParity : words.noParity}
          <small class="block text-quiet text-small"
            >{chipGroupsWords(c)}{c.widths.some((w) => w !== null)
              ? `, ${words.ifWidth(c.widths.filter((w) => w !== null).join(', '))}`
              : ''}{picturesIn(c.kib).length ? `; ${words.asVideo(picturesIn(c.kib).join(', '))}` : ''}</small
          >
        </li>
      {/each}
    </ul>
    {#if legal.length}
      <h3 class="mt-2.5">{words.onBus(bus)}</h3>
      <ul class="plain">
        {#each legal as set (set.parity)}<li class="py-0.5">{legalWords(set)}</li>{/each}
      </ul>
    {/if}
    {#if lost.length}
      <h3 class="mt-2.5">{words.ifLost}</h3>
      <ul class="plain">
        {#each lost as set, i (i)}<li class="py-0.5">{lostWords(set)}</li>{/each}
      </ul>
    {/if}
  {/if}
</section>

{#if family}
  <section class="mt-4.5">
    <h2 class="border-b-2 border-b-ink pb-0.5">{words.waits}</h2>
    <div class="flex flex-wrap gap-y-2 gap-x-5.5">
      <label
        >{words.ns} <Input class="w-28! font-mono" bind:value={ns} inputmode="numeric" maxlength={3} /></label
      >
      <label
        >{words.mhz}
        <Input
          bind:value={mhz}
          inputmode="decimal"
          placeholder={String(Math.round(kit.cpu!.cpu.coreMHz * 10) / 10)}
          maxlength={6}
        /></label
      >
    </div>
    {#if waits}<p>
        {#if waits.needed !== null}<b>{words.needs(waits.needed)}</b>{/if}
        <span class="quiet">{waitsWords(waits.rests)}</span>
      </p>{/if}
  </section>
{/if}

<style>
  label {
    display: inline-flex;
    gap: 0.5rem;
    align-items: center;
    margin: 0.4rem 0;
  }
  ul {
    margin: 0.2rem 0;
    padding: 0;
    list-style: none;
  }
  ul:not(.plain) > li {
    display: grid;
    grid-template-columns: 9rem 1fr auto;
    gap: 0.6rem;
    align-items: center;
    padding: 0.25rem 0;
    border-bottom: 1px solid var(--rule);
  }

  @media (width < 48rem) {
    ul:not(.plain) > li {
      grid-template-columns: 1fr auto;
    }
    ul:not(.plain) > li span {
      grid-column: 1 / -1;
      grid-row: 2;
    }
  }
</style>
