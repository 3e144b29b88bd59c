<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { heldBack, rescueOf, withRescue } from '$lib/core/rescue';
  import { heldWords } from '$lib/words';
  import { getBench } from '../context';
  import { rescue as words } from '$lib/words/en/screens/rescue';
  import { timeText } from '../time';

  interface Props {
    item: string;
    title: string;
    /** Also ask where nobody said what is on it. */
    asks?: boolean;
    /** The page where it is imaged is open. */
    isHere?: boolean;
  }
  let { item, title, asks = false, isHere = false }: Props = $props();
  const { session } = getBench();
  const held = $derived(heldBack(session.build, item));
  const isUnsaid = $derived(asks && rescueOf(session.build, item).unique === undefined);
  let isOpen = $state(false);
  let by = $state('');
  let why = $state('');

  function sign(event: SubmitEvent) {
    event.preventDefault();
    if (!by.trim() || !why.trim()) return;
    const wayPast = { at: new Date().toISOString(), by: by.trim(), why: why.trim() };
    session.change(withRescue(session.build, item, { wayPast }), words.changed);
    isOpen = false;
  }
  const takeBack = () =>
    session.change(withRescue(session.build, item, { wayPast: undefined }), words.changed);
  const say = (unique: 'yes' | 'no') =>
    session.change(withRescue(session.build, item, { unique }), words.changed);
</script>

{#if held}
  <section
    class="my-3.25 py-2 px-3.25 border-l-8 border-l-stop bg-sheet"
    class:signed={held.wayPast}
    role="alert"
  >
    <h3>{words.held}</h3>
    <p>{heldWords(held, title)}</p>
    {#if held.wayPast}
      <p>{words.signed(held.wayPast.by, timeText(held.wayPast.at), held.wayPast.why)}</p>
      <Button class="act" onclick={takeBack}>{words.takeBack}</Button>
    {:else}
      {#if !isHere}<p>
          <a
            class="py-1.25 inline-block font-[650] underline"
            href="/builds/{session.build.id}/start?view=rescue">{words.toRescue}</a
          >
        </p>{/if}
      {#if isOpen}
        <form class="gap-2 flex flex-wrap items-end" onsubmit={sign}>
          <div>
            <Label for="sign-by">{words.by}</Label><Input
              id="sign-by"
              bind:value={by}
              maxlength={80}
              required
            />
          </div>
          <div>
            <Label for="sign-why">{words.why}</Label><Input
              id="sign-why"
              bind:value={why}
              maxlength={300}
              required
            />
          </div>
          <Button type="submit" class="act">{words.sign}</Button>
        </form>
      {:else}<Button class="act" onclick={() => (isOpen = true)}>{words.goOn}</Button>{/if}
    {/if}
  </section>
{:else if isUnsaid}
  <section class="asks my-3.25 py-2 px-3.25 border-l-8 border-l-stop bg-sheet">
    <p>{words.unsaid(title)}</p>
    <p class="gap-2 flex flex-wrap items-end">
      <Button class="act" onclick={() => say('yes')}>{words.uniques.yes}</Button>
      <Button class="act" onclick={() => say('no')}>{words.uniques.no}</Button>
    </p>
  </section>
{/if}

<style>
  .signed,
  .asks {
    border-left-color: var(--ink);
  }

  p {
    margin: 0.3rem 0;
  }
</style>
