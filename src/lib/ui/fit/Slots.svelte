<script lang="ts">
  import Pressed from '../kit/Pressed.svelte';
  import Fold from '../kit/Fold.svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { entryOf } from '../../core/model';
  import { Button } from 'flowbite-svelte';
  import { clocksOf, families } from '$lib/core/boards';
  import { kitOf, knownIsaClock } from '$lib/core/kit';
  import { isBad, registry } from '$lib/core/rules';
  import { busName, clockNumber } from '$lib/words';
  import { getBench } from '../context';
  import PartPick from '../parts/PartPick.svelte';
  import type { Item, ShelfView, Slot } from '$lib/core/model';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import Bays from './Bays.svelte';
  import { today } from '../time';
  import { addPart, fitSpecimen, noteTry, seat, setOne, takeOut, takeTries, untoldTries } from './edit';

  let { shelf }: { shelf: readonly ShelfView[] } = $props();
  const words = fitText;
  const { session } = getBench();
  const W = 340;
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const slots = $derived(kit.facts.slots);
  const cards = $derived(session.build.items.filter((i) => session.parts.get(i.part)?.card));
  const loose = $derived(cards.filter((i) => !i.slot));
  let dragged = $state('');
  let over = $state('');
  const bad = $derived(
    new Set(
      session.findings
        .filter((f) => isBad(f) && registry[f.rule].place.stage === 'fit')
        .flatMap((f) => f.subjects.filter((s) => s.slot !== undefined).map((s) => s.item))
    )
  );
  const clocks = $derived(clocksOf(kit.board, kit.cpu, kit.at, () => true));
  const ready = $derived(
    shelf.filter(
      (v) =>
        v.kind === 'card' && v.lentTo === null && !session.build.items.some((i) => i.specimen === v.item.id)
    )
  );

  const NONE = { works: 0, not: 0 };
  /** Tries that were written down here since the page was opened. */
  let noted = $state.raw<Record<string, typeof NONE>>({});
  /** Tries in 8-bit slots of specimens of this part. */
  function tries(part: string): { works: number; not: number } {
    const all = [...shelf.filter((v) => v.item.part === part).map((v) => v.tried8), noted[part] ?? NONE];
    return {
      works: all.reduce((n, t) => n + t.works, 0),
      not: all.reduce((n, t) => n + t.not, 0)
    };
  }

  let away = $state(false);
  async function tried(item: Item, slot: Slot, does: boolean) {
    const mhz = knownIsaClock(kit);
    const before = noted[item.part] ?? NONE;
    noted = {
      ...noted,
      [item.part]: { works: before.works + (does ? 1 : 0), not: before.not + (does ? 0 : 1) }
    };
    away =
      (await noteTry(session, item.id, {
        date: today(),
        build: session.build.id,
        board: session.build.board.part,
        slot: slot.id,
        ...(mhz === null ? {} : { clockMHz: mhz }),
        result: does ? 'works' : 'does-not'
      })) === false;
  }

  function drop(slot: string | undefined, event: DragEvent) {
    event.preventDefault();
    over = '';
    const thing = shelf.find((v) => `shelf ${v.item.id}` === dragged);
    if (thing) void fitSpecimen(session, thing, slot);
    else if (dragged) seat(session, dragged, slot);
    dragged = '';
  }
  const teeth: Record<string, number[]> = {
    isa8: [0],
    isa16: [0, 92],
    vlb: [0, 92, 148],
    pci: [40],
    agp: [70],
    'memory-board': [0, 92],
    'pc-card': [1]
  };
  /** A PC card is as long as every other. */
  const PC_CARD_MM = 86;
  const roomOf = (slot: Slot) => slot.lengthMm ?? (slot.bus === 'pc-card' ? PC_CARD_MM : W);
</script>

<!-- A card in its slot, or in none. -->
{#snippet seated(item: Item, slot?: Slot)}
  {@const part = entryOf(session.parts, item.part)}
  {@const t = tries(part.id)}
  <div
    class="item gap-1.25 flex flex-wrap items-center cursor-grab"
    class:max-w-120={!slot}
    class:on={session.selected === item.id}
    draggable="true"
    role="group"
    aria-label={item.label ?? part.name}
    ondragstart={() => (dragged = item.id)}
    ondragend={() => (dragged = '')}
  >
    <Pressed class="py-0.75! px-1.25! flex-[1_1_6rem] min-w-0" onclick={() => (session.selected = item.id)}
      ><b>{item.label ?? part.name}</b>
      <span class="quiet text-small">{part.card?.lengthMm ? words.mm(part.card.lengthMm) : ''}</span></Pressed
    >
    <label class="sr-only" for="seat-{item.id}">{words.toSlot(item.label ?? part.name)}</label>
    <OneOf
      id="seat-{item.id}"
      value={slot?.id ?? ''}
      onchange={(e) => seat(session, item.id, e.currentTarget.value || undefined)}
    >
      <option value="">{words.noSlot}</option>
      {#each slots as s (s.id)}<option value={s.id}>{words.slot(s.label ?? s.id)}</option>{/each}
    </OneOf>
    <Button class="act" onclick={() => takeOut(session, item.id)} aria-label={words.takeOutLabel(part.name)}
      >×</Button
    >
    {#if slot?.bus === 'isa8' && part.card?.bus === 'isa16'}
      {@const untold = untoldTries(
        item,
        shelf.find((v) => v.item.id === item.specimen)
      )}
      <small class="basis-full text-quiet"
        >{t.works + t.not ? words.tried(t.works, t.not) : words.untried}</small
      >
      {#if untold.length}<Button class="act" onclick={() => takeTries(session, item.id, untold)}
          >{words.takeTries(untold.length)}</Button
        >{/if}
      {#each [true, false] as does (does)}
        <Button
          class="act"
          onclick={() => tried(item, slot, does)}
          aria-label={words.triedLabel(item.label ?? part.name, does)}
          >{does ? words.worksHere : words.notHere}</Button
        >
      {/each}
    {/if}
  </div>
{/snippet}

<section class="cpu mb-2.5">
  <h2 class="mb-1.25">{words.socketTitle}</h2>
  <div class="row py-0.75 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
    <span>{words.cpu}</span>
    <b>{kit.cpu?.name ?? words.none}</b>
    {#if kit.facts.cpuSocket?.soldered}<span class="quiet text-small">{words.soldered}</span>{/if}
    {#if clocks.bus.value !== null && clocks.factor !== null && clocks.core !== null}
      <span class="clock font-bold text-small font-mono leading-[1.25]"
        >{words.clock(clockNumber(clocks.bus.value), clocks.factor, clockNumber(clocks.core))}</span
      >
      <span class="quiet text-small">{words.rated(clockNumber(kit.cpu?.cpu?.coreMHz ?? 0))}</span>
    {/if}
    {#if kit.cpu?.cpu && (clocks.volts.value !== null || families[kit.cpu.cpu.family].rank >= 3)}
      <span class="quiet text-small"
        >{words.volts(
          clocks.volts.value === null ? words.unknown : String(clocks.volts.value),
          kit.cpu.cpu.volts.low === kit.cpu.cpu.volts.high
            ? String(kit.cpu.cpu.volts.low)
            : `${kit.cpu.cpu.volts.low}–${kit.cpu.cpu.volts.high}`
        )}</span
      >
    {/if}
    {#if !kit.facts.cpuSocket?.soldered}
      <PartPick
        id="pick-cpu"
        drawer="cpu"
        label={words.addTo(words.cpu)}
        action={words.choose}
        pick={(p) => setOne(session, 'cpu', p)}
      />
    {/if}
  </div>
  {#if kit.facts.fpuSockets?.length}
    <div class="row py-0.75 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
      <span>{words.fpu}</span>
      <b>{kit.fpu?.part.name ?? words.none}</b>
      {#if kit.fpu}<Button
          class="act"
          onclick={() => kit.fpu && takeOut(session, kit.fpu.item.id)}
          aria-label={words.takeOutLabel(kit.fpu.part.name)}>{words.takeOut}</Button
        >{/if}
      <PartPick
        id="pick-fpu"
        drawer="fpu"
        label={words.addTo(words.fpu)}
        action={words.choose}
        pick={(p) => setOne(session, 'fpu', p)}
      />
    </div>
  {/if}
</section>

{#if kit.m.board.part.blocks.some((b) => b.kind === 'bay')}<Bays {kit} />{/if}

{#if away}<p class="bad" role="alert">{words.triedAway}</p>{/if}
<ol class="slots">
  {#each slots as slot (slot.id)}
    {@const items = cards.filter((i) => i.slot === slot.id)}
    <li
      class="py-0.5 gap-2.5 border-b border-b-rule grid grid-cols-[7.4rem_minmax(8rem,1fr)_minmax(13rem,1fr)] items-center max-md:gap-0.5 max-md:grid-cols-1"
      class:over={over === slot.id}
      ondragover={(e) => {
        e.preventDefault();
        over = slot.id;
      }}
      ondragleave={() => (over = '')}
      ondrop={(e) => drop(slot.id, e)}
    >
      <span class="name text-quiet text-small"
        ><b class="font-bold text-large font-mono leading-[1.25] text-ink">{slot.label ?? slot.id}</b>
        {busName[slot.bus]}</span
      >
      <svg class="w-full max-w-104 block" viewBox="0 0 {W} 34" aria-hidden="true">
        <rect x="0" y="15" width={roomOf(slot)} height="4" class="fill-rule" />
        <line x1={roomOf(slot)} x2={roomOf(slot)} y1="8" y2="26" class="stroke-ink stroke-2" />
        {#each teeth[slot.bus] as x (x)}
          <rect
            {x}
            y="24"
            width={slot.bus === 'pci' || slot.bus === 'agp' ? 78 : 84}
            height="7"
            class="socket fill-wire"
          />
        {/each}
        {#each items as item (item.id)}
          {@const mm = session.parts.get(item.part)?.card?.lengthMm ?? 170}
          <rect
            x="1"
            y="2"
            width={mm - 2}
            height="21"
            class="card fill-sheet stroke-ink stroke-[1.5]"
            class:bad={bad.has(item.id)}
          />
          <text class="font-bold text-[12px] font-sans fill-ink" x="6" y="16.5"
            >{item.label ?? session.parts.get(item.part)?.name}</text
          >
        {/each}
      </svg>
      <div class="what">
        {#each items as item (item.id)}
          {@render seated(item, slot)}
        {:else}<span class="quiet text-small"
            >{words.free}{slot.lengthMm ? `, ${words.roomFor(slot.lengthMm)}` : ''}</span
          >{/each}
      </div>
    </li>
  {/each}
</ol>

{#if loose.length}
  <h2 class="mt-4 mb-1.25">{words.loose}</h2>
  {#each loose as item (item.id)}
    {@render seated(item)}
  {/each}
{/if}
<div class="my-3.25">
  <PartPick id="pick-card" label={words.searchAdd} pick={(p) => addPart(session, p)} />
</div>
{#if ready.length}
  <Fold title={words.fromShelf}>
    {#each ready as thing (thing.item.id)}
      <div
        class="item py-0.75 gap-1.25 border-b border-b-rule flex flex-wrap items-center cursor-grab justify-between"
        draggable="true"
        role="group"
        aria-label={thing.title}
        ondragstart={() => (dragged = `shelf ${thing.item.id}`)}
        ondragend={() => (dragged = '')}
      >
        <span><b>{thing.title}</b> <span class="quiet text-small">{thing.item.place ?? ''}</span></span>
        <Button
          class="act"
          onclick={() => fitSpecimen(session, thing)}
          aria-label={`${words.fitIt} ${thing.title}`}>{words.fitIt}</Button
        >
      </div>
    {/each}
  </Fold>
{/if}

<style>
  .row :global(.pick) {
    flex: 0 1 13rem;
  }

  li.over {
    background: var(--sheet);
    outline: 2px dashed var(--ink);
  }

  .card.bad {
    stroke: var(--stop);
    stroke-width: 3;
  }

  .item.on > :global(button:first-child) {
    border-left: 5px solid var(--ink);
  }
</style>
