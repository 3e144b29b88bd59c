<script lang="ts">
  import Pressed from '../kit/Pressed.svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { byId } from '../../core/model';
  import { Button, Checkbox, Input, Label, Textarea } from 'flowbite-svelte';
  import {
    BOARD_CLASSES,
    CLOSED,
    ON_BOARD_FUNCTIONS,
    readBays,
    type BoardClass,
    type Closed,
    type OnBoard
  } from '$lib/core/own';
  import type { CpuSocket, SlotBus } from '$lib/core/model';
  import { socketName } from '$lib/words';
  import { ownBoard as words } from '$lib/words/en/screens/builds';

  interface Told {
    name: string;
    class: BoardClass | '';
    closed: Closed | '';
    /** As typed. */
    bays: string;
    slots: SlotBus[];
    socket: CpuSocket | '';
    onBoard: OnBoard[];
  }
  let { told = $bindable() }: { told: Told } = $props();
  const MOST_SLOTS = 16;
  const kind = $derived(BOARD_CLASSES.find((c) => c.id === told.class));
  const bays = $derived(readBays(told.bays));
  const sockets = $derived<readonly CpuSocket[]>(kind?.sockets ?? []);
  const open = $derived(
    [
      told.slots.length ? '' : words.open.slots,
      told.socket ? '' : words.open.socket,
      words.open.clock,
      words.open.memory,
      words.open.bios,
      told.closed ? words.open.panel : ''
    ].filter(Boolean)
  );

  function choose(id: BoardClass) {
    told.class = id;
    if (told.socket && !(byId(BOARD_CLASSES, id).sockets as readonly string[]).includes(told.socket))
      told.socket = '';
  }
  const toggle = (fn: OnBoard) =>
    (told.onBoard = told.onBoard.includes(fn) ? told.onBoard.filter((f) => f !== fn) : [...told.onBoard, fn]);
</script>

<div class="own py-2.5 gap-3.5 grid">
  <div>
    <Label for="own-name">{words.name}</Label>
    <Input
      id="own-name"
      bind:value={told.name}
      maxlength={80}
      autocomplete="off"
      placeholder={words.nameHint}
    />
  </div>
  <fieldset class="min-w-0">
    <legend class="mb-1.25 font-[650]">{words.form}</legend>
    <div class="flex flex-wrap gap-y-2 gap-x-3.5">
      {#each ['', ...CLOSED] as const as form (form)}
        <Button class="act" aria-pressed={told.closed === form} onclick={() => (told.closed = form)}
          >{words.forms[form]}</Button
        >
      {/each}
    </div>
  </fieldset>
  {#if told.closed}
    <div>
      <Label for="own-bays">{words.bays}</Label>
      <Textarea
        id="own-bays"
        class="w-full"
        rows={3}
        maxlength={600}
        bind:value={told.bays}
        placeholder={words.baysHint}
      />
      {#each bays.bays as b, i (i)}<p>{words.bayRead(b.label, b.modules)}</p>{/each}
      {#each bays.unread as line, i (i)}<p class="bad" role="alert">{words.bayUnread(line)}</p>{/each}
    </div>
  {/if}
  <fieldset class="min-w-0">
    <legend class="mb-1.25 font-[650]">{words.class}</legend>
    <div class="flex flex-wrap gap-y-2 gap-x-3.5">
      {#each BOARD_CLASSES as c (c.id)}
        <Button class="act" aria-pressed={told.class === c.id} onclick={() => choose(c.id)}
          >{words.classes[c.id]}</Button
        >
      {/each}
    </div>
  </fieldset>
  <fieldset class="min-w-0">
    <legend class="mb-1.25 font-[650]">{words.slots}</legend>
    <div class="flex flex-wrap gap-y-2 gap-x-3.5">
      {#each Object.entries(words.buses) as [bus, label] (bus)}
        <Button
          class="act"
          disabled={told.slots.length >= MOST_SLOTS}
          onclick={() => (told.slots = [...told.slots, bus as SlotBus])}>+ {label}</Button
        >
      {/each}
    </div>
    <ol
      class="p-2 gap-1.5 border border-rule border-dashed flex flex-wrap min-h-12 mt-2"
      aria-label={words.slotRow}
    >
      {#each told.slots as bus, i (i)}
        <li>
          <Pressed
            class="slot {bus}"
            aria-label={words.removeSlot(i + 1, words.buses[bus] ?? bus)}
            onclick={() => (told.slots = told.slots.filter((_, k) => k !== i))}
            ><b>{i + 1}</b>
            {words.buses[bus] ?? bus} <span aria-hidden="true">×</span></Pressed
          >
        </li>
      {:else}<li class="none text-quiet">{words.noSlots}</li>{/each}
    </ol>
  </fieldset>
  {#if sockets.length}
    <div class="short max-w-80">
      <Label for="own-socket">{words.socket}</Label>
      <OneOf
        id="own-socket"
        items={[
          { value: '', name: words.notKnown },
          ...sockets.map((s) => ({ value: s, name: socketName[s] ?? s }))
        ]}
        value={told.socket}
        onchange={(e) => (told.socket = e.currentTarget.value as CpuSocket)}
      />
    </div>
  {/if}
  <fieldset class="min-w-0">
    <legend class="mb-1.25 font-[650]">{words.onBoard}</legend>
    <div class="flex flex-wrap gap-y-2 gap-x-3.5">
      {#each ON_BOARD_FUNCTIONS as fn (fn)}
        <Checkbox checked={told.onBoard.includes(fn)} onchange={() => toggle(fn)}
          >{words.functions[fn]}</Checkbox
        >
      {/each}
    </div>
    {#if told.onBoard.length}<p class="quiet">{words.usual}</p>{/if}
  </fieldset>
  <p class="quiet" role="status">{words.notChecked(open)}</p>
</div>

<style>
  .own :global(label[for]) {
    display: block;
    margin-bottom: 0.4rem;
  }

  .own :global(.slot) {
    min-height: 44px;
    padding: 0.3rem 0.6rem;
    border: 1.5px solid var(--ink);
    background: var(--sheet);
    cursor: pointer;
  }
  .own :global(.slot.isa8) {
    border-bottom-width: 6px;
  }
  .own :global(.slot.isa16),
  .own :global(.slot.vlb) {
    border-bottom-width: 10px;
  }
</style>
