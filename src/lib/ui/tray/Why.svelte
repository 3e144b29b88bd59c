<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Explanation } from '../../core/solver';
  import { getBench } from '../context';
  import { moveText } from '../labels';
  import { text } from '$lib/words/en/screens';
  import { explainWords } from '$lib/words';

  interface Props {
    why: Explanation;
  }
  let { why }: Props = $props();
  const { session, planner } = getBench();
  const target = $derived(
    moveText(session.machine, { item: why.item, setting: why.setting, from: null, to: why.position })
  );
  const name = (item: string, fn: string) => {
    const fitted = session.machine.find(item);
    return `${fitted?.title ?? item}: ${fitted?.part.functions.find((f) => f.id === fn)?.label ?? fn}`;
  };
</script>

<section aria-label={text.tray.why} aria-live="polite">
  <h2>{text.tray.whyTitle(target.card, target.block, target.to)}</h2>
  {#each why.reasons as reason, i (i)}<p>{explainWords(reason)}</p>{/each}
  {#if why.verdict === 'taken'}
    <p>{text.tray.after(why.moves?.length)}</p>
    <ul>
      {#each why.moves ?? [] as move (move.item + move.setting)}{@const m = moveText(session.machine, move)}
        <li>{m.card} {m.block}: {m.from} → {m.to}</li>{/each}
    </ul>
  {:else if why.verdict === 'impossible'}
    <p>{text.tray.whereverTheyGo}</p>
    <ul>
      {#each why.core ?? [] as member (member.item + member.function)}<li>
          {name(member.item, member.function)}
        </li>{/each}
    </ul>
  {/if}
  <Button class="act" onclick={() => planner.close()}>{text.close}<kbd>{text.tray.escape}</kbd></Button>
</section>

<style>
  section {
    margin-bottom: 1rem;
    padding: 0.7rem;
    border: 2px solid var(--ink);
    background: var(--paper);
  }
  h2 {
    font-size: 1.15rem;
  }
  p {
    margin: 0.3rem 0;
  }
  ul {
    margin: 0.2rem 0 0.6rem;
    padding-left: 1.3rem;
    list-style: square;
  }
</style>
