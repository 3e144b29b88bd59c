<script lang="ts">
  import { goto } from '$app/navigation';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { page } from '$app/state';
  import { draftFrom } from '$lib/core/identify';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { matches } from '$lib/ui/search';
  import { text } from '$lib/ui/text';
  import { plan as planText } from '$lib/ui/text/brief';
  import { builds as buildsText } from '$lib/ui/text/builds';

  let { data } = $props();
  let name = $state('');
  let date = $state('');
  let query = $state('');
  // A board that was just described comes here named in the address.
  let board = $state(page.url.searchParams.get('board') ?? '');
  let trouble = $state('');
  let busy = $state(false);
  const found = $derived(data.boards.filter((part) => matches(part, query)));

  // What was typed comes back with the way back and with a reload.
  export const snapshot = {
    capture: () => ({ name, date, query, board }),
    restore: (kept: { name: string; date: string; query: string; board: string }) =>
      ({ name, date, query, board } = kept)
  };

  /** The part editor, with what was searched for as the name that is etched on the board. */
  function describe() {
    const etched = query.trim().slice(0, 60);
    const draft = draftFrom('board', etched ? [{ feature: 'etched', value: etched }] : [], 'my-board');
    sessionStorage.setItem('yj-draft', JSON.stringify(draft));
    void goto('/catalogue/edit?draft=1');
  }

  async function create(event: SubmitEvent) {
    event.preventDefault();
    if (!name.trim()) return void (trouble = buildsText.needName);
    if (!board) return void (trouble = buildsText.needBoard);
    busy = true;
    trouble = '';
    try {
      const response = await fetch('/api/v1/builds', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name, board, ...(date ? { date } : {}) })
      });
      const reply = await response.json();
      if (response.ok) return void (await goto(`/builds/${reply.build.id}/parts`));
      trouble = reply.title;
    } catch {
      trouble = text.serverGone;
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
    <Label for="query" class="sr-only">{buildsText.findBoard}</Label>
    <Input id="query" bind:value={query} placeholder={buildsText.boardHint} autocomplete="off" />
    <div class="other">
      <b>{buildsText.notHere}</b>
      <Button class="act" onclick={describe}>{buildsText.describeBoard}</Button>
      <Button class="act" href="/identify">{buildsText.identifyBoard}</Button>
    </div>
    {#each found as part (part.id)}
      <label class="board" class:on={board === part.id}>
        <input type="radio" name="board" value={part.id} bind:group={board} />
        <span class="what"><b>{part.maker} {part.name}</b> {part.summary}</span>
        <span class="slots">{buildsText.slots(part.board?.slots.length ?? 0)}</span>
        {#if part.sold}<span class="years">{part.sold.from}–{part.sold.to ?? ''}</span>{/if}
      </label>
    {:else}
      <p role="status">{buildsText.noBoard(query)}</p>
    {/each}
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
  .other {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.6rem;
    padding: 0.6rem 0;
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
