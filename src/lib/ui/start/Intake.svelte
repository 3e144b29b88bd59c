<script lang="ts">
  import { tick } from 'svelte';
  import { group } from 'd3';
  import { Button, Checkbox, Input, Label, Select } from 'flowbite-svelte';
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

<p class="lead">{words.lead}</p>
<p class="progress">{words.progress(lines.filter((l) => !l.isOpen).length, lines.length)}</p>
{#each [...parts] as [part, list] (part)}
  <section>
    <h2>{words.parts[part]}</h2>
    <ul>
      {#each list as l (l.entry.id)}
        {@const [title, hint] = words.entries[l.entry.id] ?? [l.entry.id, '']}
        <li class:open={l.isOpen}>
          <div class="what">
            <b>{title}</b>
            {#if l.entry.atFirstPower}<em>{words.atFirstPower}</em>{/if}
            <span class="quiet">{hint}</span>
            {#if l.isOpen && !l.entry.atFirstPower}<span class="gap">{words.gap}</span>{/if}
          </div>
          <div class="told">
            {#if l.known}<p>{words.known(l.known)}</p>{/if}
            {#each l.answers as a (a.at)}
              <p>
                {[words.sources[a.source], a.by, timeText(a.at), a.photo ? words.photo : '']
                  .filter(Boolean)
                  .join(', ')}{#if a.text}: <b>{a.text}</b>{/if}
              </p>
            {/each}
            {#if isTwo(l)}<p class="gap">{words.differ}</p>{/if}
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
              <form onsubmit={(e) => save(e, l.entry.id)}>
                <div>
                  <Label for="intake-source">{words.source}</Label>
                  <Select
                    id="intake-source"
                    placeholder=""
                    items={INTAKE_SOURCES.map((value) => ({ value, name: words.sources[value] }))}
                    bind:value={draft.source}
                  />
                </div>
                <div>
                  <Label for="intake-by">{words.by}</Label>
                  <Input id="intake-by" bind:value={draft.by} maxlength={80} />
                </div>
                <div class="wide">
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
  <p class="frozen">
    {words.frozen(timeText(frozen.at))}
    <small>{frozen.sha256 ? words.hash(frozen.sha256) : words.noHash}</small>
  </p>
{:else}
  <p class="quiet">{words.freezeWhy}</p>
  <Button class="act" onclick={takeAsFound}>{words.freeze}</Button>
{/if}

<style>
  .lead {
    margin-bottom: 0.4rem;
    padding-left: 0.6rem;
    border-left: 6px double var(--ink);
  }
  .progress {
    font-weight: 700;
    font-size: 1.2rem;
  }
  h2 {
    margin: 1rem 0 0.2rem;
    font-size: 1.1rem;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 0.4rem 1.4rem;
    padding: 0.45rem 0.6rem;
    border-left: 8px solid var(--ink);
    border-bottom: 1px solid var(--rule);
  }
  li.open {
    border-left-color: var(--rule);
  }
  .what > * {
    display: block;
  }
  em {
    font-style: normal;
    font-weight: 650;
  }
  .gap {
    font-weight: 650;
  }
  .told p {
    margin: 0 0 0.3rem;
  }
  form {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem 0.8rem;
    align-items: end;
    margin-top: 0.5rem;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .frozen {
    margin-top: 1rem;
    font-weight: 650;
  }
  small {
    display: block;
    font-family: var(--font-mono);
    font-weight: 400;
    overflow-wrap: anywhere;
  }
  @media (max-width: 700px) {
    li,
    form {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
