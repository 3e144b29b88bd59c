<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import { Button } from 'flowbite-svelte';
  import { builds as buildsText } from '$lib/words/en/screens/builds';

  interface Props {
    builds: { id: string; name: string; deleted: string | null; board: string }[];
    putBack: (id: string) => void;
    remove: (id: string) => void;
  }
  let { builds, putBack, remove }: Props = $props();
  const words = buildsText;
  /** The build of which it is asked whether it shall go for good. */
  let asked = $state('');
</script>

<Fold class="mt-8" title={words.bin(builds.length)} headClass="text-large">
  <ul class="border-t border-t-rule">
    {#each builds as { id, name, board } (id)}
      <li class="py-2 px-1.5 gap-2 border-b border-b-rule flex flex-wrap items-center">
        <span class="what flex-[1_1_14rem] text-quiet"><b class="text-head text-ink">{name}</b> {board}</span>
        {#if asked === id}
          <span class="ask font-[650] text-stop" role="alert">{words.removeAsk(name)}</span>
          <Button
            class="act"
            onclick={() => {
              asked = '';
              remove(id);
            }}
            aria-label={words.removeLabel(name)}>{words.remove}</Button
          >
          <Button class="act" onclick={() => (asked = '')}>{words.keep}</Button>
        {:else}
          <Button class="act" onclick={() => putBack(id)} aria-label={words.putBackLabel(name)}
            >{words.putBack}</Button
          >
          <Button class="act" onclick={() => (asked = id)} aria-label={words.removeLabel(name)}
            >{words.remove}</Button
          >
        {/if}
      </li>
    {/each}
  </ul>
</Fold>
