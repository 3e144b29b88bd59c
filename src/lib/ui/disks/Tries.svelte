<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { KitDisk } from '$lib/core/disks';
  import type { DiskRecord } from '$lib/core/model';
  import { geometryReasonWords } from '$lib/words';
  import { nextGeometry, safeCylinders, type DriveSize, type SetupFacts } from '$lib/core/storage';
  import { getBench } from '../context';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import { timeText } from '../time';
  import { keepMedium, wholeNumber } from './record';

  let { disk, size, facts }: { disk: KitDisk; size: DriveSize; facts: SetupFacts } = $props();
  const words = disksText;
  const { session } = getBench();
  const tries = $derived(disk.drive.item.disk?.tries ?? []);
  const next = $derived(nextGeometry(tries, size.physical.cylinders, safeCylinders(size, facts, disk.dos)));
  const save = (to: (old: DiskRecord) => DiskRecord, note: string) =>
    keepMedium(session, disk.drive.item, to, note);

  let cylinders = $state('');
  let result = $state<DiskRecord['tries'][number]['result']>('started');
  let trouble = $state('');
  function addTry(event: SubmitEvent) {
    event.preventDefault();
    const count = cylinders.trim() ? wholeNumber(cylinders, 65_536) : next.cylinders;
    trouble = count === null ? words.badNumber(words.cylinders, 65_536) : '';
    if (count === null) return;
    // Heads and sectors as they are typed now, else as the drive says.
    const { heads, sectors } = disk.drive.item.disk?.setup ?? size.physical;
    const one = {
      at: new Date().toISOString(),
      where: session.build.name,
      cylinders: count,
      heads,
      sectors,
      result
    };
    save((old) => ({ ...old, tries: [...old.tries, one].slice(-100) }), words.didTry(count));
    cylinders = '';
  }
</script>

<h2>{words.tries}</h2>
<ul>
  {#each tries as t (`${t.at} ${t.cylinders}`)}<li>
      <code>{t.cylinders}</code>
      {#if t.heads && t.sectors}<span class="quiet">× {t.heads} × {t.sectors}</span>{/if}
      <span class:bad={t.result !== 'started'}>{words.results[t.result]}</span>
      <time datetime={t.at}
        >{t.where === session.build.name ? '' : `${words.madeWhere} ${t.where}, `}{timeText(t.at)}</time
      >
      <button
        onclick={() =>
          save(
            (old) => ({ ...old, tries: old.tries.filter((x) => x.at !== t.at) }),
            words.removeTry(t.cylinders)
          )}
        aria-label={words.removeTry(t.cylinders)}>×</button
      >
    </li>{/each}
  <li class="next">
    <code>{next.cylinders ?? ''}</code>
    <span><b>{words.next}:</b> {geometryReasonWords(next.why)}</span>
  </li>
</ul>
<form class="inline-form" onsubmit={addTry}>
  <input
    bind:value={cylinders}
    aria-label={words.cylinders}
    placeholder={next.cylinders === null ? words.cylinders : String(next.cylinders)}
    inputmode="numeric"
    maxlength="7"
  />
  <select bind:value={result} aria-label={words.result}
    >{#each Object.entries(words.results) as [id, label] (id)}<option value={id}>{label}</option
      >{/each}</select
  >
  <Button type="submit" class="act">{words.addTry}</Button>
</form>
{#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}

<style>
  h2 {
    margin: 0.9rem 0 0.3rem;
    border-bottom: 2px solid var(--ink);
    font-size: 1.05rem;
  }
  ul {
    margin: 0.2rem 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    gap: 0.7rem;
    align-items: baseline;
    padding: 0.2rem 0;
    border-bottom: 1px solid var(--rule);
  }
  code {
    min-width: 4rem;
    text-align: right;
    font: 700 1.05rem var(--font-mono);
  }
  .quiet,
  time {
    color: var(--quiet);
  }
  li button {
    min-width: 1.9rem;
    min-height: 1.9rem;
    margin-left: auto;
    border: 0;
    background: none;
    color: var(--quiet);
    font-size: 1.1rem;
    cursor: pointer;
  }
  .bad {
    color: var(--stop);
    font-weight: 800;
  }
</style>
