<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { isInHand, withBoot, type BootFiles, type BootPlan } from '$lib/core/boot';
  import type { Kit } from '$lib/core/kit';
  import { becauseWords, driverTitle } from '$lib/words';
  import { getBench } from '../context';
  import { boot as words } from '$lib/words/en/screens/boot';
  import OwnDriver from './OwnDriver.svelte';

  let { kit, plan, files }: { kit: Kit; plan: BootPlan; files: BootFiles } = $props();
  const { session } = getBench();
  const inHand = $derived(session.build.boot?.inHand ?? {});
  const toCopy = $derived(new Set(files.toCopy.map((d) => d.id)));
  const hands = $derived(new Map(files.toCopy.map((d) => [d.id, isInHand(kit, d)])));
  const missing = $derived([...hands.values()].filter((h) => h === false).length);
  const open = $derived([...hands.values()].filter((h) => h === null).length);

  function note(id: string, value: string) {
    const { [id]: _, ...rest } = inHand;
    const next = value === '' ? rest : { ...rest, [id]: value === 'yes' };
    session.change(withBoot(session.build, { inHand: next }), words.handChanged);
  }
</script>

<section>
  <h2 class="mt-4 mb-1.25">{words.drivers}</h2>
  <p class="quiet">{words.driversNote}</p>
  {#if missing}<p class="bad">{words.missing(missing)}</p>{/if}
  {#if open}<p class="ask">{words.open(open)}</p>{/if}
  <ul class="my-1.5">
    {#each plan.wanted as w (w.driver.id)}
      <li class="py-1.25 gap-3.25 border-b border-b-rule flex justify-between items-center">
        <span
          ><b>{driverTitle(w.driver)}</b>
          <small class="block text-quiet"
            >{becauseWords(w.because)} · {words.stays(...w.stay)}, {w.isMeasured
              ? words.measured
              : words.typical}</small
          ></span
        >
        {#if inHand[w.driver.id] === undefined && hands.get(w.driver.id)}<span class="quiet"
            >{words.onDisk}</span
          >
        {:else if toCopy.has(w.driver.id)}
          <span class="flex-[0_0_9rem]"
            ><OneOf
              aria-label={words.handLabel(driverTitle(w.driver))}
              items={[
                { value: '', name: words.hand.unknown },
                { value: 'yes', name: words.hand.yes },
                { value: 'no', name: words.hand.no }
              ]}
              value={inHand[w.driver.id] === undefined ? '' : inHand[w.driver.id] ? 'yes' : 'no'}
              onchange={(e) => note(w.driver.id, e.currentTarget.value)}
            /></span
          >
        {:else}<span class="quiet">{words.ofDos}</span>{/if}
      </li>
    {/each}
  </ul>
  <OwnDriver />
</section>
