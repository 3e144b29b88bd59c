<script lang="ts">
  import FileField from '$lib/ui/kit/FileField.svelte';
  import OneOf from '$lib/ui/kit/OneOf.svelte';
  import { keyIn } from '$lib/core/model';
  import { Textarea, Button, Input, Label } from 'flowbite-svelte';
  import { goto } from '$app/navigation';
  import type { PhotoMarks, ShelfItem, ShelfView } from '$lib/core/model';
  import CardDrawing from '$lib/ui/parts/CardDrawing.svelte';
  import { onMount } from 'svelte';
  import KeptNotice from '$lib/ui/record/KeptNotice.svelte';
  import { KeptRecord, type Versioned, type Way } from '$lib/ui/record/kept.svelte';
  import { ask, problemLines, type Reply } from '$lib/ui/record/send';
  import Deleted from '$lib/ui/shell/Deleted.svelte';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import Photo from '$lib/ui/sheet/Photo.svelte';
  import Ledger from '$lib/ui/shelf/Ledger.svelte';
  import Trials from '$lib/ui/shelf/Trials.svelte';
  import { text } from '$lib/words/en/screens';
  import { today } from '$lib/ui/time';
  import { catalogue as catalogueText } from '$lib/words/en/screens/catalogue';
  import { shelf as shelfText } from '$lib/words/en/screens/shelf';

  let { data } = $props();
  const words = shelfText;
  // svelte-ignore state_referenced_locally
  let view: ShelfView = $state.raw(data.view);
  let trouble = $state<string[]>([]);
  let lend = $state('');
  // svelte-ignore state_referenced_locally
  const record = new KeptRecord<ShelfItem>(wayOf(data.view.item.id), {
    value: data.view.item,
    version: data.view.version
  });
  onMount(() => record.start());
  const item = $derived(record.now);
  const part = $derived(data.part);
  const shown = $derived({ id: 'shown', part: item.part, asFound: item.asFound, chosen: {}, locked: [] });

  /** Shows a change at once and saves it. */
  const change = (next: ShelfItem): Promise<void> => record.change(next);
  /** The page shows what the server says of the thing besides: who it is lent to, where it sits. */
  function wayOf(id: string): Way<ShelfItem> {
    const told = (reply: Reply<ShelfView>): Reply<Versioned<ShelfItem>> => {
      if (!reply.ok) return reply;
      view = reply.value;
      return { ok: true, value: { value: reply.value.item, version: reply.value.version } };
    };
    return {
      key: `shelf/${id}`,
      save: async (item, version) => told(await ask<ShelfView>('PUT', `/shelf/${id}`, { item, version })),
      load: async () => told(await ask<ShelfView>('GET', `/shelf/${id}`))
    };
  }
  const value = (event: Event) => (event.currentTarget as HTMLInputElement).value.trim();
  function setText(key: 'label' | 'place' | 'notes' | 'bought', event: Event) {
    const { [key]: _old, ...rest } = item;
    void change({ ...rest, ...(value(event) ? { [key]: value(event) } : {}) });
  }
  function setCost(event: Event) {
    const { cost: _old, ...rest } = item;
    const told = value(event);
    void change({ ...rest, ...(told !== '' && Number(told) >= 0 ? { cost: Number(told) } : {}) });
  }
  function setFound(setting: string, position: string) {
    const { [setting]: _old, ...rest } = item.asFound;
    void change({ ...item, asFound: { ...rest, ...(position ? { [setting]: position } : {}) } });
  }
  function lendIt(event: SubmitEvent) {
    event.preventDefault();
    if (!lend.trim()) return;
    void change({ ...item, loans: [...item.loans, { to: lend.trim(), since: today() }] });
    lend = '';
  }
  const back = (i: number) =>
    change({ ...item, loans: item.loans.map((l, n) => (n === i ? { ...l, back: today() } : l)) });

  async function addPhoto(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    if (!file) return;
    const reply = await ask<ShelfView>(
      'POST',
      `/shelf/${item.id}/photos?name=${encodeURIComponent(file.name.slice(0, 120))}`,
      file
    );
    input.value = '';
    if (reply.ok) view = reply.value;
    trouble = reply.ok ? [] : 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
  }
  async function markPhoto(id: string, marks: PhotoMarks) {
    const before = view;
    view = { ...view, photos: view.photos.map((p) => (p.id === id ? { ...p, marks } : p)) };
    const reply = await ask<ShelfView>('PUT', `/shelf/${item.id}/photos/${id}`, { marks });
    trouble = reply.ok ? [] : 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
    view = reply.ok ? { ...view, photos: reply.value.photos } : { ...view, photos: before.photos };
  }
  const troubleOf = (reply: Reply<unknown>): string[] =>
    reply.ok ? [] : 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
  /** The photograph that was deleted last, until it is brought back. */
  let deleted: { photo: ShelfView['photos'][number]; picture: Blob } | null = $state.raw(null);

  async function removePhoto(photo: ShelfView['photos'][number]) {
    const path = `/shelf/${item.id}/photos/${photo.id}`;
    const picture = await fetch(`/api/v1${path}`).then(
      (r) => (r.ok ? r.blob() : null),
      () => null
    );
    // Without its picture at hand it could not be brought back.
    if (!picture) return void (trouble = [text.serverGone]);
    const reply = await ask('DELETE', path);
    trouble = troubleOf(reply);
    if (!reply.ok) return;
    view = { ...view, photos: view.photos.filter((p) => p.id !== photo.id) };
    deleted = { photo, picture };
  }
  async function bringBack({ photo, picture }: NonNullable<typeof deleted>) {
    const path = `/shelf/${item.id}/photos`;
    const before = new Set(view.photos.map((p) => p.id));
    const reply = await ask<ShelfView>('POST', `${path}?name=${encodeURIComponent(photo.name)}`, picture);
    trouble = troubleOf(reply);
    if (!reply.ok) return;
    deleted = null;
    view = { ...view, photos: reply.value.photos };
    const back = view.photos.find((p) => !before.has(p.id));
    if (back && photo.marks.length) await markPhoto(back.id, photo.marks);
  }
  async function toBin() {
    const reply = await ask('DELETE', `/shelf/${item.id}`);
    trouble = troubleOf(reply);
    if (reply.ok) await goto('/shelf');
  }
</script>

<svelte:head><title>{view.title} · {text.product}</title></svelte:head>
<PlaceBar />
<main class="mx-auto p-4 max-w-[1240px]">
  <a class="all py-1.25 inline-block text-ink underline" href="/shelf">{words.back2}</a>
  <h1 class="text-huge">{view.title}</h1>
  <p class="lead">
    {part.maker}
    {part.name}{part.summary ? `, ${part.summary}` : ''}
    {#if view.lentTo}<b class="text-stop">{words.lentTo(view.lentTo)}</b>{/if}
  </p>
  {#each trouble as line (line)}<p class="bad" role="alert">{line}</p>{/each}
  <KeptNotice {record} names={words.fields} />
  <div class="body gap-7.25 grid grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] items-start max-lg:grid-cols-1">
    <section>
      <div class="my-2.5 grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-y-2.5 gap-x-4">
        <div>
          <Label for="f-label">{words.label}</Label><Input
            id="f-label"
            value={item.label ?? ''}
            onchange={(e) => setText('label', e)}
            maxlength={120}
          />
        </div>
        <div>
          <Label for="f-condition">{words.condition}</Label>
          <OneOf
            id="f-condition"
            value={item.condition}
            onchange={(e) =>
              change({
                ...item,
                condition: keyIn(words.conditions, e.currentTarget.value) ?? item.condition
              })}
          >
            {#each Object.entries(words.conditions) as [id, name] (id)}<option value={id}>{name}</option
              >{/each}
          </OneOf>
        </div>
        <div>
          <Label for="f-place">{words.place}</Label><Input
            id="f-place"
            value={item.place ?? ''}
            onchange={(e) => setText('place', e)}
            maxlength={120}
          />
        </div>
        <div>
          <Label for="f-cost">{words.cost}</Label><Input
            id="f-cost"
            type="number"
            min="0"
            value={item.cost ?? ''}
            onchange={setCost}
          />
        </div>
        <div>
          <Label for="f-bought">{words.bought}</Label><Input
            id="f-bought"
            type="date"
            value={item.bought ?? ''}
            onchange={(e) => setText('bought', e)}
          />
        </div>
        <div class="wide col-span-full">
          <Label for="f-notes">{words.notes}</Label>
          <Textarea
            class="w-full"
            id="f-notes"
            rows={2}
            maxlength={2000}
            value={item.notes ?? ''}
            onchange={(e) => setText('notes', e)}
          />
        </div>
      </div>
      <p>
        <b>{words.usedIn}</b>
        {#each view.usedIn as u (u.build)}<a
            class="py-1.25 inline-block text-ink underline ml-2 font-[650]"
            href="/builds/{u.build}/fit">{u.borrowed ? words.onLoanTo(u.name) : u.name}</a
          >{:else}{words.nowhere}{/each}
      </p>
      <h2 class="mt-4 mb-1.25">{words.trials}</h2>
      <Trials trials={item.trials} boards={data.boards} change={(trials) => change({ ...item, trials })} />
      {#if part.drive && ['hard', 'flash'].includes(part.drive.medium)}
        <Ledger record={item.medium} title={view.title} change={(medium) => change({ ...item, medium })} />
      {/if}
      <h2 class="mt-4 mb-1.25">{words.loans}</h2>
      <ul>
        {#each item.loans as loan, i (i)}
          <li class="py-0.75 gap-3.25 flex items-center">
            <b>{loan.to}</b>
            {loan.since ? words.since(loan.since) : ''}
            {#if loan.back}<span>{words.backOn(loan.back)}</span>{:else}<Button
                class="act"
                onclick={() => back(i)}>{words.back}</Button
              >{/if}
          </li>
        {/each}
      </ul>
      <form class="lend gap-2 flex max-w-96" onsubmit={lendIt}>
        <Label for="f-lend" class="sr-only">{words.lendTo}</Label>
        <Input id="f-lend" bind:value={lend} placeholder={words.lendTo} maxlength={100} />
        <Button type="submit" class="act" disabled={view.lentTo !== null}>{words.lend}</Button>
      </form>
    </section>
    <section>
      <h2 class="mt-4 mb-1.25">{words.asFound}</h2>
      {#if part.settings.length}
        {#if part.card || part.board}<CardDrawing {part} item={shown} />
          {#if part.settings.length}<p class="quiet">{words.drawingLegend}</p>{/if}{/if}
        {#each part.settings as s (s.id)}
          <div class="setting py-0.5 gap-2.5 grid grid-cols-[9rem_1fr] items-center">
            <label for="s-{s.id}">{s.label}</label>
            <OneOf
              id="s-{s.id}"
              value={item.asFound[s.id] ?? ''}
              onchange={(e) => setFound(s.id, e.currentTarget.value)}
            >
              <option value="">{words.notLooked}</option>
              {#each s.positions as p (p.id)}<option value={p.id}>{p.label}</option>{/each}
            </OneOf>
          </div>
        {/each}
      {:else}<p class="lead">{catalogueText.noSettings}</p>{/if}
      <h2 class="mt-4 mb-1.25">{words.photos}</h2>
      <div class="photos gap-4 grid grid-cols-[repeat(auto-fill,minmax(16rem,1fr))]">
        {#each view.photos as photo (photo.id)}
          <div>
            <Photo
              item={item.id}
              {photo}
              {part}
              title={photo.name}
              alt={words.photoAlt(photo.name, view.title)}
              change={(marks) => markPhoto(photo.id, marks)}
            />
            <a
              class="py-1.25 inline-block pr-2.5"
              href="/api/v1/shelf/{item.id}/photos/{photo.id}"
              data-sveltekit-reload
              target="_blank"
              rel="noreferrer">{words.wholePhoto}</a
            >
            <Button class="act" onclick={() => removePhoto(photo)} aria-label={words.removePhoto(photo.name)}
              >{words.deletePhoto}</Button
            >
          </div>
        {/each}
      </div>
      {#if deleted}{@const record = deleted}<Deleted
          name={record.photo.name}
          bringBack={() => bringBack(record)}
        />{/if}
      <FileField
        class="my-1.5"
        words={words.addPhoto}
        accept="image/jpeg,image/png,image/webp"
        onchange={addPhoto}
      />
      <p class="lead">{words.photoNote}</p>
      <Button class="act" onclick={toBin}>{words.toBin}</Button>
    </section>
  </div>
</main>

<style>
  .lend :global(.act) {
    white-space: nowrap;
  }
</style>
