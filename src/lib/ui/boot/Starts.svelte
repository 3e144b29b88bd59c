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
  <p class="sum">{words.noReady}</p>
  <p class="bad">{noPlanWords[plan]}</p>
{:else if plan && files}
  {@const unserved = plan.programs.filter((p) => p.verdict !== 'fits' && p.verdict !== 'windows')}
  <p class="sum">
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
  <ol>
    {#each plan.starts as s, i (s.configuration.id)}
      <li>
        <p class="name">
          <b>{files.names[i]}</b>
          {startLabel(s)} <small>{managerWords[s.manager.kind]}</small>
        </p>
        <p class="figure">{words.free(...s.free)}</p>
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
  <div class="two">
    <section>
      <h2>{words.serves}</h2>
      <ul class="programs">
        {#each plan.programs as p (p.id)}
          {@const start = plan.starts.findIndex((s) => s.configuration.id === p.start)}
          <li class:no={p.verdict === 'no'}>
            <b>{p.name}</b>
            <span>{words.needs(p.baseKiB)}</span>
            <strong>{words.verdicts[p.verdict]}{start >= 0 ? ` (${files.names[start]})` : ''}</strong>
            {#if lacks(p)}<small>{lacks(p)}</small>{/if}
          </li>
        {/each}
      </ul>
      <Wishes {kit} />
    </section>
    <Drivers {kit} {plan} {files} />
  </div>
  {#if plan.refused.length}
    <h2>{words.refused}</h2>
    {#each plan.refused as r (r.driver.id)}<p class="bad">{refusedWords(r)}</p>{/each}
  {/if}
  <Files {files} dos={plan.dos} />
  {#if ini.length}
    <h2>{words.ini}</h2>
    <pre>{ini.join('\n')}</pre>
  {/if}
{/if}

<style>
  .sum {
    font-size: 1.5rem;
    font-weight: 700;
    line-height: 1.2;
  }
  h2 {
    margin: 1rem 0 0.3rem;
    font-size: 1.1rem;
  }
  ol,
  ul {
    margin: 0.6rem 0;
    padding: 0;
    list-style: none;
  }
  ol {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
    gap: 0.8rem;
  }
  ol li {
    padding: 0.5rem 0.8rem;
    background: var(--sheet);
    border: 1.5px solid var(--ink);
    border-left: 12px solid var(--yellow);
  }
  .name b {
    font-family: var(--font-mono);
  }
  .figure {
    font-size: 1.2rem;
    font-weight: 700;
  }
  small {
    color: var(--quiet);
  }
  .two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 2rem;
  }
  .programs li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 1rem;
    padding: 0.25rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .programs li span {
    grid-row: 2;
    color: var(--quiet);
  }
  .programs li small {
    grid-column: 1 / -1;
  }
  .no strong {
    color: var(--stop);
  }
  pre {
    padding: 0.6rem 0.8rem;
    background: var(--sheet);
    border: 1.5px solid var(--ink);
    font-family: var(--font-mono);
    overflow-x: auto;
  }
  @media (max-width: 900px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
      gap: 0.6rem;
    }
  }
</style>
