<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Input, Button } from 'flowbite-svelte';
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

<h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.tries}</h2>
<ul class="my-0.75">
  {#each tries as t (`${t.at} ${t.cylinders}`)}<li
      class="py-0.75 gap-2.75 border-b border-b-rule flex items-baseline"
    >
      <code class="min-w-16 text-right font-bold text-large font-mono leading-[1.25]">{t.cylinders}</code>
      {#if t.heads && t.sectors}<span class="quiet">× {t.heads} × {t.sectors}</span>{/if}
      <span class:bad={t.result !== 'started'}>{words.results[t.result]}</span>
      <time class="text-quiet" datetime={t.at}
        >{t.where === session.build.name ? '' : `${words.madeWhere} ${t.where}, `}{timeText(t.at)}</time
      >
      <Button
        class="cross ml-auto"
        onclick={() =>
          save(
            (old) => ({ ...old, tries: old.tries.filter((x) => x.at !== t.at) }),
            words.removeTry(t.cylinders)
          )}
        aria-label={words.removeTry(t.cylinders)}>×</Button
      >
    </li>{/each}
  <li class="next py-0.75 gap-2.75 border-b border-b-rule flex items-baseline">
    <code class="min-w-16 text-right font-bold text-large font-mono leading-[1.25]"
      >{next.cylinders ?? ''}</code
    >
    <span><b>{words.next}:</b> {geometryReasonWords(next.why)}</span>
  </li>
</ul>
<form class="inline-form" onsubmit={addTry}>
  <Input
    bind:value={cylinders}
    aria-label={words.cylinders}
    placeholder={next.cylinders === null ? words.cylinders : String(next.cylinders)}
    inputmode="numeric"
    maxlength={7}
  />
  <OneOf bind:value={result} aria-label={words.result}
    >{#each Object.entries(words.results) as [id, label] (id)}<option value={id}>{label}</option
      >{/each}</OneOf
  >
  <Button type="submit" class="act">{words.addTry}</Button>
</form>
{#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}

<style>
  .bad {
    color: var(--stop);
    font-weight: 800;
  }
</style>
