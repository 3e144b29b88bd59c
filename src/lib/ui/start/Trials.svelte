<script lang="ts">
  import { Button, Input, Label, Table } from 'flowbite-svelte';
  import { readTrial, readTrialTable, trialsOf } from '$lib/core/diagnosis';
  import type { TrialRow } from '$lib/core/model';
  import {
    ceilingWords,
    chanceWords,
    explanationWords,
    factorWords,
    minimalWords,
    sometimesWords,
    trialTrouble
  } from '$lib/words';
  import { getBench } from '../context';
  import { start } from '$lib/words/en/screens/start';
  import { timeText } from '../time';

  const words = start.trials;
  const { session } = getBench();
  const rows = $derived(trialsOf(session.build));
  const found = $derived(rows.length ? readTrialTable(rows) : null);
  const failed = $derived(rows.some((r) => r.bad > 0));
  /** Only what is worth a line: the first, and those that are not far behind. */
  const likely = $derived(found ? found.explained.filter((e, i) => i < 6 && (i === 0 || e.p >= 0.03)) : []);
  let typed = $state('');
  let trouble = $state('');

  const put = (trials: readonly TrialRow[], note: string) => {
    const { trials: _, ...plain } = session.build;
    session.change(trials.length ? { ...plain, trials: [...trials] } : plain, note);
  };
  function add(event: SubmitEvent) {
    event.preventDefault();
    const read = readTrial(typed);
    trouble = 'wrong' in read ? trialTrouble(read) : '';
    if ('wrong' in read) return;
    put([...rows, { at: new Date().toISOString(), ...read.row }].slice(-200), words.noted);
    typed = '';
  }
  const said = (r: TrialRow) => r.things.map((t) => t.name).join(', ');
</script>

<p class="quiet">{words.lead}</p>
<form onsubmit={add}>
  <Label for="trial-line">{words.label}</Label>
  <div class="row gap-2.5 flex">
    <Input
      id="trial-line"
      bind:value={typed}
      placeholder={words.hint}
      maxlength={300}
      autocomplete="off"
      aria-invalid={trouble !== ''}
      aria-describedby="trial-trouble"
    />
    <Button type="submit" class="act main" disabled={!typed.trim()}>{words.add}</Button>
  </div>
  <p id="trial-trouble" class:bad={trouble} role="status">{trouble}</p>
</form>

{#if rows.length}
  <div class="two gap-8 grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-lg:gap-2.5 max-lg:grid-cols-1">
    <section>
      <h2 class="mt-4 mb-1.25">{words.table}</h2>
      <Table>
        <thead
          ><tr
            ><th scope="col">{words.n}</th><th scope="col">{words.things}</th><th scope="col"
              >{words.conditions}</th
            ><th scope="col">{words.result}</th><th scope="col"><span class="sr-only">{words.drop}</span></th
            ></tr
          ></thead
        >
        <tbody>
          {#each rows as r, i (`${r.at}${i}`)}
            <tr>
              <td><time datetime={r.at} title={timeText(r.at)}>{i + 1}</time></td>
              <td>{said(r)}</td>
              <td>{Object.values(r.factors).join(', ')}</td>
              <td class:fail={r.good === 0}>{words.outcome(r.good, r.bad)}</td>
              <td
                ><Button
                  class="act"
                  aria-label={words.dropOf(i + 1)}
                  onclick={() =>
                    put(
                      rows.filter((_, k) => k !== i),
                      words.dropped
                    )}>×</Button
                ></td
              >
            </tr>
          {/each}
        </tbody>
      </Table>
    </section>
    {#if found}
      <section>
        {#if !failed}<p class="sum">{words.noFailure}</p>
        {:else}
          <p class="sum">
            {found.minimal.length ? words.minimal(minimalWords(found.minimal)) : words.noSingle}
          </p>
          <h2 class="mt-4 mb-1.25">{words.likely}</h2>
          <ol class="my-1.25 pl-5.25 list-decimal">
            {#each likely as e (explanationWords(e))}
              <li>
                <b>{explanationWords(e)}</b>
                <span class="text-quiet" title={e.p.toFixed(3)}>{chanceWords(e.p)}</span>
              </li>
            {/each}
          </ol>
          {#if found.reading.inEveryFailure.length}
            <p>{words.pairs(found.reading.inEveryFailure.map((p) => p.join(' + ')).join(', '))}</p>
          {/if}
          {#if found.reading.contradictions.length}<p class="ask">{words.both}</p>{/if}
        {/if}
        {#if found.reading.exonerated.length}
          <p>{words.exonerated(found.reading.exonerated.join(', '))}</p>
        {/if}
        {#each found.sometimes as s (JSON.stringify(s))}<p>{sometimesWords(s)}</p>{/each}
        {#if found.ceiling}<p>{ceilingWords(found.ceiling)}</p>{/if}
        {#if found.factors.length}
          <h2 class="mt-4 mb-1.25">{words.factors}</h2>
          {#each found.factors as f (f.factor)}
            <p>
              <b>{f.factor}</b>: {f.cells.map((c) => words.cell(c.value, c.good, c.good + c.bad)).join(', ')}.
              {factorWords(f)}
            </p>
          {/each}
        {/if}
        {#if failed}
          <h2 class="mt-4 mb-1.25">{words.next}</h2>
          {#each found.next as n (`${n.things.join()}${n.starts}`)}
            <p>
              <b>{n.things.join(' ')}</b>{n.starts > 1 ? ` ${words.times(n.starts)}` : ''}, {words.minutes(
                n.minutes
              )}
            </p>
          {:else}<p>{words.nothingNext}</p>{/each}
          <p class="quiet">{words.again}</p>
        {/if}
        <p class="quiet">{words.estimate}</p>
      </section>
    {/if}
  </div>
{/if}

<style>
  p {
    margin: 0.3rem 0;
  }

  .row :global(button) {
    flex: none;
    white-space: nowrap;
  }

  th {
    padding-right: 0.7rem;
    border-bottom: 1.5px solid var(--ink);
    text-align: left;
  }
  td {
    padding: 0.25rem 0.7rem 0.25rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .fail {
    color: var(--stop);
    font-weight: 650;
  }
  .sum {
    margin-top: 0.8rem;
    font-size: 1.3rem;
    font-weight: 700;
    line-height: 1.25;
  }
</style>
