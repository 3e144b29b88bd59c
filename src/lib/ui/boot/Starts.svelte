<script lang="ts">
  import { systemIni, writeFiles, type ProgramVerdict } from '$lib/core/boot';
  import { kitOf } from '$lib/core/kit';
  import { registry } from '$lib/core/rules';
  import { groupWords, managerWords, noPlanWords, refusedWords, startLabel } from '$lib/words';
  import { getBench } from '../context';
  import { boot as words } from '$lib/words/en/screens/boot';
  import Drivers from './Drivers.svelte';
  import Files from './Files.svelte';
  import { BootPlanner } from './planner.svelte';
  import Planning from './Planning.svelte';
  import Wishes from './Wishes.svelte';

  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const planner = new BootPlanner(() => ({ build: session.build, parts: session.partList }));
  const plan = $derived(planner.plan);
  const files = $derived(
    plan === null || typeof plan === 'string' ? null : writeFiles(kit, plan, startLabel)
  );
  const ini = $derived(systemIni(kit));
  const names = $derived(new Map(session.build.brief.profiles.map((p) => [p.id, p.name])));
  const clashes = $derived(
    session.findings.some((f) => registry[f.rule].place.stage === 'lines' && f.severity === 'clash')
  );
  function lacks({ lacks: l }: ProgramVerdict): string {
    if (!l) return '';
    return [
      l.missing.length ? words.lacks.missing(l.missing.map((m) => groupWords[m] ?? m).join(', ')) : '',
      l.v86 ? words.lacks.v86 : '',
      l.emsKiB ? words.lacks.ems(l.emsKiB) : '',
      l.xmsKiB ? words.lacks.xms(l.xmsKiB) : '',
      l.baseKiB ? words.lacks.base(l.baseKiB) : ''
    ]
      .filter(Boolean)
      .join(', ');
  }
</script>

<Planning {planner} />
{#if typeof plan === 'string'}
  <p class="sum text-big font-bold leading-[1.2]">{words.noReady}</p>
  <p class="bad">{noPlanWords[plan]}</p>
{:else if plan && files}
  {@const unserved = plan.programs.filter((p) => p.verdict !== 'fits' && p.verdict !== 'windows')}
  <p class="sum text-big font-bold leading-[1.2]">
    {plan.starts.length > 1
      ? words.many(plan.starts.length)
      : !plan.programs.length
        ? words.noPrograms
        : unserved.length
          ? words.oneOpen
          : words.one}
  </p>
  {#if plan.starts.length > 1 && plan.answer.clique.length > 1}
    <p>{words.why(plan.answer.clique.flatMap((id) => names.get(id) ?? []).join(', '))}</p>
  {/if}
  {#each plan.droppable as id (id)}<p>{words.droppable(names.get(id) ?? id)}</p>{/each}
  {#if plan.answer.isCut}<p class="bad">{words.cut}</p>{/if}
  {#if clashes}<p class="bad" role="alert">{words.clash}</p>{/if}
  <ol class="my-2.5 gap-3.25 grid grid-cols-[repeat(auto-fit,minmax(17rem,1fr))]">
    {#each plan.starts as s, i (s.configuration.id)}
      <li class="py-2 px-3.25 border-[1.5px] border-l-12 border-ink border-l-yellow bg-sheet">
        <p class="name">
          <b class="font-mono">{files.names[i]}</b>
          {startLabel(s)} <small class="text-quiet">{managerWords[s.manager.kind]}</small>
        </p>
        <p class="text-head font-bold">{words.free(...s.free)}</p>
        <p>
          {[
            s.configuration.xmsKiB ? words.xms(s.configuration.xmsKiB) : '',
            s.configuration.emsKiB ? words.ems(s.configuration.emsKiB) : '',
            s.configuration.onePool ? words.onePool : '',
            s.byDosKiB !== null ? words.byDos(s.byDosKiB) : ''
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
      </li>
    {/each}
  </ol>
  <div class="two gap-8 grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-lg:gap-2.5 max-lg:grid-cols-1">
    <section>
      <h2 class="mt-4 mb-1.25">{words.serves}</h2>
      <ul class="my-2.5">
        {#each plan.programs as p (p.id)}
          {@const start = plan.starts.findIndex((s) => s.configuration.id === p.start)}
          <li
            class="py-1 border-b border-b-rule grid grid-cols-[minmax(0,1fr)_auto] gap-y-0 gap-x-4"
            class:no={p.verdict === 'no'}
          >
            <b>{p.name}</b>
            <span class="row-2 text-quiet">{words.needs(p.baseKiB)}</span>
            <strong>{words.verdicts[p.verdict]}{start >= 0 ? ` (${files.names[start]})` : ''}</strong>
            {#if lacks(p)}<small class="text-quiet col-span-full">{lacks(p)}</small>{/if}
          </li>
        {/each}
      </ul>
      <Wishes {kit} />
    </section>
    <Drivers {kit} {plan} {files} />
  </div>
  {#if plan.refused.length}
    <h2 class="mt-4 mb-1.25">{words.refused}</h2>
    {#each plan.refused as r (r.driver.id)}<p class="bad">{refusedWords(r)}</p>{/each}
  {/if}
  <Files {files} dos={plan.dos} />
  {#if ini.length}
    <h2 class="mt-4 mb-1.25">{words.ini}</h2>
    <pre class="py-2.5 px-3.25 border-[1.5px] border-ink bg-sheet font-mono overflow-x-auto">{ini.join(
        '\n'
      )}</pre>
  {/if}
{/if}

<style>
  .no strong {
    color: var(--stop);
  }
</style>
