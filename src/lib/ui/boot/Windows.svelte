<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import {
    installOrder,
    needsDriver,
    systemIni,
    windowsKey,
    windowsLimits,
    withBoot,
    type InstallStep
  } from '$lib/core/boot';
  import { kitOf } from '$lib/core/kit';
  import { allHeld } from '$lib/core/rescue';
  import { installWords, limitWords, restartWords } from '$lib/words';
  import { getBench } from '../context';
  import DataGate from '../start/DataGate.svelte';
  import { boot as words } from '$lib/words/en/screens/boot';

  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const steps = $derived(installOrder(kit));
  const limits = $derived(windowsLimits(kit));
  /** Nothing that writes to a disk is told while its data have no image. */
  const isHeld = $derived(allHeld(session.build).some((h) => !h.wayPast));
  const ini = $derived(systemIni(kit));
  const inHand = $derived(session.build.boot?.inHand ?? {});
  const open = $derived(steps.filter((s) => needsDriver(s) && inHand[windowsKey(s)] !== true).length);
  function note(step: InstallStep, value: string) {
    const { [windowsKey(step)]: _, ...rest } = inHand;
    const next = value === '' ? rest : { ...rest, [windowsKey(step)]: value === 'yes' };
    session.change(withBoot(session.build, { inHand: next }), words.handChanged);
  }
  const sum = $derived(
    steps.reduce<[number, number]>(([a, b], s) => [a + s.restarts[0], b + s.restarts[1]], [0, 0])
  );
</script>

{#if !steps.length}<p>{words.windowsNone}</p>
{:else}
  <p class={open ? 'bad' : 'quiet'}>{words.windowsGate(open)}</p>
  {#each kit.drives.filter((d) => d.part.drive?.medium === 'hard') as d (d.item.id)}
    <DataGate item={d.item.id} title={d.title} />
  {/each}
  {#if !isHeld}
    <h2 class="mt-4 mb-1.25">{words.windowsOrder}</h2>
    <ol class="max-w-224 pl-7.25 list-decimal">
      {#each steps as s (s.what)}
        {@const told = installWords(s)}
        <li class="py-1.25 border-b border-b-rule">
          <b>{told.title}</b>
          <small>{restartWords(s.restarts)}</small>
          <span class="block">{told.how}</span>
          {#if needsDriver(s)}
            {@const hand = inHand[windowsKey(s)]}
            <div class="w-40 mt-0.75">
              <OneOf
                aria-label={words.handLabel(told.title)}
                items={[
                  { value: '', name: words.hand.unknown },
                  { value: 'yes', name: words.hand.yes },
                  { value: 'no', name: words.hand.no }
                ]}
                value={hand === undefined ? '' : hand ? 'yes' : 'no'}
                onchange={(e) => note(s, e.currentTarget.value)}
              />
            </div>
          {/if}
        </li>
      {/each}
    </ol>
  {/if}
  <p>{words.windowsSum(...sum)}</p>
  <h2 class="mt-4 mb-1.25">{words.windowsLimits}</h2>
  {#each limits as l (l.what)}<p class="bad">{limitWords(l)}</p>{:else}<p>{words.windowsNoLimits}</p>{/each}
  <p class="quiet">{words.windowsNeeds}</p>
  {#if ini.length}
    <h2 class="mt-4 mb-1.25">{words.ini}</h2>
    <pre class="py-2.5 px-3.25 border-[1.5px] border-ink bg-sheet font-mono">{ini.join('\n')}</pre>
  {/if}
{/if}

<style>
  small,
  .quiet {
    color: var(--quiet);
  }
</style>
