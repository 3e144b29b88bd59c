<script lang="ts">
  import { Input, Button } from 'flowbite-svelte';
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

<li
  class="py-2.75 px-2.5 border-b border-l-8 border-b-rule border-l-transparent grid grid-cols-[7.5rem_minmax(0,1fr)_auto] gap-y-1.5 gap-x-4.5 items-start max-md:grid-cols-1"
  class:now={kept.isHead}
>
  <span class="when text-quiet"
    ><time datetime={kept.at}
      >{day}<b class="block font-mono text-ink max-md:inline max-md:ml-2">{format(at, 'HH:mm')}</b></time
    ></span
  >
  <div class="head">
    {#if kept.mark}<p class="mark gap-2.5 flex items-center text-head font-[750] wrap-anywhere">
        <span class="border-[1.5px] border-ink flex-[0_0_auto] w-[26px] h-[15px] bg-yellow" aria-hidden="true"
        ></span>{kept.mark}
      </p>{/if}
    <p class="note text-quiet">
      {#if kept.isHead}<b class="mr-2 text-ink">{words.now}</b>{/if}
      {kept.changes === null ? words.first : kept.note}
    </p>
  </div>
  <div class="gap-1.5 flex flex-wrap justify-end max-md:justify-start">
    {#if !naming}<Button class="act" onclick={startNaming}>{kept.mark ? words.rename : words.mark}</Button
      >{/if}
    {#if !kept.isHead}
      <Button class="act" aria-expanded={compared !== null} onclick={() => history.compare(kept.id)}
        >{words.compare}</Button
      >
      <Button class="act" onclick={restore}>{words.restore}</Button>
    {/if}
  </div>
  <div class="what col-[2_/_-1] max-md:col-1 max-md:row-3">
    {#if kept.changes}<Changes changes={kept.changes} most={6} />{/if}
    {#if naming}
      <form class="gap-1.5 flex flex-wrap items-center mt-1.5" onsubmit={give}>
        <label for="mark-{kept.id}">{words.markLabel}</label>
        <Input
          class="flex-[1_1_12rem]"
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
      <div class="border-l-4 border-l-ink border-double mt-2.5 pl-3.25">
        <h3 class="text-[1rem]">{words.compareTitle}</h3>
        <Changes changes={compared} most={40} />
      </div>
    {/if}
  </div>
</li>

<style>
  li.now {
    border-left-color: var(--ink);
    background: var(--sheet);
  }
</style>
