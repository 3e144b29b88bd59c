<script lang="ts">
  import Fold from '$lib/ui/kit/Fold.svelte';
  import OneOf from '$lib/ui/kit/OneOf.svelte';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { goto } from '$app/navigation';
  import { onMount, tick } from 'svelte';
  import { BLOCK_KINDS, Part, checkPart, slugOf, schemaFlaws, type SlotBus, keyIn } from '$lib/core/model';
  import BlockEditor from '$lib/ui/editor/BlockEditor.svelte';
  import FactField from '$lib/ui/editor/FactField.svelte';
  import { withFact } from '$lib/ui/editor/fields';
  import FunctionEditor from '$lib/ui/editor/FunctionEditor.svelte';
  import LookFields from '$lib/ui/editor/LookFields.svelte';
  import NotTogether from '$lib/ui/editor/NotTogether.svelte';
  import PasteTable from '$lib/ui/editor/PasteTable.svelte';
  import Sources from '$lib/ui/editor/Sources.svelte';
  import TryIn from '$lib/ui/editor/TryIn.svelte';
  import CardDrawing from '$lib/ui/parts/CardDrawing.svelte';
  import { ask, problemLines } from '$lib/ui/record/send';
  import Deleted from '$lib/ui/shell/Deleted.svelte';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { kindWord, kindWords, problemsOf } from '$lib/words';
  import { text } from '$lib/words/en/screens';
  import { factLabel } from '$lib/words/en/screens/facts';
  import { catalogue as catalogueText, editor as editorText, notTogether as notTogetherText, paste as pasteText } from '$lib/words/en/screens/catalogue';

  let { data } = $props();
  const words = editorText;
  const KEY = 'yj-part-draft';
  const PASTED = 'yj-part-table';
  const MOST_UNDONE = 100;
  const blank = (): Part =>
    Part.parse({
      id: slugOf(data.name, 'my-part'),
      kind: 'card',
      maker: 'unknown',
      name: data.name || 'Unknown',
      card: { bus: 'isa8' }
    });
  // svelte-ignore state_referenced_locally
  const base: Part = data.part ?? blank();
  // svelte-ignore state_referenced_locally
  let part: Part = $state.raw(data.isOwn || !data.part ? base : { ...base, id: `${base.id}-2`.slice(0, 60) });
  let trouble = $state<string[]>([]);
  let saved = $state(false);
  /** Name of the part that was deleted last, until it is brought back. */
  let deleted = $state('');
  let past: Part[] = $state.raw([]);
  let future: Part[] = $state.raw([]);
  let pasted = $state('');
  let copied: Part['settings'][number] | null = $state.raw(null);
  const problems = $derived.by(() => {
    const parsed = Part.safeParse(part);
    return problemsOf(parsed.success ? checkPart(parsed.data) : schemaFlaws(parsed.error));
  });
  const shown = $derived({ id: 'shown', part: part.id, asFound: {}, chosen: {}, locked: [] });

  // What was typed is kept in the browser until it is saved.
  onMount(() => {
    const draft = data.fromDraft ? sessionStorage.getItem('yj-draft') : null;
    pasted = sessionStorage.getItem(PASTED) ?? '';
    const kept = draft ?? (!data.part && !data.name ? localStorage.getItem(KEY) : null);
    if (!kept) return;
    try {
      const parsed = Part.safeParse(JSON.parse(kept));
      if (parsed.success) part = parsed.data;
    } catch {
      localStorage.removeItem(KEY);
    }
    sessionStorage.removeItem('yj-draft');
  });
  function show(next: Part) {
    part = next;
    saved = false;
    localStorage.setItem(KEY, JSON.stringify(next));
  }
  function change(next: Part) {
    past = [...past.slice(-MOST_UNDONE), part];
    future = [];
    show(next);
  }
  function undo() {
    const last = past.at(-1);
    if (!last) return;
    [past, future] = [past.slice(0, -1), [part, ...future]];
    show(last);
  }
  function redo() {
    const [next, ...rest] = future;
    if (!next) return;
    [past, future] = [[...past, part], rest];
    show(next);
  }
  function key(event: KeyboardEvent) {
    const typing = (event.target as HTMLElement).closest('input, textarea, select');
    if (typing || !(event.ctrlKey || event.metaKey)) return;
    const asked = event.key.toLowerCase() === 'y' || (event.shiftKey && event.key.toLowerCase() === 'z') ? redo : event.key === 'z' ? undo : null;
    if (!asked) return;
    event.preventDefault();
    asked();
  }
  function paste(text: string) {
    pasted = text;
    sessionStorage.setItem(PASTED, text);
  }
  const value = (event: Event) => (event.currentTarget as HTMLInputElement).value.trim();
  const letters: Record<string, SlotBus> = { '8': 'isa8', '16': 'isa16', l: 'vlb', p: 'pci', a: 'agp', m: 'memory-board', c: 'pc-card' };
  const slotText = $derived(
    (part.board?.slots ?? []).map((s) => Object.keys(letters).find((k) => letters[k] === s.bus)?.toUpperCase()).join(' ')
  );
  /** Facts of the kinds that it is no more are kept until the page is left, as undo has them. */
  function setKind(kind: Part['kind']) {
    const { board: _b, card: _c, ...rest } = part;
    const facts =
      kind === 'board'
        ? { board: part.board ?? { class: 'at' as const, slots: [] } }
        : kind === 'card'
          ? { card: part.card ?? { bus: 'isa8' as const, fallback8: 'untried' as const } }
          : {};
    change({ ...rest, kind, ...facts });
  }
  /** Kinds that carry jumpers and switches, or did so far. */
  const hasBlocks = $derived(['board', 'card', 'drive', 'adapter', 'keyboard'].includes(part.kind) || part.blocks.length > 0);
  /** Boards and cards have fields of their own for what they cannot be without. */
  const isLater = (g: { key: string; required: boolean }) => !g.required || g.key === 'card' || g.key === 'board';
  const groups = $derived(data.fields[part.kind] ?? []);
  const setFacts = (key: string, value: unknown) => change(withFact(part, key, value) as Part);
  function setSlots(event: Event) {
    const slots = value(event)
      .split(/[\s,]+/)
      .flatMap((x) => letters[x.toLowerCase()] ?? [])
      .slice(0, 12)
      // What is known of a slot stays while its bus does.
      .map((bus, i) => ({ ...(part.board?.slots[i]?.bus === bus ? part.board.slots[i] : {}), id: String(i + 1), bus }));
    if (part.board) change({ ...part, board: { ...part.board, slots } });
  }
  function setCard(facts: Partial<NonNullable<Part['card']>>) {
    if (part.card) change({ ...part, card: { ...part.card, ...facts } });
  }
  function setClass(to: NonNullable<Part['board']>['class'] | undefined) {
    if (part.board && to) change({ ...part, board: { ...part.board, class: to } });
  }
  function setYears(key: 'from' | 'to', event: Event) {
    const year = Number(value(event));
    const sold = { from: part.sold?.from ?? 1990, ...(part.sold?.to ? { to: part.sold.to } : {}) };
    if (value(event) === '' && key === 'to') delete sold.to;
    else if (year >= 1970 && year <= 2010) sold[key] = year;
    change({ ...part, sold });
  }
  /** A block of each kind as it is mostly seen. */
  const shapes = {
    header: { kind: 'header', rows: 2, columns: 3, pin1: 'top-left' },
    dip: { kind: 'dip', switches: 8, printed: 'ON', flipped: false },
    rotary: { kind: 'rotary', steps: 16 },
    slide: { kind: 'slide', steps: 2 },
    solder: { kind: 'solder', bridges: 2 },
    resistor: { kind: 'resistor', packs: 2 }
  } as const;
  let more = $state<'' | keyof typeof shapes>('');
  /** A plain part as the start; the name and the id that were typed stay. */
  function startFrom(id: string) {
    const chosen = data.plain.find((p) => p.id === id);
    if (!chosen) return;
    const named = part.name !== 'Unknown';
    change({ ...chosen, id: part.id, maker: part.maker, name: named ? part.name : chosen.name, summary: chosen.name });
  }
  const plainKinds = $derived([...new Set(data.plain.map((p) => p.kind))]);
  function addBlock(kind: keyof typeof shapes) {
    const n = part.blocks.length + 1;
    const at = { x: 6 + ((n - 1) % 4) * 24, y: 14 + Math.floor((n - 1) / 4) * 30 };
    const name = `${BLOCK_KINDS[kind].prefix}${n}`;
    const id = name.toLowerCase();
    change({
      ...part,
      blocks: [
        ...part.blocks,
        { id, label: name, at, ...shapes[kind] }
      ]
    });
    // What it sets is typed next.
    void tick().then(() => document.getElementById(`sets-${id}`)?.focus());
  }
  function addFunction() {
    const n = part.functions.length + 1;
    change({
      ...part,
      functions: [
        ...part.functions,
        { id: `f${n}`, label: `function ${n}`, kind: 'other', off: [], claims: [], resident: false }
      ]
    });
  }
  async function save() {
    const reply = await ask<Part>('PUT', `/parts/${part.id}`, { part });
    trouble = reply.ok ? [] : 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
    saved = reply.ok;
    if (reply.ok) {
      deleted = '';
      localStorage.removeItem(KEY);
      await goto(`/catalogue/edit?id=${part.id}`, { replaceState: true, noScroll: true, keepFocus: true });
    }
  }
  async function remove() {
    const reply = await ask('DELETE', `/parts/${part.id}`);
    if (reply.ok) {
      // It stays in the editor, and in the browser: saving it brings it back.
      localStorage.setItem(KEY, JSON.stringify(part));
      [deleted, saved] = [part.name, false];
      await goto('/catalogue/edit', { replaceState: true, noScroll: true, keepFocus: true });
    } else trouble = 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
  }
</script>

<svelte:head><title>{words.title} · {text.product}</title></svelte:head>
<svelte:window onkeydown={key} />
<PlaceBar />
<main class="mx-auto p-4 max-w-[1300px]">
  <div class="body gap-6 grid grid-cols-[minmax(0,1fr)_22rem] items-start max-lg:grid-cols-1">
    <section>
      <h1 class="text-big">{words.title}</h1>
      <p class="lead">{words.lead}</p>
      {#if !data.part}
        <div class="start max-w-120 mt-2.5">
          <Label for="p-plain">{words.startFrom}</Label>
          <OneOf id="p-plain" onchange={(e) => startFrom(e.currentTarget.value)}>
            <option value="">{words.startBlank}</option>
            {#each plainKinds as kind (kind)}
              <optgroup label={kindWords(kind)}>
                {#each data.plain.filter((p) => p.kind === kind) as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
              </optgroup>
            {/each}
          </OneOf>
        </div>
      {/if}
      <div class="my-2.5 grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-y-2.5 gap-x-4">
        <div><Label for="p-maker">{words.maker}</Label><Input id="p-maker" value={part.maker} maxlength={80} onchange={(e) => change({ ...part, maker: value(e) || 'unknown' })} /></div>
        <div>
          <Label for="p-name">{words.name}</Label>
          <Input
            id="p-name"
            value={part.name}
            maxlength={80}
            onchange={(e) => change({ ...part, name: value(e) || 'Unknown', ...(data.isOwn || part.id !== 'my-part' ? {} : { id: slugOf(value(e), 'my-part') }) })}
          />
        </div>
        <div><Label for="p-id">{words.id}</Label><Input id="p-id" value={part.id} maxlength={60} disabled={data.isOwn} onchange={(e) => change({ ...part, id: slugOf(value(e), 'my-part') })} /></div>
        <div>
          <Label for="p-kind">{words.kind}</Label>
          <OneOf id="p-kind" value={part.kind} onchange={(e) => setKind(e.currentTarget.value as Part['kind'])}>
            {#each Object.keys(data.fields) as kind (kind)}<option value={kind}>{kindWord(kind as Part['kind'])}</option>{/each}
          </OneOf>
        </div>
        <div><Label for="p-from">{words.from}</Label><Input id="p-from" type="number" min="1970" max="2010" value={part.sold?.from ?? ''} onchange={(e) => setYears('from', e)} /></div>
        <div><Label for="p-to">{words.to}</Label><Input id="p-to" type="number" min="1970" max="2010" value={part.sold?.to ?? ''} onchange={(e) => setYears('to', e)} /></div>
        {#if part.card}
          <div>
            <Label for="p-bus">{words.bus}</Label>
            <OneOf id="p-bus" value={part.card.bus} onchange={(e) => setCard({ bus: keyIn(catalogueText.bus, e.currentTarget.value) ?? part.card?.bus })}>
              {#each Object.entries(catalogueText.bus) as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </OneOf>
          </div>
          <div><Label for="p-length">{words.length}</Label><Input id="p-length" type="number" min="50" max="400" value={part.card.lengthMm ?? ''} onchange={(e) => setCard({ lengthMm: Number(value(e)) > 0 ? Number(value(e)) : undefined })} /></div>
        {/if}
        {#if part.board}
          <div class="wide col-span-2 max-lg:col-span-full"><Label for="p-slots">{words.slots}</Label><Input id="p-slots" value={slotText} onchange={setSlots} /></div>
          <div>
            <Label for="p-class">{words.class}</Label>
            <OneOf id="p-class" value={part.board.class} onchange={(e) => setClass(keyIn(words.classes, e.currentTarget.value))}>
              {#each Object.entries(words.classes) as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </OneOf>
          </div>
        {/if}
        <div class="wide col-span-2 max-lg:col-span-full"><Label for="p-summary">{words.summary}</Label><Input id="p-summary" value={part.summary ?? ''} maxlength={300} onchange={(e) => change({ ...part, summary: value(e) || undefined })} /></div>
      </div>
      {#each groups.filter((g) => !isLater(g)) as group (group.key)}
        <FactField
          field={group}
          id="fact-{group.key}"
          value={part[group.key as keyof Part]}
          change={(value) => setFacts(group.key, value)}
        />
      {/each}
      {#if hasBlocks}
      <h2>{pasteText.title}</h2>
      <PasteTable {part} {change} typed={pasted} type={paste} />
      <h2>{words.blocks}</h2>
      {#each part.blocks as block (block.id)}<BlockEditor
          {part}
          {block}
          {change}
          {copied}
          copy={(setting) => (copied = setting)}
        />{/each}
      <Button class="act" onclick={() => addBlock('header')}>{words.addHeader}</Button>
      <Button class="act" onclick={() => addBlock('dip')}>{words.addDip}</Button>
      <OneOf class="inline-block w-auto!" aria-label={words.addOther} bind:value={more} onchange={() => {
          if (more) addBlock(more);
          more = '';
        }}>
        <option value="">{words.addOther}</option>
        {#each ['rotary', 'slide', 'solder', 'resistor'] as const as kind (kind)}
          <option value={kind}>{words.blockKinds[kind]}</option>
        {/each}
      </OneOf>
      <h2>{words.functions}</h2>
      {#each part.functions as fn (fn.id)}<FunctionEditor {part} {fn} fields={data.functionFields} {change} />{/each}
      <Button class="act" onclick={addFunction}>{words.addFunction}</Button>
      {#if part.settings.length}
        <Fold open={part.constraints.length > 0} title={notTogetherText.title}>
          <NotTogether {part} {change} />
        </Fold>
      {/if}
      {/if}
      {#each groups.filter(isLater) as group (group.key)}
        <Fold open={!group.required && part[group.key as keyof Part] !== undefined} title={factLabel('', group.key)}>
          <FactField
            field={{ ...group, key: '' }}
            id="fact-{group.key}"
            of={group.key}
            value={part[group.key as keyof Part]}
            change={(value) => setFacts(group.key, value)}
          />
        </Fold>
      {/each}
      <h2>{words.evidence}</h2>
      <Sources id="part" list={part.evidence} change={(evidence) => change({ ...part, evidence })} />
      <LookFields {part} {change} />
    </section>
    <aside class="px-3.5 border-[1.5px] border-ink sticky top-2 pt-2.5 pb-3.5 bg-sheet">
      <h2>{words.drawing}</h2>
      <CardDrawing {part} item={shown} isModel />
      {#if problems.length}
        <div class="wrong pl-4.5" role="status">
          <b>{words.wrong}</b>
          <ul class="pl-4.5">{#each problems.slice(0, 8) as p (p.path + p.message)}<li>{p.path}: {p.message}</li>{/each}</ul>
        </div>
      {/if}
      {#if part.card || part.board}<TryIn {part} builds={data.builds} related={data.related} sound={problems.length === 0} />{/if}
      {#each trouble as line (line)}<p class="bad" role="alert">{line}</p>{/each}
      <p role="status">{saved ? words.saved : ''}</p>
      {#if deleted}<Deleted name={deleted} bringBack={save} />{/if}
      <Button class="act" disabled={!past.length} onclick={undo}>{words.undo}</Button>
      <Button class="act" disabled={!future.length} onclick={redo}>{words.redo}</Button>
      <Button class="act main" disabled={problems.length > 0} onclick={save}>{words.save}</Button>
      {#if data.isOwn && part.board}<Button class="act" href="/builds/new?board={part.id}">{words.buildWith}</Button>{/if}
      {#if data.isOwn}<Button class="act" onclick={remove}>{words.remove}</Button>{/if}
    </aside>
  </div>
</main>

<style>
  h2 {
    margin: 1rem 0 0.3rem;
    font-size: 1.15rem;
  }

  aside h2 {
    margin-top: 0;
  }


</style>
