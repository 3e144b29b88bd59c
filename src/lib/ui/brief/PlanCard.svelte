<script lang="ts">
  import Fold from '../kit/Fold.svelte';
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

<article class="px-3.5 border-[1.5px] border-rule pt-2.75 pb-3.5 bg-sheet min-w-0" class:first={index === 0}>
  <header>
    <h3 class="text-large">{index === 0 ? words.best : words.other(index)}</h3>
    {#if differs.length}<p class="why text-quiet text-small">{words.differs(differs.join(', '))}</p>{/if}
    {#if best.length}<p class="why text-quiet text-small">{best.map((s) => words.why[s]).join(', ')}</p>{/if}
  </header>
  <p class="mt-0.75 mb-1.5 text-head"><b>{words.runs(plan.met.length, programs)}</b></p>
  <dl class="sides flex flex-wrap gap-y-0.75 gap-x-4 mb-2">
    {#each ['cost', 'bought', 'years', 'slots', 'cautions'] as const as side (side)}
      <div class="flex flex-col-reverse">
        <dt class="text-quiet text-tiny">{words.sides[side]}</dt>
        <dd class="font-bold text-large font-mono leading-[1.25]">{plan.criteria[side]}</dd>
      </div>
    {/each}
  </dl>
  <dl class="parts grid grid-cols-[7.6rem_minmax(0,1fr)] gap-y-0.5 gap-x-2.5 text-small">
    {#each roles as role (role)}
      {@const list = plan.chosen.filter((c) => c.role === role)}
      {#if list.length}
        <dt class="text-quiet not-italic">{words.roles[role]}</dt>
        <dd class="flex flex-wrap gap-y-0 gap-x-2.75">
          {#each list as c (c.part)}
            {@const part = partOf(c.part)}
            <span class="part"
              ><b>{c.count > 1 ? `${c.count} × ` : ''}{part?.name ?? c.part}</b>
              {#if part}<i class="text-quiet not-italic">{whatWords(whatOf(part))}</i>{/if}
              {#if c.onShelf >= c.count}<em class="px-1.25 border border-ink not-italic text-small text-ink"
                  >{words.onShelf}</em
                >{:else}<em class="text-quiet not-italic text-small">{words.buy(c.cost)}</em>{/if}</span
            >
          {/each}
        </dd>
      {/if}
    {/each}
  </dl>
  <Fold class="mt-2" title={words.sundries(plan.sundries.length)}>
    <ul class="mt-0.75 pl-4.5 text-small list-[square]">
      {#each plan.sundries.map(sundryWords) as line, i (i)}<li>{line}</li>{/each}
    </ul>
    <p class="why text-quiet text-small">{words.sundriesNote}</p>
  </Fold>
  {#if given.length}
    <Fold class="mt-2" open={index === 0} title={words.gaveUp}>
      <ul class="mt-0.75 pl-4.5 text-small list-[square]">
        {#each given as g (g.profile)}<li><b>{nameOf(g.profile)}</b> {tell(g.finding).sentence}</li>{/each}
      </ul>
    </Fold>
  {/if}
  <p class="my-1.5 text-quiet text-small">{words.moves(plan.moves)}</p>
  <Button class={main ? 'act main' : 'act'} onclick={take}>{takeLabel}</Button>
</article>

<style>
  .first {
    border: 2px solid var(--ink);
  }

  li + li {
    margin-top: 0.15rem;
  }
</style>
