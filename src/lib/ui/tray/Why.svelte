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

<section class="p-2.75 border-2 border-ink mb-4 bg-paper" aria-label={text.tray.why} aria-live="polite">
  <h2>{text.tray.whyTitle(target.card, target.block, target.to)}</h2>
  {#each why.reasons as reason, i (i)}<p class="my-1.25">{explainWords(reason)}</p>{/each}
  {#if why.verdict === 'taken'}
    <p class="my-1.25">{text.tray.after(why.moves?.length)}</p>
    <ul class="mt-0.75 mb-2.5 pl-5.25 list-[square]">
      {#each why.moves ?? [] as move (move.item + move.setting)}{@const m = moveText(session.machine, move)}
        <li>{m.card} {m.block}: {m.from} → {m.to}</li>{/each}
    </ul>
  {:else if why.verdict === 'impossible'}
    <p class="my-1.25">{text.tray.whereverTheyGo}</p>
    <ul class="mt-0.75 mb-2.5 pl-5.25 list-[square]">
      {#each why.core ?? [] as member (member.item + member.function)}<li>
          {name(member.item, member.function)}
        </li>{/each}
    </ul>
  {/if}
  <Button class="act" onclick={() => planner.close()}>{text.close}<kbd>{text.tray.escape}</kbd></Button>
</section>
