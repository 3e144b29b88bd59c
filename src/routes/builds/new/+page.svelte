<script lang="ts">
  import { goto } from '$app/navigation';
  import { Button, Input, Label, Radio } from 'flowbite-svelte';
  import { page } from '$app/state';
  import { freeIdOf, slugOf, type CpuSocket, type Part, type SlotBus } from '$lib/core/model';
  import { boardFrom, readBays, type BoardClass, type Closed, type OnBoard } from '$lib/core/own';
  import OwnBoard from '$lib/ui/builds/OwnBoard.svelte';
  import { ask, problemLines } from '$lib/ui/record/send';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { matches } from '$lib/ui/search';
  import { text } from '$lib/words/en/screens';
  import { plan as planText } from '$lib/words/en/screens/brief';
  import { builds as buildsText, ownBoard } from '$lib/words/en/screens/builds';

  let { data } = $props();
  const noBoard = () => ({
    name: '',
    class: '' as BoardClass | '',
    closed: '' as Closed | '',
    bays: '',
    slots: [] as SlotBus[],
    socket: '' as CpuSocket | '',
    onBoard: [] as OnBoard[]
  });
  let name = $state('');
  let date = $state('');
  let query = $state('');
  // A board that was just described comes here named in the address.
  let board = $state(page.url.searchParams.get('board') ?? '');
  let from = $state<'catalogue' | 'mine'>('catalogue');
  let own = $state(noBoard());
  let trouble = $state('');
  let busy = $state(false);
  const found = $derived(data.boards.filter((part) => matches(part, query)));

  // What was typed comes back with the way back and with a reload.
  const typed = () => ({ name, date, query, board, from, own: $state.snapshot(own) });
  export const snapshot = {
    capture: typed,
    restore: (kept: ReturnType<typeof typed>) => {
      ({ name, date, query, board, from } = kept);
      own = { ...noBoard(), ...kept.own };
    }
  };

  function takeAsMine() {
    own.name ||= query.trim().slice(0, 80);
    from = 'mine';
  }

  const said = (reply: Exclude<Awaited<ReturnType<typeof ask>>, { ok: true }>) =>
    (trouble = 'away' in reply ? text.serverGone : problemLines(reply.problem).join(' '));

  /** Keeps the board that lies on the bench as a part. @returns its id, or null where something is missing */
  async function keepOwn(): Promise<string | null> {
    if (!own.name.trim()) trouble = ownBoard.needName;
    else if (!own.class) trouble = ownBoard.needClass;
    else {
      const { socket, closed, bays, ...told } = own;
      const read = readBays(closed ? bays : '');
      const [unread] = read.unread;
      if (unread !== undefined) {
        trouble = ownBoard.bayUnread(unread);
        return null;
      }
      const part = boardFrom(
        {
          ...told,
          bays: read.bays,
          ...(closed ? { closed } : {}),
          class: own.class,
          name: own.name.trim(),
          id: freeIdOf(slugOf(own.name, 'my-board'), new Set(data.taken)),
          ...(socket ? { socket } : {})
        },
        ownBoard.part
      );
      const reply = await ask<Part>('PUT', `/parts/${part.id}`, { part });
      if (reply.ok) return part.id;
      said(reply);
    }
    return null;
  }

  async function create(event: SubmitEvent) {
    event.preventDefault();
    trouble = '';
    if (!name.trim()) return void (trouble = buildsText.needName);
    if (from === 'catalogue' && !board) return void (trouble = buildsText.needBoard);
    busy = true;
    try {
      const id = from === 'mine' ? await keepOwn() : board;
      if (!id) return;
      // A second try, after the build was refused, does not keep the board twice.
      if (from === 'mine') [board, from] = [id, 'catalogue'];
      const reply = await ask<{ build: { id: string } }>('POST', '/builds', {
        name,
        board: id,
        ...(date ? { date } : {})
      });
      if (reply.ok) await goto(`/builds/${reply.value.build.id}/parts`);
      else said(reply);
    } finally {
      busy = false;
    }
  }
</script>

<svelte:head><title>{buildsText.newBuild} · {text.product}</title></svelte:head>

<PlaceBar />
<form class="mx-auto py-5.5 px-4 max-w-[860px]" onsubmit={create}>
  <h1 class="text-big">{buildsText.newBuild}</h1>
  <p class="mt-0.75 mb-4 text-quiet">
    {buildsText.orPlan} <a class="text-ink font-[650] underline" href="/plan">{planText.planPage}</a>
  </p>
  <div class="gap-4 flex flex-wrap mb-4">
    <div class="flex-[2_1_16rem]">
      <Label for="name">{buildsText.name}</Label>
      <Input id="name" bind:value={name} maxlength={120} autocomplete="off" />
    </div>
    <div class="short flex-[1_1_12rem]">
      <Label for="date">{buildsText.date}</Label>
      <Input id="date" bind:value={date} maxlength={7} autocomplete="off" />
    </div>
  </div>
  <fieldset class="mb-4">
    <legend class="mb-1.5 font-bold text-large">{buildsText.chooseBoard}</legend>
    <div class="from gap-2.5 flex flex-wrap items-center mb-2.75" role="group" aria-label={ownBoard.which}>
      <Button class="act" aria-pressed={from === 'catalogue'} onclick={() => (from = 'catalogue')}
        >{ownBoard.fromCatalogue}</Button
      >
      <Button class="act" aria-pressed={from === 'mine'} onclick={() => (from = 'mine')}
        >{ownBoard.mine}</Button
      >
      <a class="underline" href="/identify">{buildsText.identifyBoard}</a>
    </div>
    {#if from === 'mine'}
      <OwnBoard bind:told={own} />
    {:else}
      <Label for="query" class="sr-only">{buildsText.findBoard}</Label>
      <Input id="query" bind:value={query} placeholder={buildsText.boardHint} autocomplete="off" />
      {#each found as part (part.id)}
        <Radio
          classes={{
            label:
              'board py-2.75 px-2.5 gap-3.5 border-b border-b-rule cursor-pointer has-checked:bg-sheet has-checked:shadow-[inset_8px_0_0_var(--yellow)]'
          }}
          name="board"
          value={part.id}
          bind:group={board}
        >
          <span class="what flex-1"><b class="block">{part.maker} {part.name}</b> {part.summary}</span>
          <span class="slots font-mono text-small text-quiet max-md:hidden"
            >{buildsText.slots(part.board?.slots.length ?? 0)}</span
          >
          {#if part.sold}<span class="font-mono text-small text-quiet"
              >{part.sold.from}–{part.sold.to ?? ''}</span
            >{/if}
        </Radio>
      {:else}
        <p role="status">{buildsText.noBoard(query)}</p>
        <Button class="act" onclick={takeAsMine}>{ownBoard.takeAsMine(query)}</Button>
      {/each}
    {/if}
  </fieldset>
  {#if trouble}<p class="py-2 px-3.25 border-l-8 border-l-stop mb-4 bg-sheet" role="alert">
      {trouble}
    </p>{/if}
  <Button type="submit" class="act main" disabled={busy}>{buildsText.create}</Button>
</form>

<style>
</style>
