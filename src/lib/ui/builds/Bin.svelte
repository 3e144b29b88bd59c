<script lang="ts">
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

<details>
  <summary>{words.bin(builds.length)}</summary>
  <ul>
    {#each builds as { id, name, board } (id)}
      <li>
        <span class="what"><b>{name}</b> {board}</span>
        {#if asked === id}
          <span class="ask" role="alert">{words.removeAsk(name)}</span>
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
</details>

<style>
  details {
    margin-top: 2rem;
  }
  summary {
    padding: 0.5rem 0;
    font-size: 1.1rem;
    font-weight: 650;
    cursor: pointer;
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
    border-top: 1px solid var(--rule);
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
    padding: 0.5rem 0.4rem;
    border-bottom: 1px solid var(--rule);
  }
  .what {
    flex: 1 1 14rem;
    color: var(--quiet);
  }
  .what b {
    font-size: 1.2rem;
    color: var(--ink);
  }
  .ask {
    font-weight: 650;
    color: var(--stop);
  }
</style>
