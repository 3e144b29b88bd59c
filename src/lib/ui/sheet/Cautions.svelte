<script lang="ts">
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

<section aria-label={label}>
  {#each cautions as caution (caution.id)}
    <div class={caution.level}>
      <span class="sign" aria-hidden="true">{caution.level === 'red' ? '!!' : '!'}</span>
      <p>{cautionWords[caution.id]}</p>
      {#if caution.level === 'red'}
        <label
          ><input type="checkbox" checked={confirmed(caution)} onchange={() => confirm(caution)} />
          {text.tray.understood}</label
        >
      {/if}
    </div>
  {/each}
</section>

<style>
  section {
    margin: 0.8rem 0;
    padding: 0.4rem 0.8rem;
    border: 2px solid var(--ink);
  }
  div {
    display: flex;
    gap: 0.7rem;
    align-items: flex-start;
    margin: 0.4rem 0;
  }
  p {
    flex: 1;
    margin: 0;
  }
  .sign {
    flex: 0 0 1.6rem;
    font-weight: 900;
    font-size: 1.2rem;
  }
  .red {
    font-weight: 650;
  }
  .red .sign {
    color: var(--stop);
  }
  label {
    display: flex;
    gap: 0.4rem;
    align-items: center;
    font-weight: 500;
    white-space: nowrap;
    cursor: pointer;
  }
  input {
    width: 1.2rem;
    height: 1.2rem;
  }
  @media (max-width: 600px) {
    div {
      flex-wrap: wrap;
    }
    p {
      flex-basis: 70%;
    }
  }
</style>
