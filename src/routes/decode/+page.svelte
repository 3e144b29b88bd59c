<script lang="ts">
  import OneOf from '$lib/ui/kit/OneOf.svelte';
  import { notationFlawWords, decodedSentence, readingWords } from '$lib/words';
  import { sure } from '$lib/core/model';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { Input, Button } from 'flowbite-svelte';
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
  import { switches as switchWords } from '$lib/words/en/screens/switches';
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
<main class="py-4 px-5.5 max-w-288 max-md:p-3.25">
  <h1>{words.title}</h1>
  <p class="max-w-240 text-quiet">{words.lead}</p>
  <div class="top gap-2.5 flex flex-wrap items-start max-w-176">
    <PartPick label={words.choose} action={words.open} pick={(p) => open(p.id)} />
    {#if part}<Button class="act" onclick={() => open(part.id)}>{words.clear}</Button>{/if}
  </div>
  {#if !part}
    <p>{words.start}</p>
    <p>
      {words.try}:
      {#each data.examples as p, i (p.id)}{i ? ', ' : ' '}<a
          class="py-0.75 inline-block"
          href="/decode?part={p.id}">{p.maker} {p.name}</a
        >{/each}
    </p>
  {:else}
    <h2 class="mt-4 text-head">{part.maker} {part.name}</h2>
    {#if !blocks.length}<p>{words.none}</p>{/if}
    <p class="sentence py-2.5 px-3.5 border-2 border-ink bg-sheet text-head" aria-live="polite">
      <i class="mr-1.5 not-italic text-quiet">{words.sentence}</i> <b>{sentence || words.nothing}</b>
    </p>
    <div class="body grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-y-4 gap-x-10 mt-4 max-md:grid-cols-1">
      <section>
        {#each blocks as block (block.id)}
          <div class="block mb-4.5">
            <h3 class="mb-1 text-large font-mono leading-[1.25]">{block.label ?? block.id}</h3>
            <BlockInput
              {block}
              state={stateOf(block.id) ?? undefined}
              label={block.label ?? block.id}
              change={(state) => show(recordBlock(item, part, block.id, state))}
            />
            <Input
              class="mt-1 max-w-88 font-mono"
              aria-label={words.row(block.label ?? block.id)}
              value={rowOf(block)}
              placeholder={block.kind === 'dip' ? switchWords.rowHint : switchWords.rowHintCaps}
              onchange={(e) => typed(block, e)}
              maxlength={200}
              spellcheck="false"
            />
            {#if problems[block.id]}<p class="bad" role="alert">{problems[block.id]}</p>{/if}
          </div>
        {/each}
      </section>
      <section>
        <h3 class="mb-1 text-large">{words.meaning}</h3>
        {#each settings as setting (setting.id)}
          {@const r = sure(
            readings.find((x) => x.setting.id === setting.id),
            'a reading'
          )}
          <label
            class="py-1 border-b border-b-rule grid grid-cols-[11rem_minmax(0,1fr)] gap-y-0 gap-x-2.5 items-center"
          >
            <span class="font-[550]">{setting.label}</span>
            <OneOf
              aria-label={words.position(setting.label)}
              value={r.position ?? ''}
              onchange={(e) => show(recordPosition(item, part, setting.id, e.currentTarget.value || null))}
            >
              <option value="">{r.possible.length === 0 ? words.noneFits : words.any}</option>
              {#each setting.positions as p (p.id)}<option value={p.id}>{p.label}</option>{/each}
            </OneOf>
            <small class="col-2 text-quiet"
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
