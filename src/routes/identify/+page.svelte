<script lang="ts">
  import { featureLabel } from '$lib/words';
  import { entriesOf } from '$lib/core/model';
  import { goto, replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { allFeatures, draftFrom, featuresOf, rank, type Sight, type Value } from '$lib/core/identify';
  import type { Part, Sighting } from '$lib/core/model';
  import Looks from '$lib/ui/identify/Looks.svelte';
  import Things from '$lib/ui/identify/Things.svelte';
  import { onMount } from 'svelte';
  import KeptNotice from '$lib/ui/record/KeptNotice.svelte';
  import { KeptList } from '$lib/ui/record/kept-list.svelte';
  import { ask, mapped, problemLines } from '$lib/ui/record/send';
  import Deleted from '$lib/ui/shell/Deleted.svelte';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { text } from '$lib/words/en/screens';
  import { identify as identifyText } from '$lib/words/en/screens/catalogue';

  let { data } = $props();
  const words = identifyText;
  const SHOWN = 5;
  const fresh = (): Sighting => ({
    id: `seen-${Math.random().toString(36).slice(2, 10)}`,
    name: words.nameHint,
    kind: 'board',
    seen: [],
    dates: []
  });
  interface Kept {
    sighting: Sighting;
    version: number;
  }
  const versioned = ({ sighting, version }: Kept) => ({ value: sighting, version });
  const list = new KeptList<Sighting>(
    {
      path: '/sightings',
      save: async (sighting, version) =>
        mapped(await ask<Kept>('PUT', `/sightings/${sighting.id}`, { sighting, version }), versioned),
      load: async () =>
        mapped(await ask<{ sightings: Kept[] }>('GET', '/sightings'), (r) => r.sightings.map(versioned))
    },
    // svelte-ignore state_referenced_locally
    data.kept,
    page.url.searchParams.get('seen'),
    fresh()
  );
  onMount(() => list.start());
  const now = $derived(list.now);
  let trouble = $state('');
  const parts = $derived((data.parts as Part[]).filter((p) => (now.kind === 'board' ? p.board : p.card)));
  const features = $derived(allFeatures(parts));
  const ranking = $derived(rank(parts, now.seen, now.dates));
  const likely = $derived(ranking.candidates.filter((c, i) => i < SHOWN && c.probability > 0.005));
  const valuesOf = (feature: string) =>
    [...new Set(parts.flatMap((p) => featuresOf(p).get(feature)?.value ?? []))].map(String).sort();
  const percent = (p: number) => words.chance(Math.round(p * 100));

  /** The address names the record that is open, so that a reload or a bookmark finds the same one. */
  const name = () => replaceState(list.isKept ? `/identify?seen=${now.id}` : '/identify', page.state);
  function open(next: Sighting) {
    list.open(next);
    name();
  }
  async function change(next: Sighting) {
    const saved = list.change(next);
    name();
    await saved;
  }
  const set = (feature: string, value: Value | null) =>
    change({
      ...now,
      seen: [
        ...now.seen.filter((s) => s.feature !== feature),
        ...(value === null ? [] : [{ feature, value }])
      ]
    });
  async function forget(id: string): Promise<boolean> {
    const isGone = await list.remove(id, fresh());
    if (isGone) name();
    return isGone;
  }
  async function restore(record: Sighting) {
    await list.bringBack(record);
    name();
  }
  function told(sight: Sight): string {
    const { feature, seen, known } = sight;
    if (feature.kind === 'there')
      return seen ? words.onBoard(featureLabel(feature)) : words.inDocument(featureLabel(feature));
    return words.differs(
      featureLabel(feature),
      String(seen),
      known === undefined ? words.notLooked : String(known)
    );
  }
  const agreed = (sight: Sight) =>
    words.agrees(
      featureLabel(sight.feature),
      sight.feature.kind === 'there' ? (sight.seen ? '✓' : '–') : String(sight.seen)
    );

  function describe() {
    sessionStorage.setItem('yj-draft', JSON.stringify(draftFrom(now.kind, now.seen, now.id)));
    void goto('/catalogue/edit?draft=1');
  }
  async function settle(part: string) {
    const reply = await ask<{ item: { id: string } }>('POST', '/shelf', {
      item: { part, label: now.name.slice(0, 120), ...(now.notes ? { notes: now.notes } : {}) }
    });
    if (!reply.ok) {
      trouble = 'away' in reply ? text.serverGone : problemLines(reply.problem).join(' ');
      return;
    }
    await forget(now.id);
    await goto(`/shelf/${reply.value.item.id}`);
  }
</script>

<svelte:head><title>{words.title} · {text.product}</title></svelte:head>
<PlaceBar />
<main>
  <h1>{words.title}</h1>
  <p class="lead">{words.lead}</p>
  <div class="bar">
    {#if list.kept.length}
      <label
        >{words.open}
        <select
          value={now.id}
          onchange={(e) => open(list.kept.find((k) => k.value.id === e.currentTarget.value)?.value ?? now)}
        >
          {#each list.kept as { value } (value.id)}<option value={value.id}>{value.name}</option>{/each}
          {#if !list.isKept}<option value={now.id}>{now.name}</option>{/if}
        </select></label
      >
    {/if}
    <Button class="act" onclick={() => open(fresh())}>{words.start}</Button>
    {#if list.isKept}<Button class="act" onclick={() => forget(now.id)}>{words.forget(now.name)}</Button>{/if}
  </div>
  {#if list.deleted}{@const record = list.deleted}<Deleted
      name={record.name}
      bringBack={() => restore(record)}
    />{/if}
  {#each [trouble, list.trouble].filter(Boolean) as line (line)}<p class="bad" role="alert">{line}</p>{/each}
  <KeptNotice record={list.record} names={words.fields} />
  {#if data.unreadable.length}<p class="bad" role="alert">{text.damagedRows(data.unreadable)}</p>{/if}
  <div class="body">
    <section>
      <div class="top">
        <div>
          <Label for="sight-name">{words.name}</Label>
          <Input
            id="sight-name"
            value={now.name}
            maxlength={120}
            onchange={(e) => change({ ...now, name: e.currentTarget.value.trim() || words.nameHint })}
          />
        </div>
        <fieldset>
          <legend>{words.what}</legend>
          {#each entriesOf(words.kinds) as [id, name] (id)}
            <label
              ><input
                type="radio"
                name="kind"
                value={id}
                checked={now.kind === id}
                onchange={() => change({ ...now, kind: id })}
              />
              {name}</label
            >
          {/each}
        </fieldset>
        <div>
          <Label for="sight-dates">{words.dates}</Label>
          <Input
            id="sight-dates"
            value={now.dates.join(' ')}
            placeholder={words.datesHint}
            onchange={(e) =>
              change({
                ...now,
                dates: e.currentTarget.value
                  .split(/[\s,]+/)
                  .filter(Boolean)
                  .slice(0, 40)
              })}
          />
          {#if ranking.notBefore}<p>{words.notBefore(ranking.notBefore.week, ranking.notBefore.year)}</p>{/if}
        </div>
      </div>
      <Looks {features} seen={now.seen} {valuesOf} {set} />
    </section>
    <section class="right" aria-live="polite">
      {#if !now.seen.length}<p class="lead">{words.nothing}</p>{/if}
      {#if ranking.next.length}
        <h2>{words.next}</h2>
        {#each ranking.next.slice(0, 1) as look (look.feature.id)}
          <div class="next">
            <b>{featureLabel(look.feature)}</b>
            <span class="quiet">{words.nextWhy(look.gain.toFixed(1))}</span>
            <div class="answers">
              {#each look.answers.slice(0, 6) as a (String(a.value))}
                <Button class="act" onclick={() => set(look.feature.id, a.value)}
                  >{a.value === true
                    ? words.seen
                    : a.value === false
                      ? words.notSeen
                      : String(a.value)}</Button
                >
              {/each}
            </div>
          </div>
        {/each}
        <p class="quiet">
          {ranking.next
            .slice(1)
            .map((l) => featureLabel(l.feature))
            .join(' · ')}
        </p>
      {/if}
      <h2>{words.candidates}</h2>
      <ol>
        {#each likely as c (c.part.id)}
          <li>
            <div class="line">
              <span class="chance">{percent(c.probability)}</span>
              <b>{c.part.maker} {c.part.name}</b>
              <span class="quiet">{c.part.summary ?? ''}</span>
              <Button class="act" onclick={() => settle(c.part.id)} aria-label="{words.is}: {c.part.name}"
                >{words.is}</Button
              >
            </div>
            <svg viewBox="0 0 200 6" preserveAspectRatio="none" aria-hidden="true"
              ><rect x="0" y="0" width={Math.max(1, c.probability * 200)} height="6" /></svg
            >
            {#if c.for.length}<p class="for"><span>{words.for}</span> {c.for.map(agreed).join('; ')}</p>{/if}
            {#if c.against.length}<p class="against">
                <span>{words.against}</span>
                {c.against.map(told).join('; ')}
              </p>{/if}
          </li>
        {/each}
        <li class="none">
          <div class="line">
            <span class="chance">{percent(ranking.none)}</span>
            <b>{words.noneOfThese}</b>
            <span class="quiet">{words.noneText}</span>
            <Button class="act" onclick={describe}>{words.describe}</Button>
          </div>
        </li>
      </ol>
      <Label for="sight-notes">{words.notes}</Label>
      <textarea
        id="sight-notes"
        rows="2"
        maxlength="2000"
        value={now.notes ?? ''}
        onchange={(e) => change({ ...now, notes: e.currentTarget.value })}
      ></textarea>
    </section>
  </div>
  <Things />
</main>

<style>
  main {
    max-width: 1340px;
    margin: 0 auto;
    padding: 1.2rem 1rem;
  }
  h1 {
    font-size: 1.8rem;
  }
  h2 {
    margin: 0.2rem 0 0.3rem;
    font-size: 1.15rem;
  }
  .bar {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
    margin: 0.5rem 0;
  }
  .body {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
    gap: 1.6rem;
    align-items: start;
  }
  .top {
    display: grid;
    grid-template-columns: 1fr auto 1fr;
    gap: 0.8rem 1rem;
    margin-bottom: 0.5rem;
  }
  fieldset label {
    display: block;
  }
  select,
  textarea {
    padding: 0.3rem 1.8rem 0.3rem 0.5rem;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
  }
  textarea {
    width: 100%;
    padding-right: 0.5rem;
  }
  .right {
    padding: 0.8rem 1rem;
    background: var(--sheet);
    border: 1.5px solid var(--ink);
  }
  .next b {
    font-size: 1.3rem;
  }
  .answers {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    margin: 0.4rem 0;
  }
  ol {
    margin: 0 0 0.8rem;
    padding: 0;
    list-style: none;
  }
  li {
    padding: 0.4rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 0.7rem;
    align-items: center;
  }
  .line .quiet {
    flex: 1;
    min-width: 8rem;
    font-size: 0.92rem;
  }
  .chance {
    min-width: 3.6rem;
    font: 700 1.2rem var(--font-mono);
  }
  svg {
    width: 100%;
    height: 5px;
    display: block;
    background: var(--paper);
  }
  svg rect {
    fill: var(--ink);
  }
  .for,
  .against {
    margin: 0.2rem 0 0;
    font-size: 0.92rem;
  }
  .for span,
  .against span {
    margin-right: 0.3rem;
    font-weight: 700;
  }
  .against span {
    color: var(--stop);
  }
  @media (max-width: 900px) {
    .body,
    .top {
      grid-template-columns: minmax(0, 1fr);
    }
    .right {
      order: -1;
    }
  }
</style>
