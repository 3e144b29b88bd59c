<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { thingOf, whatOf, type Part } from '$lib/core/model';
  import { sides, type Plan, type Role } from '$lib/core/planner';
  import { sundryWords, tell, the, whatWords } from '$lib/words';
  import { plan as planText } from '$lib/words/en/screens/brief';

  interface Props {
    plan: Plan;
    index: number;
    all: readonly Plan[];
    partOf: (id: string) => Part | undefined;
    programs: number;
    nameOf: (profile: string) => string;
    take: () => void;
    takeLabel: string;
    main: boolean;
  }
  let { plan, index, all, partOf, programs, nameOf, take, takeLabel, main }: Props = $props();
  const words = planText;
  const roles = Object.keys(words.roles) as Role[];
  /** Sides in which it is the best of all proposed, alone. */
  const best = $derived(
    sides.filter((s) => all.length > 1 && all.every((p) => p === plan || p.criteria[s] > plan.criteria[s]))
  );
  const named = (id: string) => {
    const part = partOf(id);
    return part ? the(thingOf({ part })) : id;
  };
  /** Parts that the first machine has not. */
  const differs = $derived(
    index === 0
      ? []
      : plan.chosen
          .filter((c) => ['base', 'display', 'audio', 'storage'].includes(c.role))
          .filter((c) => !all[0].chosen.some((a) => a.part === c.part))
          .map((c) => named(c.part))
  );
  const given = $derived([...plan.missed, ...plan.rough]);
</script>

<article class:first={index === 0}>
  <header>
    <h3>{index === 0 ? words.best : words.other(index)}</h3>
    {#if differs.length}<p class="why">{words.differs(differs.join(', '))}</p>{/if}
    {#if best.length}<p class="why">{best.map((s) => words.why[s]).join(', ')}</p>{/if}
  </header>
  <p class="big"><b>{words.runs(plan.met.length, programs)}</b></p>
  <dl class="sides">
    {#each ['cost', 'bought', 'years', 'slots', 'cautions'] as const as side (side)}
      <div>
        <dt>{words.sides[side]}</dt>
        <dd>{plan.criteria[side]}</dd>
      </div>
    {/each}
  </dl>
  <dl class="parts">
    {#each roles as role (role)}
      {@const list = plan.chosen.filter((c) => c.role === role)}
      {#if list.length}
        <dt>{words.roles[role]}</dt>
        <dd>
          {#each list as c (c.part)}
            {@const part = partOf(c.part)}
            <span class="part"
              ><b>{c.count > 1 ? `${c.count} × ` : ''}{part?.name ?? c.part}</b>
              {#if part}<i>{whatWords(whatOf(part))}</i>{/if}
              {#if c.onShelf >= c.count}<em class="own">{words.onShelf}</em>{:else}<em>{words.buy(c.cost)}</em
                >{/if}</span
            >
          {/each}
        </dd>
      {/if}
    {/each}
  </dl>
  <details>
    <summary>{words.sundries(plan.sundries.length)}</summary>
    <ul>
      {#each plan.sundries.map(sundryWords) as line, i (i)}<li>{line}</li>{/each}
    </ul>
    <p class="why">{words.sundriesNote}</p>
  </details>
  {#if given.length}
    <details open={index === 0}>
      <summary>{words.gaveUp}</summary>
      <ul>
        {#each given as g (g.profile)}<li><b>{nameOf(g.profile)}</b> {tell(g.finding).sentence}</li>{/each}
      </ul>
    </details>
  {/if}
  <p class="moves">{words.moves(plan.moves)}</p>
  <Button class={main ? 'act main' : 'act'} onclick={take}>{takeLabel}</Button>
</article>

<style>
  article {
    padding: 0.7rem 0.9rem 0.9rem;
    background: var(--sheet);
    border: 1.5px solid var(--rule);
    min-width: 0;
  }
  .first {
    border: 2px solid var(--ink);
  }
  h3 {
    font-size: 1.1rem;
  }
  .why,
  .moves {
    color: var(--quiet);
    font-size: 0.92rem;
  }
  .moves {
    margin: 0.4rem 0;
  }
  .big {
    margin: 0.2rem 0 0.4rem;
    font-size: 1.25rem;
  }
  .sides {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1rem;
    margin: 0 0 0.5rem;
  }
  .sides div {
    display: flex;
    flex-direction: column-reverse;
  }
  .sides dt {
    color: var(--quiet);
    font-size: 0.82rem;
  }
  .sides dd {
    margin: 0;
    font: 700 1.05rem var(--font-mono);
  }
  .parts {
    display: grid;
    grid-template-columns: 7.6rem minmax(0, 1fr);
    gap: 0.15rem 0.6rem;
    margin: 0;
    font-size: 0.95rem;
  }
  .parts dt,
  .parts i {
    color: var(--quiet);
    font-style: normal;
  }
  .parts dd {
    margin: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.7rem;
  }
  em {
    color: var(--quiet);
    font-style: normal;
    font-size: 0.85rem;
  }
  .own {
    padding: 0 0.3rem;
    border: 1px solid var(--ink);
    color: var(--ink);
  }
  details {
    margin-top: 0.5rem;
  }
  ul {
    margin: 0.2rem 0 0;
    padding-left: 1.1rem;
    font-size: 0.92rem;
    list-style: square;
  }
  li + li {
    margin-top: 0.15rem;
  }
</style>
