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
  <section class:best={i === 0}>
    <h2>{words.way1(i + 1)}</h2>
    {#if route.missing.length}<p class="lacks">
        {words.lacks}
        {route.missing.map(neededWords).join('; ')}
      </p>{/if}
    <ol>
      {#each route.links as link, n (n)}
        <li>
          <b>{stepWords(link.step)}</b>
          <span class="needs"
            >{#each link.needs as need, j (j)}<span class={need.where}
                >{neededWords(need.what)}: {words.has[need.where]}</span
              >{/each}</span
          >
          {#if link.cautions.length}<em>{link.cautions.map(linkCautionWords).join(' ')}</em>{/if}
        </li>
      {/each}
    </ol>
  </section>
{:else}<p>{words.noWay}</p>{/each}

<style>
  section {
    margin: 0.6rem 0;
    padding: 0.5rem 0.8rem;
    border-left: 3px solid var(--rule);
  }
  .best {
    background: var(--sheet);
    border-left: 8px solid var(--yellow);
  }
  h2 {
    font-size: 1.1rem;
  }
  ol {
    margin: 0.2rem 0 0;
    padding-left: 1.4rem;
    list-style: decimal;
  }
  li {
    margin-bottom: 0.4rem;
  }
  .needs {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
    color: var(--quiet);
    font-size: 0.92rem;
  }
  .missing,
  .lacks {
    color: var(--stop);
    font-weight: 650;
  }
  .shelf {
    color: var(--ink);
  }
  em {
    display: block;
    font-style: normal;
    font-size: 0.92rem;
  }
</style>
