<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import { Button, Table } from 'flowbite-svelte';
  import {
    itemOfComponent,
    testOf,
    titlesOf,
    explanations,
    needsTwo,
    type ComponentVerdict,
    type MachineDiagnosis
  } from '$lib/core/diagnosis';
  import {
    chanceWords,
    componentWords,
    messageWords,
    modeWords,
    readWords,
    stageWords,
    testWords,
    verdictWords
  } from '$lib/words';
  import { kitOf } from '$lib/core/kit';
  import type { Item } from '$lib/core/model';
  import { getBench } from '../context';
  import { noteBad } from '../fit/edit';
  import { start as words } from '$lib/words/en/screens/start';

  interface Props {
    found: MachineDiagnosis;
    /** Something was measured or looked at, and the fault was there or not. */
    read: (test: string, wasThere: boolean) => void;
    /** A test was done and the machine is started again. */
    done: (test: string) => void;
  }
  let { found, read, done }: Props = $props();
  const { session } = getBench();
  const MOST = 5;
  const d = $derived(found.diagnosis);
  const titleOf = $derived(titlesOf(session.build, session.parts));
  const faultWords = (faults: readonly number[]) =>
    faults.length ? faults.map((i) => modeWords(d.modes[i], titleOf)).join(' + ') : words.noFault;
  const named = (c: ComponentVerdict) => componentWords(c.component, c.mode, titleOf);
  const explained = $derived(explanations(d));
  const best = $derived(explained.slice(0, MOST).filter((s) => s.p >= 0.01));
  const told = $derived(
    d.components
      .filter((c) => c.verdict !== 'untested' && c.mode.prior < 1)
      .sort((a, b) => b.posterior - a.posterior)
  );
  /** The part of the build that a suspect is; a supply or a drive that nobody entered is none. */
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const itemOf = (c: ComponentVerdict): Item | null => itemOfComponent(kit, c.component);
  let away = $state(false);
  const bad = async (id: string, why: string) => (away = (await noteBad(session, id, why)) === false);
  const untested = $derived(d.components.filter((c) => c.verdict === 'untested'));
  const stops = $derived(d.stops.filter((s) => s.p >= 0.05).slice(0, 3));
  const cut = $derived(Math.round(100 * (1 - d.covered)));
</script>

<section>
  <h2 class="mt-4 mb-1.25 first:mt-0">{words.best}</h2>
  {#if d.unexplained.length}<p class="my-2 border-l-8 border-l-stop pl-2.5">
      {words.unexplained(d.unexplained.map((m) => messageWords[m]))}
    </p>{/if}
  {#if d.unheard}<p class="two my-2 border-l-8 border-l-ink border-double pl-2.5">
      {words.unheard(d.unheard, found.family ? words.families[found.family] : null)}
    </p>{/if}
  {#if needsTwo(d, explained)}<p class="two my-2 border-l-8 border-l-ink border-double pl-2.5">
      {words.two}
    </p>{/if}
  <ol class="pl-5.25 list-decimal">
    {#each best as set (set.faults.join())}
      <li class="py-1">
        <b>{faultWords(set.faults)}</b>
        {#if set.faults.length && set.faults.every((i) => d.modes[i].prior >= 1)}
          <span class="chance ml-1.5 whitespace-nowrap">{words.byChecks}</span>
        {:else}
          <span class="chance ml-1.5 whitespace-nowrap" title={words.figure(set.p)}
            >{chanceWords(set.p)} <small>{words.figure(set.p)}</small></span
          >
        {/if}
      </li>
    {/each}
  </ol>
  {#if !d.unexplained.length}<p class="quiet">
      {words.stood}: {stops
        .map((s) => `${s.stage ? stageWords[s.stage] : words.prompt} (${chanceWords(s.p)})`)
        .join(', ')}.
    </p>{/if}

  <h2 class="mt-4 mb-1.25 first:mt-0">{words.tests}</h2>
  <ol class="tests pl-5.25 list-decimal">
    {#each found.tests.filter((t) => !t.isRefused).slice(0, MOST) as { test } (test.id)}
      <li class="py-1">
        <b>{testWords(test.id, titleOf).what}</b> <span class="quiet">{words.minutes(test.minutes)}</span><br
        />{testWords(test.id, titleOf).how}
        <div class="answers gap-2 flex flex-wrap mt-1.25 mb-2.5">
          {#if testOf(test.id)?.reads}
            {@const [yes, no] = readWords(test.id)}
            <Button class="act" onclick={() => read(test.id, true)}>{yes}</Button>
            <Button class="act" onclick={() => read(test.id, false)}>{no}</Button>
          {:else}
            <Button class="act" onclick={() => done(test.id)}>{words.didIt}</Button>
          {/if}
        </div>
      </li>
    {/each}
  </ol>
  {#if found.tests.some((t) => t.isRefused)}
    <Fold title={words.refused}>
      <p class="quiet">
        {found.tests
          .filter((t) => t.isRefused)
          .map((t) => `${testWords(t.test.id, titleOf).what}${t.guard ? ` (${words.guards[t.guard]})` : ''}`)
          .join(' · ')}
      </p>
    </Fold>
  {/if}

  <h2 class="mt-4 mb-1.25 first:mt-0">{words.parts}</h2>
  <Table>
    <tbody>
      {#each told as c (c.component)}
        <tr class={c.verdict}>
          <th class="py-1 border-b border-b-rule pr-2.5 text-left align-top font-normal" scope="row"
            >{named(c)}</th
          >
          <td class="py-1 border-b border-b-rule pr-2.5 text-left align-top font-normal"
            >{verdictWords[c.verdict]}</td
          >
          <td
            class="quiet py-1 border-b border-b-rule pr-2.5 pl-0 text-left align-top font-normal"
            title="{words.figure(c.prior)} → {words.figure(c.posterior)}">{chanceWords(c.posterior)}</td
          >
          <td class="py-1 border-b border-b-rule pr-2.5 text-left align-top font-normal">
            {#if itemOf(c)}
              {@const item = itemOf(c)}
              {#if item?.foundBad}<Button class="act" onclick={() => noteBad(session, item.id, null)}
                  >{words.notBad}</Button
                >
              {:else if item && c.verdict === 'implicated' && c.isOfPart}<Button
                  class="act"
                  aria-label={words.isBadOf(named(c))}
                  onclick={() => bad(item.id, named(c))}>{words.isBad}</Button
                >{/if}
            {/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </Table>
  {#if away}<p class="bad" role="alert">{words.badAway}</p>{/if}
  {#if untested.length}
    <p class="untested my-2 border-l-8 border-l-ink border-double pl-2.5">
      <b>{words.untested}:</b>
      {untested.map(named).join(', ')}.
    </p>
  {/if}
  <p class="quiet">
    {words.family(found.family ? words.families[found.family] : null, words.families[d.families[0].family])}
    {#if session.build.mishap}{words.mishap}{/if}
    {#if cut >= 5}{words.cut(cut)}{/if}
    {words.estimate}
  </p>
</section>

<style>
  small,
  .quiet {
    color: var(--quiet);
  }

  .implicated th,
  .implicated td:nth-child(2) {
    font-weight: 700;
  }
  .implicated th {
    padding-left: 0.5rem;
    border-left: 8px solid var(--stop);
  }
</style>
