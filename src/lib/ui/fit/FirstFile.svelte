<script lang="ts">
  import { kitOf } from '$lib/core/kit';
  import { partSet, type Build, type Part, type ShelfView } from '$lib/core/model';
  import { routesIn, type Helper } from '$lib/core/route-in';
  import { linkCautionWords, neededWords, stepWords } from '$lib/words';
  import { getBench } from '../context';
  import { fit as fitText } from '$lib/words/en/screens/fit';

  interface Props {
    shelf: readonly ShelfView[];
    parts: readonly Part[];
    helpers: readonly { build: Build; parts: Part[] }[];
  }
  let { shelf, parts, helpers }: Props = $props();
  const words = fitText;
  const { session } = getBench();
  const known = $derived(partSet(parts));
  const lying = $derived(shelf.filter((v) => v.lentTo === null).flatMap((v) => known.get(v.item.part) ?? []));
  const ready = $derived(
    helpers.map((h): Helper => ({ name: h.build.name, kit: kitOf(h.build, partSet(h.parts)) }))
  );
  const routes = $derived(routesIn(kitOf(session.build, session.parts, session.machine), lying, ready));
</script>

<p class="lead">{words.firstLead}</p>
{#each routes as route, i (route.id)}
  <section class="my-2.5 py-2 px-3.25 border-l-3 border-l-rule" class:best={i === 0}>
    <h2>{words.way1(i + 1)}</h2>
    {#if route.missing.length}<p class="lacks">
        {words.lacks}
        {route.missing.map(neededWords).join('; ')}
      </p>{/if}
    <ol class="mt-0.75 pl-5.5 list-decimal">
      {#each route.links as link, n (n)}
        <li class="mb-1.5">
          <b>{stepWords(link.step)}</b>
          <span class="needs flex flex-wrap gap-y-0 gap-x-4 text-quiet text-small"
            >{#each link.needs as need, j (j)}<span class={need.where}
                >{neededWords(need.what)}: {words.has[need.where]}</span
              >{/each}</span
          >
          {#if link.cautions.length}<em class="block not-italic text-small"
              >{link.cautions.map(linkCautionWords).join(' ')}</em
            >{/if}
        </li>
      {/each}
    </ol>
  </section>
{:else}<p>{words.noWay}</p>{/each}

<style>
  .best {
    background: var(--sheet);
    border-left: 8px solid var(--yellow);
  }

  .missing,
  .lacks {
    color: var(--stop);
    font-weight: 650;
  }
  .shelf {
    color: var(--ink);
  }
</style>
