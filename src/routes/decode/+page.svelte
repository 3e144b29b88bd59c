<script lang="ts">
  import { notationFlawWords, decodedSentence, readingWords } from '$lib/words';
  import { sure } from '$lib/core/model';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { Button } from 'flowbite-svelte';
  import type { Item, Part, State } from '$lib/core/model';
  import {
    NotationError,
    decode,
    foundState,
    handBlocks,
    isByHand,
    readRow,
    recordBlock,
    recordPosition,
    writeRow
  } from '$lib/core/settings';
  import BlockInput from '$lib/ui/parts/BlockInput.svelte';
  import PartPick from '$lib/ui/parts/PartPick.svelte';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { text } from '$lib/words/en/screens';
  import { decode as decodeText } from '$lib/words/en/screens/notebook';

  let { data } = $props();
  const words = decodeText;
  const part = $derived(data.part as Part | null);
  const blocks = $derived(part ? handBlocks(part) : []);
  /** The states stand in the address, so that a reload or a link brings them back. */
  const item = $derived.by((): Item => {
    let made: Item = { id: 'decode', part: part?.id ?? '', asFound: {}, chosen: {}, locked: [] };
    for (const block of blocks) {
      const row = page.url.searchParams.get(block.id);
      if (!part || !row) continue;
      try {
        made = recordBlock(made, part, block.id, readRow(row, block));
      } catch (error) {
        if (!(error instanceof NotationError)) throw error;
      }
    }
    return made;
  });
  const stateOf = (block: string): State | null => (part ? foundState(part, item, block) : null);
  const readings = $derived(
    part
      ? decode(
          part,
          Object.fromEntries(
            blocks.flatMap((b) => {
              const state = stateOf(b.id);
              return state ? [[b.id, state]] : [];
            })
          )
        )
      : []
  );
  const sentence = $derived(decodedSentence(readings));
  const settings = $derived(part ? part.settings.filter((s) => isByHand(part, s)) : []);
  let problems = $state<Record<string, string>>({});

  const open = (id: string) => goto(`/decode?part=${id}`);
  function show(next: Item) {
    const query = new URLSearchParams({ part: next.part });
    for (const block of blocks) {
      const state = foundState(part!, next, block.id);
      if (state) query.set(block.id, writeRow(block, state));
    }
    void goto(`/decode?${query}`, { replaceState: true, noScroll: true, keepFocus: true });
  }
  const rowOf = (block: (typeof blocks)[number]) => {
    const state = stateOf(block.id);
    return state ? writeRow(block, state) : '';
  };
  function typed(block: (typeof blocks)[number], event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    try {
      show(recordBlock(item, part!, block.id, input.value.trim() ? readRow(input.value, block) : null));
      problems = { ...problems, [block.id]: '' };
    } catch (error) {
      if (!(error instanceof NotationError)) throw error;
      problems = { ...problems, [block.id]: notationFlawWords(error.flaw) };
    }
  }
</script>

<svelte:head><title>{words.title} · {text.product}</title></svelte:head>
<PlaceBar />
<main>
  <h1>{words.title}</h1>
  <p class="lead">{words.lead}</p>
  <div class="top">
    <PartPick label={words.choose} action={words.open} pick={(p) => open(p.id)} />
    {#if part}<Button class="act" onclick={() => open(part.id)}>{words.clear}</Button>{/if}
  </div>
  {#if !part}
    <p>{words.start}</p>
    <p>
      {words.try}:
      {#each data.examples as p, i (p.id)}{i ? ', ' : ' '}<a href="/decode?part={p.id}">{p.maker} {p.name}</a
        >{/each}
    </p>
  {:else}
    <h2>{part.maker} {part.name}</h2>
    {#if !blocks.length}<p>{words.none}</p>{/if}
    <p class="sentence" aria-live="polite"><i>{words.sentence}</i> <b>{sentence || words.nothing}</b></p>
    <div class="body">
      <section>
        {#each blocks as block (block.id)}
          <div class="block">
            <h3>{block.label ?? block.id}</h3>
            <BlockInput
              {block}
              state={stateOf(block.id) ?? undefined}
              label={block.label ?? block.id}
              change={(state) => show(recordBlock(item, part, block.id, state))}
            />
            <input
              aria-label={words.row(block.label ?? block.id)}
              value={rowOf(block)}
              placeholder={block.kind === 'dip' ? text.switches.rowHint : text.switches.rowHintCaps}
              onchange={(e) => typed(block, e)}
              maxlength="200"
              spellcheck="false"
            />
            {#if problems[block.id]}<p class="bad" role="alert">{problems[block.id]}</p>{/if}
          </div>
        {/each}
      </section>
      <section>
        <h3>{words.meaning}</h3>
        {#each settings as setting (setting.id)}
          {@const r = sure(
            readings.find((x) => x.setting.id === setting.id),
            'a reading'
          )}
          <label>
            <span>{setting.label}</span>
            <select
              aria-label={words.position(setting.label)}
              value={r.position ?? ''}
              onchange={(e) => show(recordPosition(item, part, setting.id, e.currentTarget.value || null))}
            >
              <option value="">{r.possible.length === 0 ? words.noneFits : words.any}</option>
              {#each setting.positions as p (p.id)}<option value={p.id}>{p.label}</option>{/each}
            </select>
            <small
              >{!setting.known || (r.position === null && r.possible.length < setting.positions.length)
                ? readingWords(r)
                : ''}</small
            >
          </label>
        {/each}
      </section>
    </div>
  {/if}
</main>

<style>
  main {
    max-width: 72rem;
    padding: 1rem 1.4rem;
  }
  .lead {
    max-width: 60rem;
    color: var(--quiet);
  }
  p a {
    display: inline-block;
    padding: 0.2rem 0;
  }
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: flex-start;
    max-width: 44rem;
  }
  h2 {
    margin-top: 1rem;
    font-size: 1.3rem;
  }
  .sentence {
    padding: 0.6rem 0.9rem;
    border: 2px solid var(--ink);
    background: var(--sheet);
    font-size: 1.25rem;
  }
  .sentence i {
    margin-right: 0.4rem;
    font-style: normal;
    color: var(--quiet);
  }
  .body {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 1rem 2.5rem;
    margin-top: 1rem;
  }
  h3 {
    margin: 0 0 0.25rem;
    font: 700 1.1rem var(--font-mono);
  }
  .block {
    margin-bottom: 1.1rem;
  }
  input {
    display: block;
    width: 100%;
    max-width: 22rem;
    margin-top: 0.3rem;
    padding: 0.3rem 0.5rem;
    border: 1px solid var(--ink);
    font-family: var(--font-mono);
  }
  label {
    display: grid;
    grid-template-columns: 11rem minmax(0, 1fr);
    gap: 0 0.6rem;
    align-items: center;
    padding: 0.25rem 0;
    border-bottom: 1px solid var(--rule);
  }
  label span {
    font-weight: 550;
  }
  select {
    border: 1px solid var(--rule);
    padding: 0.3rem 1.6rem 0.3rem 0.5rem;
  }
  small {
    grid-column: 2;
    color: var(--quiet);
  }
  @media (max-width: 760px) {
    main {
      padding: 0.8rem;
    }
    .body {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
