<script lang="ts">
  import { goto } from '$app/navigation';
  import { Button, Input, Label } from 'flowbite-svelte';
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
      const part = boardFrom({
        ...told,
        bays: read.bays,
        ...(closed ? { closed } : {}),
        class: own.class,
        name: own.name.trim(),
        id: freeIdOf(slugOf(own.name, 'my-board'), new Set(data.taken)),
        ...(socket ? { socket } : {})
      });
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
<form onsubmit={create}>
  <h1>{buildsText.newBuild}</h1>
  <p class="plan">{buildsText.orPlan} <a href="/plan">{planText.planPage}</a></p>
  <div class="row">
    <div>
      <Label for="name">{buildsText.name}</Label>
      <Input id="name" bind:value={name} maxlength={120} autocomplete="off" />
    </div>
    <div class="short">
      <Label for="date">{buildsText.date}</Label>
      <Input id="date" bind:value={date} maxlength={7} autocomplete="off" />
    </div>
  </div>
  <fieldset>
    <legend>{buildsText.chooseBoard}</legend>
    <div class="from" role="group" aria-label={ownBoard.which}>
      <button
        type="button"
        class="act"
        aria-pressed={from === 'catalogue'}
        onclick={() => (from = 'catalogue')}>{ownBoard.fromCatalogue}</button
      >
      <button type="button" class="act" aria-pressed={from === 'mine'} onclick={() => (from = 'mine')}
        >{ownBoard.mine}</button
      >
      <a href="/identify">{buildsText.identifyBoard}</a>
    </div>
    {#if from === 'mine'}
      <OwnBoard bind:told={own} />
    {:else}
      <Label for="query" class="sr-only">{buildsText.findBoard}</Label>
      <Input id="query" bind:value={query} placeholder={buildsText.boardHint} autocomplete="off" />
      {#each found as part (part.id)}
        <label class="board" class:on={board === part.id}>
          <input type="radio" name="board" value={part.id} bind:group={board} />
          <span class="what"><b>{part.maker} {part.name}</b> {part.summary}</span>
          <span class="slots">{buildsText.slots(part.board?.slots.length ?? 0)}</span>
          {#if part.sold}<span class="years">{part.sold.from}–{part.sold.to ?? ''}</span>{/if}
        </label>
      {:else}
        <p role="status">{buildsText.noBoard(query)}</p>
        <Button class="act" onclick={takeAsMine}>{ownBoard.takeAsMine(query)}</Button>
      {/each}
    {/if}
  </fieldset>
  {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
  <Button type="submit" class="act main" disabled={busy}>{buildsText.create}</Button>
</form>

<style>
  h1 {
    font-size: 1.6rem;
  }
  .plan {
    margin: 0.2rem 0 1rem;
    color: var(--quiet);
  }
  .plan a {
    color: var(--ink);
    font-weight: 650;
    text-decoration: underline;
  }
  form {
    max-width: 860px;
    margin: 0 auto;
    padding: 1.4rem 1rem;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
    margin-bottom: 1rem;
  }
  .row > div {
    flex: 2 1 16rem;
  }
  .row > .short {
    flex: 1 1 12rem;
  }
  fieldset {
    margin-bottom: 1rem;
  }
  legend {
    margin-bottom: 0.4rem;
    font-weight: 700;
    font-size: 1.1rem;
  }
  .board {
    display: flex;
    align-items: center;
    gap: 0.9rem;
    padding: 0.7rem 0.6rem;
    border-bottom: 1px solid var(--rule);
    cursor: pointer;
  }
  .board.on {
    background: var(--sheet);
    box-shadow: inset 8px 0 0 var(--yellow);
  }
  .board b {
    display: block;
  }
  .what {
    flex: 1;
  }
  .slots,
  .years {
    font-family: var(--font-mono);
    font-size: 0.9rem;
    color: var(--quiet);
  }
  .from {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.6rem;
    margin-bottom: 0.7rem;
  }
  .from [aria-pressed='true'] {
    background: var(--yellow);
    color: var(--on-yellow);
  }
  .from a {
    text-decoration: underline;
  }
  .trouble {
    margin-bottom: 1rem;
    padding: 0.5rem 0.8rem;
    border-left: 8px solid var(--stop);
    background: var(--sheet);
  }
  @media (max-width: 600px) {
    .slots {
      display: none;
    }
  }
</style>
