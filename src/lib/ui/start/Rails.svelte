<script lang="ts">
  import { Checkbox, Input, Label, Select } from 'flowbite-svelte';
  import { pinsFor, plugSays, railAdvice } from '$lib/core/diagnosis';
  import { PLUGS, type PlugId, type RailReadings } from '$lib/core/model';
  import { plugWords, railAdviceWords, railVerdictWords, railWhyWords, railWords } from '$lib/words';
  import { getBench } from '../context';
  import { start } from '../text/start';
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
  const advice = $derived(railAdvice(plug, kind, told));

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
<div class="row">
  <div>
    <Label for="rail-plug">{words.plug}</Label>
    <Select
      id="rail-plug"
      placeholder=""
      items={PLUGS.map((value) => ({ value, name: plugWords[value] }))}
      bind:value={plug}
    />
  </div>
  <div>
    <Label for="rail-kind">{words.what}</Label>
    <Select
      id="rail-kind"
      placeholder=""
      items={[
        { value: 'ohms', name: words.ohms },
        { value: 'volts', name: words.volts }
      ]}
      bind:value={kind}
    />
  </div>
  {#if kind === 'ohms'}
    <div>
      <Label for="rail-side">{words.side}</Label>
      <Select
        id="rail-side"
        placeholder=""
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
<div class="row">
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
<ul class="pins">
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
          <span class="says" role="status"
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

<style>
  p {
    margin: 0.4rem 0;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem 1.2rem;
    align-items: end;
    margin: 0.5rem 0;
  }
  .row > div {
    min-width: 15rem;
  }
  .pins {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
    gap: 0.7rem 1.2rem;
    margin: 0.8rem 0;
    padding: 0;
    list-style: none;
  }
  .pins li {
    padding: 0.3rem 0 0.3rem 0.6rem;
    border-left: 6px solid var(--rule);
  }
  .pins li.pass,
  .pins li.edge {
    border-left-color: var(--yellow);
  }
  .pins li.short,
  .pins li.fail {
    border-left-color: var(--stop);
  }
  .pins li.suspicious,
  .pins li.void {
    border-left: 6px double var(--ink);
  }
  .says {
    display: block;
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
