<script lang="ts">
  import { Checkbox } from 'flowbite-svelte';
  import type { Caution } from '$lib/core/safety';
  import { cautionWords } from '$lib/words';
  import { getBench } from '../context';
  import { text } from '$lib/words/en/screens';

  let { cautions, label }: { cautions: readonly Caution[]; label: string } = $props();
  const { session } = getBench();

  /** Red ones are confirmed once per machine; the build remembers it. */
  const key = (caution: Caution) => `caution:${caution.id}`;
  const confirmed = (caution: Caution) => session.build.acknowledged.includes(key(caution));
  function confirm(caution: Caution) {
    const others = session.build.acknowledged.filter((a) => a !== key(caution));
    const acknowledged = confirmed(caution) ? others : [...others, key(caution)];
    session.change({ ...session.build, acknowledged }, text.log.did.caution);
  }
</script>

<section class="my-3.25 py-1.5 px-3.25 border-2 border-ink" aria-label={label}>
  {#each cautions as caution (caution.id)}
    <div class={caution.level}>
      <span class="sign flex-[0_0_1.6rem] font-[900] text-head" aria-hidden="true"
        >{caution.level === 'red' ? '!!' : '!'}</span
      >
      <p class="flex-1 max-md:basis-[70%]">{cautionWords[caution.id]}</p>
      {#if caution.level === 'red'}
        <label class="gap-1.5 flex items-center font-medium whitespace-nowrap cursor-pointer"
          ><Checkbox class="size-4.75!" checked={confirmed(caution)} onchange={() => confirm(caution)} />
          {text.tray.understood}</label
        >
      {/if}
    </div>
  {/each}
</section>

<style>
  div {
    display: flex;
    gap: 0.7rem;
    align-items: flex-start;
    margin: 0.4rem 0;
  }

  .red {
    font-weight: 650;
  }
  .red .sign {
    color: var(--stop);
  }
  @media (width < 48rem) {
    div {
      flex-wrap: wrap;
    }
  }
</style>
