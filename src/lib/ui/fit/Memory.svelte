<script lang="ts">
  import Pressed from '../kit/Pressed.svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { banksFor, shownMemory, type Filling } from '$lib/core/boards';
  import { kitOf } from '$lib/core/kit';
  import type { Item, Part, PartOf, ShelfView } from '$lib/core/model';
  import { totalKiB } from '$lib/core/kit';
  import { getBench } from '../context';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import { sizeText } from './edit';
  import MemoryPlan from './MemoryPlan.svelte';

  let { modules, shelf }: { modules: readonly PartOf<'memory'>[]; shelf: readonly ShelfView[] } = $props();
  const words = fitText;
  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const facts = $derived(kit.memory);
  const banksOf = (m: PartOf<'memory'>) => (facts ? banksFor(facts, m) : []);
  const fitting = $derived(modules.filter((m) => banksOf(m).length > 0));
  let chosen = $state('');
  const module = $derived(fitting.find((m) => m.id === chosen) ?? fitting[0]);
  const total = $derived(totalKiB(kit));
  const shown = $derived(facts && total ? shownMemory(total, facts) : null);
  const inBank = (id: string) => kit.banks.get(id) ?? [];
  const others = (items: readonly Item[], bank?: string) =>
    items.filter(
      (i) => session.parts.get(i.part)?.kind !== 'memory' || (bank !== undefined && i.place !== bank)
    );

  function newId(taken: readonly Item[], bank: string): string {
    const base = `memory-${bank}`;
    for (let n = 1; ; n++) {
      const id = n === 1 ? base : `${base}-${n}`;
      if (![...taken, ...session.build.shelf].some((i) => i.id === id)) return id;
    }
  }
  const moduleIn = (taken: readonly Item[], bank: string, part: Part, count: number): Item => ({
    id: newId(taken, bank),
    part: part.id,
    place: bank,
    count,
    asFound: {},
    chosen: {},
    locked: []
  });

  /** Fills an empty bank with the chosen module, or with the first that goes into it; empties a full one. */
  function press(bank: string, sockets: number) {
    const rest = others(session.build.items, bank);
    const fills = [...(module ? [module] : []), ...fitting].find((m) => banksOf(m).includes(bank));
    if (inBank(bank).length)
      session.change({ ...session.build, items: rest }, words.change(words.bank(bank)));
    else if (fills) {
      session.know(fills);
      session.change(
        { ...session.build, items: [...rest, moduleIn(rest, bank, fills, sockets)] },
        words.change(fills.name)
      );
    }
  }
  function filled(way: Filling) {
    let items = others(session.build.items);
    for (const b of way.banks) items = [...items, moduleIn(items, b.bank, b.part, b.count)];
    return { ...session.build, items };
  }
  function fill(way: Filling) {
    way.banks.forEach((b) => session.know(b.part));
    session.change(filled(way), words.change(sizeText(way.kib)));
  }
  const holds = (bank: string) =>
    inBank(bank)
      .map((x) => `${x.count} × ${x.placed.part.name}`)
      .join(', ') || words.empty;
</script>

<p class="lead">{words.memoryLead}</p>
{#if !facts}<p>{words.noBanks}</p>
{:else}
  <div class="top flex flex-wrap gap-y-4 gap-x-8 items-end mt-2 mb-4">
    <div class="count flex flex-col">
      <span>{words.shows}</span>
      <b class="font-bold text-huge font-mono leading-[1.1]">{shown ? sizeText(shown.count) : '—'}</b>
      {#if shown}<small class="text-quiet text-small"
          >{words.fitted(sizeText(total))}; {words.below(sizeText(shown.base))}, {words.above(
            sizeText(shown.extended)
          )}</small
        >{/if}
    </div>
    <div>
      <label class="block" for="module">{words.module}</label>
      <OneOf
        class="min-w-64"
        id="module"
        value={module?.id}
        onchange={(e) => (chosen = e.currentTarget.value)}
      >
        {#each fitting as m (m.id)}<option value={m.id}>{m.name}</option>{/each}
      </OneOf>
      {#if !fitting.length}<p>{words.noModules}</p>{/if}
    </div>
  </div>
  {#if facts.onboardKiB}<p class="lead">{words.onBoard(sizeText(facts.onboardKiB))}</p>{/if}
  <div class="banks gap-3.25 flex flex-wrap">
    {#each facts.banks as bank (bank.id)}
      {@const list = inBank(bank.id)}
      {@const count = list.reduce((n, x) => n + x.count, 0)}
      <Pressed
        class="p-2! gap-1.25 border-[1.5px] border-ink flex! flex-col items-start! min-w-34 max-w-64 bg-sheet!"
        onclick={() => press(bank.id, bank.sockets)}
        aria-label={words.bankLabel(bank.label ?? bank.id, holds(bank.id))}
      >
        <span class="bank font-bold">{words.bank(bank.label ?? bank.id)}</span>
        <svg class="h-[58px] self-start" viewBox="0 0 {bank.sockets * 22 + 4} 58" aria-hidden="true">
          {#each Array.from({ length: bank.sockets }, (_, i) => i) as i (i)}
            <rect x={i * 22 + 2} y="2" width="18" height="54" class="socket fill-wire" />
            {#if i < count}<rect
                x={i * 22 + 5}
                y="6"
                width="12"
                height="46"
                class="module fill-yellow stroke-ink"
              />{/if}
          {/each}
        </svg>
        <span class="quiet">{holds(bank.id)}</span>
      </Pressed>
    {/each}
  </div>
  <MemoryPlan {facts} {modules} {shelf} {filled} {fill} />
{/if}
