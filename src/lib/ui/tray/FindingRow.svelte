<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Finding } from '$lib/core/model';
  import { getBench } from '../context';
  import { severityWord } from '../labels';

  let { finding }: { finding: Finding } = $props();
  const { session } = getBench();
</script>

<article class={finding.severity}>
  <h3><span class="word">{severityWord[finding.severity]}</span> <span>{finding.title}</span></h3>
  <p>{finding.sentence}</p>
  {#if finding.fixes.length || finding.subjects.length}
    <div class="fixes">
      {#each finding.fixes.slice(0, 4) as { label, fix }, i (i)}
        <Button class="act" onclick={() => session.fix(fix, label)}>{label}</Button>
      {/each}
    </div>
    <details><summary>Why</summary><p>{finding.why}</p></details>
  {/if}
</article>

<style>
  article {
    margin-bottom: 0.9rem;
    padding-left: 0.7rem;
    border-left: 4px double var(--ink);
  }
  .stop,
  .clash {
    border-left: 6px solid var(--stop);
  }
  .note {
    border-left: 1px solid var(--rule);
  }
  h3 {
    font-size: 1.05rem;
  }
  .word {
    display: block;
    font-size: 0.8rem;
    font-weight: 650;
    color: var(--quiet);
  }
  .stop .word,
  .clash .word {
    color: var(--stop);
  }
  p {
    margin: 0.15rem 0 0.3rem;
    line-height: 1.35;
  }
  .fixes {
    display: flex;
    flex-wrap: wrap;
    gap: 0.35rem;
  }
  details {
    margin-top: 0.25rem;
    font-size: 0.9rem;
  }
  summary {
    cursor: pointer;
    color: var(--quiet);
  }
</style>
