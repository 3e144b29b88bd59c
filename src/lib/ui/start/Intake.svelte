<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { tick } from 'svelte';
  import { group } from 'd3';
  import { Button, Checkbox, Input, Label } from 'flowbite-svelte';
  import { answer, freeze, intakeOf, intakeText, unanswer, type IntakeLine } from '$lib/core/intake';
  import { kitOf } from '$lib/core/kit';
  import { INTAKE_SOURCES, type IntakeSource } from '$lib/core/model';
  import { getBench } from '../context';
  import { intake as words } from '$lib/words/en/screens/intake';
  import { timeText } from '../time';

  const { session } = getBench();
  const lines = $derived(intakeOf(kitOf(session.build, session.parts, session.machine)));
  const parts = $derived(group(lines, (l) => l.entry.part));
  const frozen = $derived(session.build.intake?.frozen);
  /** The entry that is being written, with what is typed. */
  let open = $state('');
  let draft = $state({ source: 'seen' as IntakeSource, by: '', text: '', photo: false });

  async function begin(id: string) {
    open = open === id ? '' : id;
    draft = { source: 'seen', by: draft.by, text: '', photo: false };
    await tick();
    document.getElementById('intake-text')?.focus();
  }
  function save(event: SubmitEvent, id: string) {
    event.preventDefault();
    const { source, by, text, photo } = $state.snapshot(draft);
    const told = {
      at: new Date().toISOString(),
      source,
      ...(by.trim() ? { by: by.trim() } : {}),
      ...(text.trim() ? { text: text.trim() } : {}),
      ...(photo ? { photo } : {})
    };
    session.change(answer(session.build, id, told), words.noted);
    open = '';
  }
  const takeAway = (id: string) => session.change(unanswer(session.build, id), words.noted);
  async function takeAsFound() {
    const { subtle } = globalThis.crypto;
    const bytes = new TextEncoder().encode(intakeText(session.build));
    // Browsers give hashes only to pages of this machine or behind a certificate.
    const sum = subtle ? new Uint8Array(await subtle.digest('SHA-256', bytes)) : null;
    const hex = sum ? [...sum].map((b) => b.toString(16).padStart(2, '0')).join('') : undefined;
    session.change(freeze(session.build, new Date().toISOString(), hex), words.wasFrozen);
  }
  const isTwo = (l: IntakeLine) => new Set(l.answers.map((a) => a.text ?? '')).size > 1;
</script>

<p class="lead border-l-6 border-l-ink border-double mb-1.5 pl-2.5">{words.lead}</p>
<p class="font-bold text-head">
  {words.progress(lines.filter((l) => !l.isOpen).length, lines.length)}
</p>
{#each [...parts] as [part, list] (part)}
  <section>
    <h2 class="mt-4 mb-1.25">{words.parts[part]}</h2>
    <ul>
      {#each list as l (l.entry.id)}
        {@const [title, hint] = words.entries[l.entry.id] ?? [l.entry.id, '']}
        <li
          class="py-1.75 px-2.5 border-b border-l-8 border-b-rule border-l-ink grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-y-1.5 gap-x-5.5 max-md:grid-cols-1"
          class:open={l.isOpen}
        >
          <div class="what">
            <b class="block">{title}</b>
            {#if l.entry.atFirstPower}<em class="not-italic font-[650] block">{words.atFirstPower}</em>{/if}
            <span class="quiet block">{hint}</span>
            {#if l.isOpen && !l.entry.atFirstPower}<span class="block font-[650]">{words.gap}</span>{/if}
          </div>
          <div>
            {#if l.known}<p class="mb-1.25">{words.known(l.known)}</p>{/if}
            {#each l.answers as a (a.at)}
              <p class="mb-1.25">
                {[words.sources[a.source], a.by, timeText(a.at), a.photo ? words.photo : '']
                  .filter(Boolean)
                  .join(', ')}{#if a.text}: <b>{a.text}</b>{/if}
              </p>
            {/each}
            {#if isTwo(l)}<p class="font-[650] mb-1.25">{words.differ}</p>{/if}
            <Button
              class="act"
              aria-expanded={open === l.entry.id}
              aria-label="{l.answers.length ? words.more : words.add}: {title}"
              onclick={() => begin(l.entry.id)}>{l.answers.length ? words.more : words.add}</Button
            >
            {#if l.answers.length && !frozen}
              <Button class="act" aria-label="{words.take}: {title}" onclick={() => takeAway(l.entry.id)}
                >{words.take}</Button
              >
            {/if}
            {#if open === l.entry.id}
              <form
                class="grid grid-cols-[1fr_1fr] gap-y-2 gap-x-3.25 items-end mt-2 max-md:grid-cols-1"
                onsubmit={(e) => save(e, l.entry.id)}
              >
                <div>
                  <Label for="intake-source">{words.source}</Label>
                  <OneOf
                    id="intake-source"
                    items={INTAKE_SOURCES.map((value) => ({ value, name: words.sources[value] }))}
                    bind:value={draft.source}
                  />
                </div>
                <div>
                  <Label for="intake-by">{words.by}</Label>
                  <Input id="intake-by" bind:value={draft.by} maxlength={80} />
                </div>
                <div class="wide col-span-full">
                  <Label for="intake-text">{words.text}</Label>
                  <Input id="intake-text" bind:value={draft.text} maxlength={600} />
                </div>
                <Checkbox bind:checked={draft.photo}>{words.photo}</Checkbox>
                <Button type="submit" class="act main">{words.add}</Button>
              </form>
            {/if}
          </div>
        </li>
      {/each}
    </ul>
  </section>
{/each}
{#if frozen}
  <p class="mt-4 font-[650]">
    {words.frozen(timeText(frozen.at))}
    <small class="block font-mono font-normal wrap-anywhere"
      >{frozen.sha256 ? words.hash(frozen.sha256) : words.noHash}</small
    >
  </p>
{:else}
  <p class="quiet">{words.freezeWhy}</p>
  <Button class="act" onclick={takeAsFound}>{words.freeze}</Button>
{/if}

<style>
  li.open {
    border-left-color: var(--rule);
  }
</style>
