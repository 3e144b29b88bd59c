<script lang="ts">
  import { consequenceOf, factGroupWords, reasonsOf, wantedWords, actionWords } from '$lib/words';
  import { byId } from '../../core/model';
  import { Checkbox, Button, Table } from 'flowbite-svelte';
  import { kitOf } from '$lib/core/kit';
  import { sameJson } from '$lib/core/model';
  import {
    byFact,
    clearTicks,
    differences,
    required,
    settle,
    tickSetting,
    untick,
    type Difference,
    type FactGroup
  } from '$lib/core/settings';
  import { getBench } from '../context';
  import { switches as words } from '$lib/words/en/screens/switches';
  import { timeText } from '../time';

  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const asked = $derived(required(kit));
  const list = $derived(differences(session.build, session.parts, kit));
  const settled = $derived(settle(session.build, asked));
  const changed = $derived(
    [session.build.board, ...session.build.items].reduce((n, item) => {
      const next = byId([settled.board, ...settled.items], item.id);
      return n + Object.entries(next.chosen).filter(([s, p]) => item.chosen[s] !== p).length;
    }, 0)
  );
  const groups = $derived(byFact(asked));
  /** Something says where a setting should be: the build, or a plan. */
  const isCompared = $derived(
    asked.some((r) => r.position !== null) ||
      [session.build.board, ...session.build.items].some((i) => Object.keys(i.chosen).length > 0)
  );
  const done = $derived(
    Object.entries(session.build.done ?? {})
      .map(([key, tick]) => ({ key, ...tick }))
      .sort((a, b) => (a.at < b.at ? 1 : -1))
  );
  const label = (d: Difference, position: string | undefined) =>
    d.setting.positions.find((p) => p.id === position)?.label;
  const what = (d: Difference) => `${d.title} ${d.setting.label}: ${label(d, d.wanted)}`;
  const blockName = (d: Difference) => {
    const block = d.part.blocks.find((b) => b.id === d.setting.block);
    return block?.label ?? block?.id ?? '';
  };

  /** Whether choosing a fact as asked would change anything. */
  const changes = (g: FactGroup) => !sameJson(settle(session.build, g.settings), session.build);
  const take = () => session.change(settled, words.takeNote);
  function tick(d: Difference) {
    const told = { item: d.item, setting: d.setting.id, position: d.wanted, text: what(d) };
    session.change(
      tickSetting(session.build, session.parts, { ...told, at: new Date().toISOString() }),
      words.ticked(what(d))
    );
  }
  const back = (key: string, of: string) =>
    session.change(untick(session.build, session.parts, key), words.unticked(of));
</script>

<p class="text-quiet">{words.movesLead} {words.away}</p>
{#if changed}<p><Button class="act main" onclick={take}>{words.take(changed)}</Button></p>{/if}
{#if list.length === 0}<p class="right text-large font-[650]">
    {isCompared ? words.allRight : words.notCompared}
  </p>{/if}
<ol class="my-2.5">
  {#each list as d (`${d.item} ${d.setting.id}`)}
    <li class={d.severity}>
      <label class="flex flex-col items-center text-tiny cursor-pointer"
        ><Checkbox class="size-7.5! me-0!" onchange={() => tick(d)} aria-label={words.doneLabel(what(d))} />
        <span>{words.done}</span></label
      >
      <div>
        <h3 class="text-large font-semibold">
          <em class="not-italic font-extrabold">{words.severity[d.severity]}</em>
          {d.title} <code>{blockName(d)}</code>
          {d.setting.label}: <s class="text-quiet no-underline">{words.from(label(d, d.found))}</s> →
          <b>{label(d, d.wanted)}</b>
        </h3>
        <p>{words.ifLeft} {consequenceOf(d.ifLeft)}</p>
        <p class="why text-quiet">{words.because} {reasonsOf(d.because)}</p>
        <ul class="mt-0.75 pl-4.5 list-[square]">
          {#each d.actions as action, i (i)}<li>{actionWords(action)}</li>{/each}
        </ul>
      </div>
    </li>
  {/each}
</ol>
{#if done.length}
  <section class="done mt-4.75" aria-label={words.doneHead}>
    <h2 class="border-b-2 border-b-ink">{words.doneHead}</h2>
    <ul class="my-1.25">
      {#each done as d (d.key)}
        <li class="py-0.5 gap-3.25 flex items-baseline">
          <time
            class="font-normal text-small font-mono leading-[1.25] text-quiet whitespace-nowrap"
            datetime={d.at}>{timeText(d.at)}</time
          >
          <span>{d.text}</span>
          <Button class="act ml-auto" onclick={() => back(d.key, d.text)}>{words.takeBack}</Button>
        </li>
      {/each}
    </ul>
    <Button class="act" onclick={() => session.change(clearTicks(session.build), words.cleared)}
      >{words.clear}</Button
    >
  </section>
{/if}
{#if groups.length}
  <section class="mt-4.75" aria-label={words.facts}>
    <h2 class="border-b-2 border-b-ink">{words.facts}</h2>
    <Table>
      <tbody>
        {#each groups as g (g.key)}
          <tr>
            <th
              class="py-1 border-b border-b-rule pr-2.75 text-left align-top font-semibold whitespace-nowrap"
              scope="row">{factGroupWords(g)}</th
            >
            <td class="py-1 border-b border-b-rule pr-2.75 text-left align-top font-bold whitespace-nowrap"
              >{wantedWords(g.fact, g.value)}</td
            >
            <td class="py-1 border-b border-b-rule pr-2.75 text-left align-top font-normal"
              >{reasonsOf(g.because)}
              {#if g.settings.length > 1}<b
                  >{words.together(
                    g.settings
                      .map(
                        (s) => s.part.blocks.find((b) => b.id === s.setting.block)?.label ?? s.setting.label
                      )
                      .join(', ')
                  )}</b
                >{/if}
              {#if changes(g)}<Button
                  class="act"
                  onclick={() => session.change(settle(session.build, g.settings), words.takeNote)}
                  aria-label={words.takeOne(factGroupWords(g))}>{words.choose}</Button
                >{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </Table>
  </section>
{/if}

<style>
  ol > li {
    display: flex;
    gap: 0.9rem;
    padding: 0.6rem 0 0.6rem 0.8rem;
    border-top: 1px solid var(--rule);
    border-left: 7px solid var(--rule);
  }
  ol > li.stop,
  ol > li.clash {
    border-left-color: var(--stop);
  }
  ol > li.unseen {
    border-left-style: dashed;
    border-left-color: var(--ink);
  }
  ol > li.caution {
    border-left-color: var(--ink);
    border-left-style: double;
  }

  .stop em,
  .clash em {
    color: var(--stop);
  }

  p {
    margin: 0.15rem 0;
  }
</style>
