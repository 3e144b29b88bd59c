<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Input, Label, Radio } from 'flowbite-svelte';
  import {
    Brief as BriefSchema,
    type Brief,
    type Profile,
    type Strictness,
    type Source
  } from '$lib/core/model';
  import { text } from '$lib/words/en/screens';
  import { brief as briefText } from '$lib/words/en/screens/brief';
  import OwnProgram from './OwnProgram.svelte';
  import WishList from './WishList.svelte';

  interface Props {
    brief: Brief;
    profiles: Profile[];
    partName: (id: string) => string;
    change: (brief: Brief) => void;
  }
  let { brief, profiles, partName, change }: Props = $props();
  const words = briefText;
  let query = $state('');
  let wrongDate = $state(false);
  const chosen = $derived(new Set(brief.profiles.map((p) => p.id)));
  const found = $derived(
    query.trim()
      ? profiles
          .filter(
            (p) =>
              !chosen.has(p.id) &&
              query
                .toLowerCase()
                .split(/\s+/)
                .every((w) => `${p.name} ${p.year} ${p.summary}`.toLowerCase().includes(w))
          )
          .slice(0, 8)
      : []
  );
  const strictness = $derived(brief.strictness ?? 'spirit');
  const source = $derived(brief.source ?? 'anything');
  const value = (event: Event) => (event.currentTarget as HTMLInputElement).value;

  function setDate(event: Event) {
    const date = value(event).trim();
    const { date: _old, ...rest } = brief;
    const next = { ...rest, ...(date ? { date } : {}) };
    wrongDate = !BriefSchema.shape.date.safeParse(date || undefined).success;
    if (!wrongDate) change(next);
  }
  function setText(key: 'role' | 'os', event: Event) {
    const { [key]: _old, ...rest } = brief;
    const told = value(event).trim();
    change({ ...rest, ...(told ? { [key]: told } : {}) });
  }
  function setBudget(event: Event) {
    const { budget: _old, ...rest } = brief;
    const told = value(event);
    const budget = Number(told);
    change({ ...rest, ...(told !== '' && budget >= 0 && budget <= 1_000_000 ? { budget } : {}) });
  }
  const choice =
    'py-1 px-2 gap-2 border-l-6 border-l-transparent cursor-pointer has-checked:border-l-yellow has-checked:bg-sheet';
</script>

<div class="grid grid-cols-2 gap-y-3.25 gap-x-5.5 max-md:grid-cols-1">
  <div>
    <Label for="brief-date">{words.date}</Label>
    <Input
      id="brief-date"
      value={brief.date ?? ''}
      onchange={setDate}
      placeholder={words.dateHint}
      maxlength={7}
      autocomplete="off"
      aria-invalid={wrongDate}
      aria-describedby={wrongDate ? 'brief-date-wrong' : undefined}
    />
    {#if wrongDate}<p class="wrong border-l-6 border-l-stop mt-0.75 pl-2" id="brief-date-wrong" role="alert">
        {words.wrongDate}
      </p>{/if}
  </div>
  <div>
    <Label for="brief-os">{words.os}</Label>
    <OneOf id="brief-os" value={brief.os ?? ''} onchange={(e) => setText('os', e)}>
      <option value="">{words.osNone}</option>
      {#if brief.os && !words.systems.includes(brief.os as 'DOS 5')}<option value={brief.os}
          >{brief.os}</option
        >{/if}
      {#each words.systems as os (os)}<option value={os}>{os}</option>{/each}
    </OneOf>
  </div>
  <div class="wide col-span-full">
    <Label for="brief-role">{words.role}</Label>
    <Input
      id="brief-role"
      value={brief.role ?? ''}
      onchange={(e) => setText('role', e)}
      maxlength={400}
      autocomplete="off"
    />
  </div>
  <fieldset>
    <legend class="mb-1.25 text-large font-bold">{words.strictness}</legend>
    {#each Object.entries(words.strict) as [id, [name, what]] (id)}
      <Radio
        classes={{ label: choice }}
        name="strictness"
        value={id}
        group={strictness}
        onchange={() => change({ ...brief, strictness: id as Strictness })}
      >
        <b>{name}</b> <span class="quiet">{what}</span>
      </Radio>
    {/each}
  </fieldset>
  <fieldset>
    <legend class="mb-1.25 text-large font-bold">{words.source}</legend>
    {#each Object.entries(words.sources) as [id, name] (id)}
      <Radio
        classes={{ label: choice }}
        name="source"
        value={id}
        group={source}
        onchange={() => change({ ...brief, source: id as Source })}
      >
        <b>{name}</b>
      </Radio>
    {/each}
    <Label for="brief-budget">{words.budget}</Label>
    <Input id="brief-budget" type="number" min="0" value={brief.budget ?? ''} onchange={setBudget} />
  </fieldset>
  <section>
    <h2 class="mb-1.25">{words.programs}</h2>
    <ul class="mb-1.5">
      {#each brief.profiles as profile (profile.id)}
        <li class="py-0.75 gap-2.5 border-b border-b-rule flex items-center justify-between">
          <span><b>{profile.name}</b> {profile.year ?? ''} <em>{profile.summary ?? ''}</em></span>
          <Button
            class="act"
            onclick={() => change({ ...brief, profiles: brief.profiles.filter((p) => p.id !== profile.id) })}
            aria-label={words.dropProgram(profile.name)}>×</Button
          >
        </li>
      {:else}<li class="quiet py-0.75 px-0 gap-2.5 border-b border-b-rule flex items-center justify-between">
          {words.noPrograms}
        </li>{/each}
    </ul>
    <Label for="program-query" class="sr-only">{words.findProgram}</Label>
    <Input id="program-query" bind:value={query} placeholder={words.findProgram} autocomplete="off" />
    {#if query.trim()}
      <ul class="mb-1.5">
        {#each found as profile (profile.id)}
          <li class="py-0.75 gap-2.5 border-b border-b-rule flex items-center justify-between">
            <span><b>{profile.name}</b> {profile.year} <em>{profile.summary}</em></span>
            <Button
              class="act"
              onclick={() => {
                change({ ...brief, profiles: [...brief.profiles, profile] });
                query = '';
              }}
              aria-label={words.addProgram(profile.name)}>{text.parts.add}</Button
            >
          </li>
        {:else}<li
            class="quiet py-0.75 px-0 gap-2.5 border-b border-b-rule flex items-center justify-between"
          >
            {words.noProgram}
          </li>{/each}
      </ul>
    {/if}
    <OwnProgram
      profiles={[...brief.profiles, ...profiles]}
      add={(profile) => change({ ...brief, profiles: [...brief.profiles, profile] })}
    />
  </section>
  <section>
    <h2 class="mb-1.25">{words.wishes}</h2>
    <WishList wishes={brief.wishes ?? []} {partName} change={(wishes) => change({ ...brief, wishes })} />
  </section>
</div>

<style>
  em {
    color: var(--quiet);
    font-style: normal;
  }
</style>
