<script lang="ts">
  import OneOf from '$lib/ui/kit/OneOf.svelte';
  import { featureLabel, featureValue } from '$lib/words';
  import { entriesOf } from '$lib/core/model';
  import { goto, replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { Textarea, Button, Input, Label, Radio } from 'flowbite-svelte';
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
      featureValue(feature, seen),
      known === undefined ? words.notLooked : featureValue(feature, known)
    );
  }
  const agreed = (sight: Sight) =>
    words.agrees(
      featureLabel(sight.feature),
      sight.feature.kind === 'there' ? (sight.seen ? '✓' : '–') : featureValue(sight.feature, sight.seen)
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
<main class="mx-auto py-4.75 px-4 max-w-[1340px]">
  <h1 class="text-huge">{words.title}</h1>
  <p class="lead">{words.lead}</p>
  <div class="bar my-2 gap-2.5 flex flex-wrap items-center">
    {#if list.kept.length}
      <label
        >{words.open}
        <OneOf
          value={now.id}
          onchange={(e) => open(list.kept.find((k) => k.value.id === e.currentTarget.value)?.value ?? now)}
        >
          {#each list.kept as { value } (value.id)}<option value={value.id}>{value.name}</option>{/each}
          {#if !list.isKept}<option value={now.id}>{now.name}</option>{/if}
        </OneOf></label
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
  <div class="body gap-6.5 grid grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)] items-start max-lg:grid-cols-1">
    <section>
      <div class="top grid grid-cols-[1fr_auto_1fr] gap-y-3.25 gap-x-4 mb-2 max-lg:grid-cols-1">
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
            <Radio name="kind" value={id} group={now.kind} onchange={() => change({ ...now, kind: id })}
              >{name}</Radio
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
    <section class="right py-3.25 px-4 border-[1.5px] border-ink bg-sheet max-lg:-order-1" aria-live="polite">
      {#if !now.seen.length}<p class="lead">{words.nothing}</p>{/if}
      {#if ranking.next.length}
        <h2 class="mt-0.75 mb-1.25">{words.next}</h2>
        {#each ranking.next.slice(0, 1) as look (look.feature.id)}
          <div class="next">
            <b class="text-head">{featureLabel(look.feature)}</b>
            <span class="quiet">{words.nextWhy}</span>
            <div class="answers my-1.5 gap-1.5 flex flex-wrap">
              {#each look.answers.slice(0, 6) as a (String(a.value))}
                <Button class="act" onclick={() => set(look.feature.id, a.value)}
                  >{a.value === true
                    ? words.seen
                    : a.value === false
                      ? words.notSeen
                      : featureValue(look.feature, a.value)}</Button
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
      <h2 class="mt-0.75 mb-1.25">{words.candidates}</h2>
      <ol class="mb-3.25">
        {#each likely as c (c.part.id)}
          <li class="py-1.5 border-b border-b-rule">
            <div class="line flex flex-wrap gap-y-0.75 gap-x-2.75 items-center">
              <span class="chance min-w-14.5 font-bold text-head font-mono leading-[1.25]"
                >{percent(c.probability)}</span
              >
              <b>{c.part.maker} {c.part.name}</b>
              <span class="quiet flex-1 min-w-32 text-small">{c.part.summary ?? ''}</span>
              <Button class="act" onclick={() => settle(c.part.id)} aria-label="{words.is}: {c.part.name}"
                >{words.is}</Button
              >
            </div>
            <svg
              class="w-full h-[5px] block bg-paper"
              viewBox="0 0 200 6"
              preserveAspectRatio="none"
              aria-hidden="true"
              ><rect class="fill-ink" x="0" y="0" width={Math.max(1, c.probability * 200)} height="6" /></svg
            >
            {#if c.for.length}<p class="mt-0.75 text-small">
                <span class="mr-1.25 font-bold">{words.for}</span>
                {c.for.map(agreed).join('; ')}
              </p>{/if}
            {#if c.against.length}<p class="mt-0.75 text-small">
                <span class="mr-1.25 font-bold text-stop">{words.against}</span>
                {c.against.map(told).join('; ')}
              </p>{/if}
          </li>
        {/each}
        <li class="none py-1.5 border-b border-b-rule">
          <div class="line flex flex-wrap gap-y-0.75 gap-x-2.75 items-center">
            <span class="chance min-w-14.5 font-bold text-head font-mono leading-[1.25]"
              >{percent(ranking.none)}</span
            >
            <b>{words.noneOfThese}</b>
            <span class="quiet flex-1 min-w-32 text-small">{words.noneText}</span>
            <Button class="act" onclick={describe}>{words.describe}</Button>
          </div>
        </li>
      </ol>
      <Label for="sight-notes">{words.notes}</Label>
      <Textarea
        class="w-full"
        id="sight-notes"
        rows={2}
        maxlength={2000}
        value={now.notes ?? ''}
        onchange={(e) => change({ ...now, notes: e.currentTarget.value })}
      />
    </section>
  </div>
  <Things />
</main>
