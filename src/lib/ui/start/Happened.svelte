<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Checkbox, Input, Label } from 'flowbite-svelte';
  import { eraOf, modesOf, readBeeps, readScreen, testsOf, titlesOf } from '$lib/core/diagnosis';
  import { kitOf } from '$lib/core/kit';
  import {
    MESSAGES,
    STAGES,
    type MessageId,
    type Power,
    type StageId,
    type Start,
    entriesOf
  } from '$lib/core/model';
  import { messageWords, stageWords, testWords } from '$lib/words';
  import { getBench } from '../context';
  import { start as words } from '$lib/words/en/screens/start';
  import Clock from './Clock.svelte';
  import Tapper from './Tapper.svelte';

  interface Props {
    note: (start: Start) => void;
    /** What was done since the start before; null: there was none before. */
    after: string | null;
  }
  let { note, after = $bindable() }: Props = $props();
  type Draft = Omit<Start, 'at'>;
  let draft: Draft = $state({});
  let trouble = $state('');
  let read = $state('');
  const readAs = $derived(read.trim() ? readScreen(read) : null);
  const { session } = getBench();
  const titleOf = $derived(titlesOf(session.build, session.parts));
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const since = $derived([
    { value: '', name: words.sinceUnsaid },
    { value: 'nothing', name: words.sinceNothing },
    ...testsOf(modesOf(kit, eraOf(kit), []))
      .filter((t) => t.id !== 'listen' && t.id !== 'set-right' && !t.reads)
      .map((t) => ({ value: t.id, name: testWords(t.id, titleOf).what }))
  ]);
  const beepsOk = $derived(!draft.beeps || readBeeps(draft.beeps) !== null);
  const powers = Object.entries(words.powers) as [Power, string][];
  const seenStages = STAGES.filter(
    (s) => !['reset', 'fetch', 'rom', 'timer', 'controllers', 'setup', 'partition'].includes(s)
  );

  function set<K extends keyof Draft>(key: K, value: Draft[K] | undefined) {
    const { [key]: _, ...rest } = draft;
    draft = value === undefined || value === '' ? rest : { ...rest, [key]: value };
  }
  const toggle = (m: MessageId) => {
    const list = draft.messages ?? [];
    set('messages', list.includes(m) ? list.filter((x) => x !== m) : [...list, m]);
  };
  function save(event: SubmitEvent) {
    event.preventDefault();
    trouble = '';
    if (!beepsOk) return void (trouble = words.badBeeps(draft.beeps ?? ''));
    const messages =
      readAs?.length === 1 ? [...new Set([...(draft.messages ?? []), ...readAs])] : draft.messages;
    const seen = draft.power ?? draft.beeps ?? draft.screen ?? draft.reached ?? messages;
    if (seen === undefined) return void (trouble = words.nothingSeen);
    const kept = read.trim()
      ? [draft.note, read.trim()].filter(Boolean).join(' / ').slice(0, 400)
      : draft.note;
    note({
      at: new Date().toISOString(),
      ...$state.snapshot(draft),
      ...(messages ? { messages } : {}),
      ...(kept ? { note: kept } : {}),
      ...(after ? { after } : {})
    });
    draft = {};
    read = '';
  }
</script>

<form class="gap-3.25 grid content-start" onsubmit={save}>
  {#if after !== null}
    <div>
      <Label for="start-since">{words.since}</Label>
      <OneOf id="start-since" items={since} value={after} onchange={(e) => (after = e.currentTarget.value)} />
    </div>
  {/if}
  <fieldset>
    <legend>{words.power}</legend>
    <div class="gap-2 flex flex-wrap">
      {#each powers as [id, label] (id)}
        <Button
          class="act big"
          aria-pressed={draft.power === id}
          onclick={() => set('power', draft.power === id ? undefined : id)}>{label}</Button
        >
      {/each}
    </div>
  </fieldset>
  <fieldset>
    <legend>{words.beeps}</legend>
    <Label for="start-beeps" class="sr-only">{words.beeps}</Label>
    <Input
      id="start-beeps"
      value={draft.beeps ?? ''}
      maxlength={60}
      placeholder={words.beepsHint}
      autocomplete="off"
      oninput={(e) => set('beeps', (e.currentTarget as HTMLInputElement).value)}
    />
    {#if !beepsOk}<p class="bad" role="status">{words.badBeeps(draft.beeps ?? '')}</p>{/if}
    <Tapper heard={(text) => set('beeps', text)} />
    <Checkbox checked={draft.filmed ?? false} onchange={() => set('filmed', draft.filmed ? undefined : true)}
      >{words.filmed}</Checkbox
    >
  </fieldset>
  <fieldset>
    <legend>{words.screen}</legend>
    <div class="gap-2 flex flex-wrap">
      {#each entriesOf(words.screens) as [id, label] (id)}
        <Button
          class="act big"
          aria-pressed={draft.screen === id}
          onclick={() => set('screen', draft.screen === id ? undefined : id)}>{label}</Button
        >
      {/each}
    </div>
    <Clock />
    {#if draft.screen === 'dark'}
      <Checkbox
        checked={draft.darkSure ?? false}
        onchange={() => set('darkSure', draft.darkSure ? undefined : true)}>{words.darkSure}</Checkbox
      >
    {/if}
  </fieldset>
  <fieldset>
    <legend>{words.reached}</legend>
    <Label for="start-reached" class="sr-only">{words.reached}</Label>
    <OneOf
      id="start-reached"
      items={[
        { value: '', name: words.notLooked },
        ...seenStages.map((s) => ({ value: s, name: stageWords[s] }))
      ]}
      value={draft.reached ?? ''}
      onchange={(e) => set('reached', (e.currentTarget.value || undefined) as StageId | undefined)}
    />
    <Checkbox checked={draft.stays ?? false} onchange={() => set('stays', draft.stays ? undefined : true)}
      >{words.stays}</Checkbox
    >
  </fieldset>
  {#if draft.screen === 'text'}
    <fieldset>
      <legend>{words.messages}</legend>
      <Label for="start-text" class="sr-only">{words.screenText}</Label>
      <Input
        id="start-text"
        value={read}
        maxlength={200}
        placeholder={words.screenTextHint}
        autocomplete="off"
        oninput={(e) => (read = (e.currentTarget as HTMLInputElement).value)}
      />
      {#if readAs}
        <p class="read" role="status">
          {readAs.length === 1
            ? words.readAs(messageWords[readAs[0]])
            : readAs.length
              ? words.readAsOr(readAs.map((m) => messageWords[m]).join(' · '))
              : words.notRead}
        </p>
      {/if}
      <div class="messages grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-y-1.5 gap-x-3.25">
        {#each MESSAGES as m (m)}
          <Checkbox checked={draft.messages?.includes(m) ?? false} onchange={() => toggle(m)}
            >{messageWords[m]}</Checkbox
          >
        {/each}
        <Checkbox
          checked={draft.messages?.length === 0}
          onchange={() => set('messages', draft.messages?.length === 0 ? undefined : [])}
          >{words.noMessages}</Checkbox
        >
      </div>
    </fieldset>
  {/if}
  {#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}
  <Button type="submit" class="act main">{words.save}</Button>
</form>

<style>
  fieldset {
    display: grid;
    gap: 0.45rem;
    min-width: 0;
  }
  legend {
    margin-bottom: 0.3rem;
    font-weight: 650;
  }
</style>
