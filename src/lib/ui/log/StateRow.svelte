<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { format, isSameYear, isToday } from 'date-fns';
  import { text } from '$lib/words/en/screens';
  import Changes from './Changes.svelte';
  import type { History, State } from './history.svelte';

  interface Props {
    state: State;
    history: History;
    restored: () => void;
  }
  let { state: kept, history, restored }: Props = $props();
  const words = text.log;
  let naming = $state(false);
  let name = $state('');
  const at = $derived(new Date(kept.at));
  const day = $derived(
    isToday(at) ? words.today : format(at, isSameYear(at, new Date()) ? words.dayFormat : words.dayYearFormat)
  );
  const compared = $derived(history.compared?.id === kept.id ? history.compared.changes : null);

  function startNaming() {
    name = kept.mark ?? '';
    naming = true;
  }
  async function give(event: SubmitEvent) {
    event.preventDefault();
    if (await history.mark(kept.id, name)) naming = false;
  }
  async function restore() {
    if (await history.restore(kept.id)) restored();
  }
  const focus = (node: HTMLInputElement) => node.focus();
</script>

<li class:now={kept.isHead}>
  <span class="when"><time datetime={kept.at}>{day}<b>{format(at, 'HH:mm')}</b></time></span>
  <div class="head">
    {#if kept.mark}<p class="mark"><span class="cap" aria-hidden="true"></span>{kept.mark}</p>{/if}
    <p class="note">
      {#if kept.isHead}<b>{words.now}</b>{/if}
      {kept.changes === null ? words.first : kept.note}
    </p>
  </div>
  <div class="acts">
    {#if !naming}<Button class="act" onclick={startNaming}>{kept.mark ? words.rename : words.mark}</Button
      >{/if}
    {#if !kept.isHead}
      <Button class="act" aria-expanded={compared !== null} onclick={() => history.compare(kept.id)}
        >{words.compare}</Button
      >
      <Button class="act" onclick={restore}>{words.restore}</Button>
    {/if}
  </div>
  <div class="what">
    {#if kept.changes}<Changes changes={kept.changes} most={6} />{/if}
    {#if naming}
      <form onsubmit={give}>
        <label for="mark-{kept.id}">{words.markLabel}</label>
        <input
          id="mark-{kept.id}"
          bind:value={name}
          maxlength={120}
          placeholder={words.markHint}
          autocomplete="off"
          onkeydown={(e) => e.key === 'Escape' && (naming = false)}
          {@attach focus}
        />
        <Button type="submit" class="act" disabled={!name.trim() && !kept.mark}
          >{name.trim() || !kept.mark ? words.mark : words.unmark}</Button
        >
        <Button class="act" onclick={() => (naming = false)}>{text.close}</Button>
      </form>
    {/if}
    {#if compared}
      <div class="compared">
        <h3>{words.compareTitle}</h3>
        <Changes changes={compared} most={40} />
      </div>
    {/if}
  </div>
</li>

<style>
  li {
    display: grid;
    grid-template-columns: 7.5rem minmax(0, 1fr) auto;
    gap: 0.4rem 1.1rem;
    align-items: start;
    padding: 0.7rem 0.6rem;
    border-bottom: 1px solid var(--rule);
    border-left: 8px solid transparent;
  }
  li.now {
    border-left-color: var(--ink);
    background: var(--sheet);
  }
  .when {
    color: var(--quiet);
  }
  .when b {
    display: block;
    font-family: var(--font-mono);
    color: var(--ink);
  }
  .head p {
    margin: 0;
  }
  .what {
    grid-column: 2 / -1;
  }
  .note {
    color: var(--quiet);
  }
  .note b {
    margin-right: 0.5rem;
    color: var(--ink);
  }
  .mark {
    display: flex;
    gap: 0.6rem;
    align-items: center;
    font-size: 1.2rem;
    font-weight: 750;
    overflow-wrap: anywhere;
  }
  .cap {
    flex: 0 0 auto;
    width: 26px;
    height: 15px;
    background: var(--yellow);
    border: 1.5px solid var(--ink);
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    justify-content: flex-end;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    align-items: center;
    margin-top: 0.4rem;
  }
  form input {
    flex: 1 1 12rem;
    padding: 0.35rem 0.5rem;
    border: 1px solid var(--ink);
  }
  .compared {
    margin-top: 0.6rem;
    padding-left: 0.8rem;
    border-left: 4px double var(--ink);
  }
  h3 {
    font-size: 1rem;
  }
  @media (max-width: 760px) {
    li {
      grid-template-columns: minmax(0, 1fr);
    }
    .when b {
      display: inline;
      margin-left: 0.5rem;
    }
    .what {
      grid-column: 1;
      grid-row: 3;
    }
    .acts {
      justify-content: flex-start;
    }
  }
</style>
