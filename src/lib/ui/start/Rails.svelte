<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Checkbox, Input, Label } from 'flowbite-svelte';
  import { afterMishap, hungOn, huntShort, pinsFor, plugSays, railAdvice } from '$lib/core/rails';
  import { PLUGS, type Mishap, type PlugId, type RailReadings, type ShortStep } from '$lib/core/model';
  import {
    huntWords,
    mishapWords,
    plugWords,
    railAdviceWords,
    railVerdictWords,
    railWhyWords,
    railWords
  } from '$lib/words';
  import { getBench } from '../context';
  import { start } from '$lib/words/en/screens/start';
  import { timeText } from '../time';

  const words = start.rails;
  const { session } = getBench();
  let plug = $state<PlugId>('at');
  let kind = $state<'ohms' | 'volts'>('ohms');
  const key = $derived(`${plug}-${kind}` as const);
  const readings = $derived<RailReadings>(session.build.rails?.[key] ?? { at: '', pins: {} });
  const pins = $derived(pinsFor(plug, kind));
  const told = $derived(plugSays(plug, kind, readings));
  const of = (n: number) => told.find((p) => p.n === n);
  const advice = $derived(railAdvice(plug, kind, told, readings.side));

  const steps = $derived(session.build.shortHunt ?? []);
  const hung = $derived(hungOn(session.build, session.parts));
  const hunt = $derived(huntShort(hung, steps));
  const mishap = $derived(afterMishap(session.build));
  const isHunting = $derived(steps.length > 0 || advice.some((a) => a.what === 'halve'));
  const titleOf = (id: string) => hung.find((h) => h.id === id)?.thing.name ?? words.gone;

  function step(isShort: boolean) {
    const out = hunt.out.map((h) => h.id);
    setHunt([...steps, { out, isShort, at: new Date().toISOString() }]);
  }
  function setHunt(next: readonly ShortStep[]) {
    const { shortHunt: _, ...build } = session.build;
    session.change(next.length ? { ...build, shortHunt: [...next] } : build, words.huntNoted);
  }
  function setMishap(next: Mishap | null) {
    const { mishap: _, ...build } = session.build;
    session.change(next ? { ...build, mishap: next } : build, words.mishapNoted);
  }
  function keep(change: Partial<RailReadings>) {
    const next = { ...readings, ...change, at: new Date().toISOString() };
    session.change(
      { ...session.build, rails: { ...session.build.rails, [key]: next } },
      words.noted(plugWords[plug])
    );
  }
  function read(n: number, text: string) {
    const { [n]: _, ...rest } = readings.pins;
    keep({ pins: text.trim() ? { ...rest, [n]: text.trim() } : rest });
  }
</script>

<p class="quiet">{words.lead}</p>
<div class="my-2 flex flex-wrap gap-y-2.5 gap-x-4.75 items-end">
  <div class="min-w-60">
    <Label for="rail-plug">{words.plug}</Label>
    <OneOf
      id="rail-plug"
      items={PLUGS.map((value) => ({ value, name: plugWords[value] }))}
      bind:value={plug}
    />
  </div>
  <div class="min-w-60">
    <Label for="rail-kind">{words.what}</Label>
    <OneOf
      id="rail-kind"
      items={[
        { value: 'ohms', name: words.ohms },
        { value: 'volts', name: words.volts }
      ]}
      bind:value={kind}
    />
  </div>
  {#if kind === 'ohms'}
    <div class="min-w-60">
      <Label for="rail-side">{words.side}</Label>
      <OneOf
        id="rail-side"
        items={[
          { value: '', name: words.sides.unsaid },
          { value: 'board', name: words.sides.board },
          { value: 'supply', name: words.sides.supply }
        ]}
        value={readings.side ?? ''}
        onchange={(e) => keep({ side: (e.currentTarget.value || undefined) as RailReadings['side'] })}
      />
    </div>
  {/if}
</div>
<div class="my-2 flex flex-wrap gap-y-2.5 gap-x-4.75 items-end">
  {#if kind === 'ohms'}
    <Checkbox checked={readings.off ?? false} onchange={(e) => keep({ off: e.currentTarget.checked })}
      >{words.off}</Checkbox
    >
    <Checkbox checked={readings.cards ?? false} onchange={(e) => keep({ cards: e.currentTarget.checked })}
      >{words.cards}</Checkbox
    >
  {:else}
    <Checkbox checked={readings.loaded ?? false} onchange={(e) => keep({ loaded: e.currentTarget.checked })}
      >{words.loaded}</Checkbox
    >
  {/if}
</div>
{#if kind === 'volts'}<p class="caution">{words.live}</p>{/if}
{#if plug === 'floppy'}<p class="caution">{words.turned}</p>{/if}
{#if plug === 'at'}<p class="caution">{words.blacks}</p>{/if}
<ul class="pins my-3.25 grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-y-2.75 gap-x-4.75">
  {#each pins as p (`${key}${p.n}`)}
    {@const pin = of(p.n)}
    <li class={pin?.says?.verdict ?? 'open'}>
      <Label for="rail-{p.n}"><b>{p.n}</b> {railWords[p.rail]}</Label>
      {#if p.rail === 'ground' && kind === 'volts'}<span class="quiet">{words.reference}</span>
      {:else}
        <Input
          id="rail-{p.n}"
          value={readings.pins[p.n] ?? ''}
          placeholder={kind === 'ohms' ? words.ohmsHint : words.voltsHint}
          maxlength={20}
          autocomplete="off"
          onchange={(e) => read(p.n, e.currentTarget.value)}
        />
        {#if pin}
          <span class="block" role="status"
            >{#if pin.says}<b>{railVerdictWords[pin.says.verdict]}</b>
              {railWhyWords[pin.says.why]}{:else}{words.odd(pin.text)}{/if}</span
          >
        {/if}
      {/if}
    </li>
  {/each}
</ul>
<div aria-live="polite">
  {#each advice as a (a.what)}
    <p class={a.what === 'stop' ? 'bad' : a.what === 'fine' ? 'sum' : 'ask'}>{railAdviceWords(a)}</p>
  {/each}
  {#if !told.length}<p class="quiet">{words.nothing}</p>
  {:else if readings.at}<p class="quiet">{words.when(timeText(readings.at))}</p>{/if}
</div>

{#if isHunting}
  <section aria-live="polite">
    <h2>{words.hunt}</h2>
    {#if steps.length}
      <ol class="pl-6 list-decimal">
        {#each steps as s, i (i)}
          <li>
            {words.outWas(s.out.map(titleOf))}: <b>{s.isShort ? words.isShort : words.isGone}</b>
            <Button
              class="act"
              aria-label={words.dropStep(i + 1)}
              onclick={() => setHunt(steps.filter((x) => x !== s))}>×</Button
            >
          </li>
        {/each}
      </ol>
    {/if}
    <p class={hunt.state === 'next' ? 'ask' : 'sum'}>{huntWords(hunt)}</p>
    {#if hunt.state === 'next' || (hunt.state === 'found' && !hunt.isConfirmed)}
      <Button class="act main" onclick={() => step(true)}>{words.isShort}</Button>
      <Button class="act main" onclick={() => step(false)}>{words.isGone}</Button>
    {/if}
    {#if steps.length}<Button class="act" onclick={() => setHunt([])}>{words.huntAgain}</Button>{/if}
  </section>
{/if}
{#if plug === 'at'}
  <Fold open={mishap !== null} title={words.mishap}>
    {#if mishap && session.build.mishap}
      <p class={mishap === 'ohms' ? 'bad' : 'ask'}>{mishapWords[mishap]}</p>
      <Label for="rail-cased">{words.cased}</Label>
      <OneOf
        id="rail-cased"
        items={Object.entries(words.casedAnswers).map(([value, name]) => ({ value, name }))}
        value={session.build.mishap.cased === undefined
          ? 'unknown'
          : session.build.mishap.cased
            ? 'yes'
            : 'no'}
        onchange={(e) => {
          const told = e.currentTarget.value;
          setMishap({
            at: session.build.mishap?.at ?? new Date().toISOString(),
            ...(told === 'unknown' ? {} : { cased: told === 'yes' })
          });
        }}
      />
      <Button class="act" onclick={() => setMishap(null)}>{words.mishapNot}</Button>
    {:else}
      <p>{words.mishapAsk}</p>
      <Button class="act" onclick={() => setMishap({ at: new Date().toISOString() })}
        >{words.mishapYes}</Button
      >
    {/if}
  </Fold>
{/if}

<style>
  p {
    margin: 0.4rem 0;
  }

  .pins li {
    padding: 0.3rem 0 0.3rem 0.6rem;
    border-left: 6px solid var(--rule);
  }

  .sum {
    font-size: 1.2rem;
    font-weight: 700;
  }
  .ask,
  .caution {
    padding-left: 0.6rem;
    border-left: 6px double var(--ink);
  }
</style>
