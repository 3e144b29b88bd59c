<script lang="ts">
  import { Button, Checkbox, Table } from 'flowbite-svelte';
  import { shownMemory } from '$lib/core/boards';
  import {
    conditionalRuns,
    frameStarts,
    memoryMap,
    memoryNeeds,
    paragraphRange,
    providerOf,
    seenExtended,
    upperPlan,
    withBoot,
    type Maybe,
    type UpperPlan
  } from '$lib/core/boot';
  import { kitOf, totalKiB } from '$lib/core/kit';
  import { systemOf } from '$lib/core/software';
  import { BootPlanner } from '$lib/ui/boot/planner.svelte';
  import Planning from '$lib/ui/boot/Planning.svelte';
  import { getBench } from '$lib/ui/context';
  import Counted from '$lib/ui/memory/Counted.svelte';
  import Variants from '$lib/ui/memory/Variants.svelte';
  import MegabyteMap from '$lib/ui/memory/MegabyteMap.svelte';
  import { memoryMap as words } from '$lib/words/en/screens/memory-map';
  import { maybeWords, useWords, wayOverWords } from '$lib/words';

  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const total = $derived(totalKiB(kit));
  const map = $derived(memoryMap(kit, total));
  const provider = $derived(providerOf(kit));
  const free = $derived(session.build.boot?.free ?? []);
  const wished = $derived(session.build.boot?.frame);
  const isMapped = $derived(provider === 'manager' && !map.hidden.length);
  const withFrame = $derived(
    isMapped
      ? (upperPlan(map, { frame: wished ?? 'best', use: free }) ??
          upperPlan(map, { frame: 'best', use: free }))
      : null
  );
  const without = $derived(isMapped ? upperPlan(map, { frame: null, use: free }) : null);
  const places = $derived(
    isMapped ? frameStarts.filter((at) => upperPlan(map, { frame: at, use: free }) !== null) : []
  );
  const maybe = $derived(conditionalRuns(map));
  const open = $derived(maybe.filter((m) => !free.includes(m.why)));
  const shown = $derived(kit.memory && total ? shownMemory(total, kit.memory) : null);
  const planner = new BootPlanner(() => ({ build: session.build, parts: session.partList }));
  const plan = $derived(planner.plan);
  const dos = $derived(systemOf(session.build.brief.os).dos);
  /** A hole matters only where memory lies behind it. */
  const mayHole = $derived(shown !== null && shown.extended > 14 * 1024);
  const managers = $derived(plan === null || typeof plan === 'string' ? [] : plan.managers);
  const sizes = (p: UpperPlan | null) => words.regions((p?.regions ?? []).map((r) => (r.to - r.from) / 1024));
  const figure = (kind: string, of: 'xmsKiB' | 'emsKiB') => {
    if (plan === null) return words.working;
    const n = managers.find((m) => m.kind === kind)?.[of];
    return n ? words.kib(n) : words.none;
  };
  const program = $derived(
    plan === null
      ? words.working
      : typeof plan === 'string' || !plan.starts[0]
        ? words.none
        : words.span(...plan.starts[0].free)
  );
  const titlesOf = (ids: readonly string[]) =>
    ids.map((id) => session.machine.find(id)?.title ?? id).join(', ');

  const needs = $derived(memoryNeeds(kit));

  const setFrame = (frame: number | undefined) =>
    session.change(
      withBoot(session.build, { frame }),
      frame === undefined ? words.frameFree : words.frameMoved
    );
  function setFree(why: Maybe, isFree: boolean) {
    const next = isFree ? [...free, why] : free.filter((f) => f !== why);
    session.change(withBoot(session.build, { free: next }), isFree ? words.freed : words.unfreed);
  }
</script>

<h1>{words.title}</h1>
<p class="mx-0 mt-0 mb-2.5 text-quiet">{words.lead}</p>
<Planning {planner} />
{#if shown}
  <dl class="flex flex-wrap gap-y-1.5 gap-x-8 mb-3.5">
    <div>
      <dt>{words.figures.program}</dt>
      <dd>{program}</dd>
    </div>
    <div>
      <dt>{words.figures.count}</dt>
      <dd>{words.kib(shown.count)}</dd>
    </div>
    <div>
      <dt>{words.figures.extended}</dt>
      <dd>{words.kib(seenExtended(kit, dos, shown.extended))}</dd>
    </div>
    <div>
      <dt>{words.figures.xms}</dt>
      <dd>{figure('xms', 'xmsKiB')}</dd>
    </div>
    <div>
      <dt>{words.figures.ems}</dt>
      <dd>{figure('ems', 'emsKiB')}</dd>
    </div>
  </dl>
{:else}<p class="bad">{words.noMemory}</p>{/if}

<MegabyteMap {map} plan={withFrame ?? without} maybe={open} {places} move={setFrame} />
{#each map.collisions as c (`${c.from}${c.a.item}${c.b.item}${c.a.owner.function}`)}
  <p class="bad" role="alert">
    {words.collision(
      paragraphRange(c),
      c.a.owner.thing?.name ?? c.a.owner.function,
      c.b.owner.thing?.name ?? c.b.owner.function
    )}
  </p>
{/each}

<div class="two gap-8 grid grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)] mt-3.25 max-lg:gap-4 max-lg:grid-cols-1">
  <section>
    {#if map.doubtful.length}<p class="ask my-1.5 mx-0 border-l-6 border-l-ink border-double pl-2.5">
        {words.doubtful(titlesOf(map.doubtful))}
      </p>{/if}
    {#if map.hidden.length}<p class="bad">{words.hidden(titlesOf(map.hidden))}</p>
    {:else if provider === null}<p class="bad">{words.noCpu}</p>
    {:else if provider === 'driver'}<p>{words.notCpu}</p>
    {:else}
      <p><b>{words.withFrame}:</b> {withFrame?.frame ? sizes(withFrame) : words.noFrame}</p>
      <p><b>{words.withoutFrame}:</b> {sizes(without)}</p>
      {#if wished !== undefined}
        <Button class="act" onclick={() => setFrame(undefined)}>{words.frameBest}</Button>
      {/if}
    {/if}
    {#if maybe.length && provider === 'manager'}
      <h2 class="mt-4 mb-1.25">{words.maybeTitle}</h2>
      <ul class="mb-3.25">
        {#each maybe as m (m.why)}
          <li class="gap-0.75 border-l-6 border-l-ink border-double grid pt-1.5 pb-2 pl-2.5 mb-2">
            <b>{maybeWords[m.why].title}</b>
            <span>{maybeWords[m.why].look}</span>
            <Checkbox checked={free.includes(m.why)} onchange={(e) => setFree(m.why, e.currentTarget.checked)}
              >{words.maybeFree}</Checkbox
            >
          </li>
        {/each}
      </ul>
    {/if}
    {#if mayHole}
      <Checkbox
        checked={session.build.boot?.holeMiB !== undefined}
        onchange={(e) =>
          session.change(
            withBoot(session.build, { holeMiB: e.currentTarget.checked ? 15 : undefined }),
            words.holeChanged
          )}>{words.hole}</Checkbox
      >
      {#if session.build.boot?.holeMiB !== undefined && (dos ?? 6) < 7}<p class="bad">{words.holeWhy}</p>{/if}
    {/if}
    {#if kit.memory && total}<Variants {kit} facts={kit.memory} totalKiB={total} />{/if}
    <Counted totalKiB={total} />
  </section>
  <section>
    <Table>
      <caption class="pb-0.75 text-left text-large font-[650]">{words.table.caption}</caption>
      <thead
        ><tr
          ><th class="border-b-[1.5px] border-b-ink text-left" scope="col">{words.table.window}</th><th
            class="border-b-[1.5px] border-b-ink text-left"
            scope="col">{words.table.size}</th
          ><th class="border-b-[1.5px] border-b-ink text-left" scope="col">{words.table.who}</th><th
            class="border-b-[1.5px] border-b-ink text-left"
            scope="col">{words.table.sure}</th
          ></tr
        ></thead
      >
      <tbody>
        {#each map.pieces as p (`${p.from}${p.item}${p.owner.function}`)}
          <tr class:guess={p.sure === 'assumed'}>
            <td class="py-1 border-b border-b-rule pr-2.75 align-top"><code>{paragraphRange(p)}</code></td>
            <td class="py-1 border-b border-b-rule pr-2.75 align-top">{words.size((p.to - p.from) / 1024)}</td
            >
            <td class="py-1 border-b border-b-rule pr-2.75 align-top"
              >{p.owner.thing?.name ?? p.owner.function}
              {#if p.use !== 'bios'}<small class="block text-quiet"
                  >{useWords[p.use]}{p.shadowed ? `, ${words.shadowed}` : ''}</small
                >{/if}</td
            >
            <td class="py-1 border-b border-b-rule pr-2.75 align-top"
              >{p.sure === 'known' ? words.known : words.assumed}</td
            >
          </tr>
        {/each}
      </tbody>
    </Table>
    {#if needs.length}
      <h2 class="mt-4 mb-1.25">{words.needs.title}</h2>
      <ul class="needs mb-3.25">
        {#each needs as n (n.profile.id)}
          <li
            class="gap-0.75 border-b border-b-rule border-l-ink [border-left-style:double] grid pt-1.5 pb-2 mb-2"
          >
            <b>{n.profile.name}</b>
            <span
              >{words.needs.asks(n.needsKiB)}, {n.by === 'xms'
                ? words.needs.xms(n.xmsKiB)
                : n.by === 'bios'
                  ? words.needs.bios(n.extendedKiB)
                  : words.needs.none(n.xmsKiB)}</span
            >
            {#if n.by !== 'xms'}
              <span>{n.ways[0] ? words.needs.cheapest(wayOverWords(n.ways[0])) : words.needs.noWay}</span>
            {/if}
          </li>
        {/each}
      </ul>
    {/if}
  </section>
</div>

<style>
  dt {
    color: var(--quiet);
    font-size: 0.9rem;
  }
  dd {
    margin: 0;
    font-size: 1.3rem;
    font-weight: 700;
  }
  dl div:first-child dd {
    font-size: 1.7rem;
    line-height: 1.15;
  }

  .guess td:last-child {
    font-weight: 650;
  }
</style>
