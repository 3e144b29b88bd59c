<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Input, Button } from 'flowbite-svelte';
  import type { Part, PhotoMarks, ShelfView } from '$lib/core/model';
  import { markPlaces } from '$lib/core/own';
  import { shelf as shelfText } from '$lib/words/en/screens/shelf';

  interface Props {
    item: string;
    title: string;
    alt?: string;
    photo: ShelfView['photos'][number];
    /** Left out: the photograph is only looked at. */
    change?: (marks: PhotoMarks) => void;
    /** The part that is on it: what marks can be tied to. */
    part: Part | undefined;
  }
  let { item, title, alt = title, photo, change, part }: Props = $props();
  const words = shelfText;
  let open = $state(-1);
  const R = $derived(Math.max(photo.width, photo.height) / 34);

  /** A click on the picture sets the next mark there; its words are asked for below. */
  function mark(event: MouseEvent) {
    if (!change) return;
    const box = (event.currentTarget as Element).getBoundingClientRect();
    const at = (v: number, from: number, size: number) => Math.round(((v - from) / size) * 1000) / 10;
    change([
      ...photo.marks,
      {
        x: at(event.clientX, box.left, box.width),
        y: at(event.clientY, box.top, box.height),
        text: words.newMark
      }
    ]);
    open = photo.marks.length;
  }
  const set = (i: number, said: string) =>
    change?.(
      said
        ? photo.marks.map((m, n) => (n === i ? { ...m, text: said } : m))
        : photo.marks.filter((_, n) => n !== i)
    );
  const places = $derived(part ? markPlaces(part) : []);
  const placeOf = (id: string | undefined) => {
    const found = places.find((p) => p.id === id);
    return found && words.markPlace[found.kind](found.label);
  };
  const tie = (i: number, on: string) =>
    change?.(
      photo.marks.map((m, n) => {
        if (n !== i) return m;
        const { on: _, ...rest } = m;
        return on ? { ...rest, on } : rest;
      })
    );
  /** By keyboard a mark is put in the middle. */
  const addMiddle = () => change?.([...photo.marks, { x: 50, y: 50, text: words.newMark }]);
</script>

<figure class="w-88 max-w-full">
  <figcaption class="text-quiet text-small">
    {title}{title === photo.name ? '' : `, ${photo.name}`}
  </figcaption>
  <div class="picture border border-ink relative">
    <img
      class="block w-full h-auto"
      src="/api/v1/shelf/{item}/photos/{photo.id}"
      {alt}
      width={photo.width}
      height={photo.height}
    />
    <!-- The list below does the same by keyboard. -->
    <svg
      class="absolute inset-0 w-full h-full"
      viewBox="0 0 {photo.width} {photo.height}"
      onclick={mark}
      class:edit={change}
      aria-hidden="true"
    >
      {#each photo.marks as m, i (i)}
        {@const [x, y] = [(m.x * photo.width) / 100, (m.y * photo.height) / 100]}
        <circle class="fill-sheet stroke-ink stroke-2" cx={x} cy={y} r={R} class:on={open === i} />
        <text class="font-extrabold fill-ink" {x} y={y + R * 0.42} text-anchor="middle" font-size={R * 1.25}
          >{i + 1}</text
        >
      {/each}
    </svg>
  </div>
  {#if photo.marks.length}
    <ol class="my-0.75 pl-6 list-decimal">
      {#each photo.marks as m, i (i)}
        <li>
          {#if change}<Input
              class="w-[85%]!"
              value={m.text}
              aria-label={words.markOf(i + 1)}
              maxlength={200}
              onfocus={() => (open = i)}
              onchange={(e) => set(i, e.currentTarget.value.trim())}
            />{#if places.length}<OneOf
                class="w-[85%]! mt-0.75"
                value={m.on ?? ''}
                aria-label={words.markOn(i + 1)}
                onchange={(e) => tie(i, e.currentTarget.value)}
              >
                <option value="">{words.markNowhere}</option>
                {#each places as p (p.id)}<option value={p.id}>{words.markPlace[p.kind](p.label)}</option
                  >{/each}
              </OneOf>{/if}<Button
              class="cross"
              onclick={() => set(i, '')}
              aria-label={words.removeMark(i + 1)}>×</Button
            >
          {:else}{m.text}{#if placeOf(m.on)}<i>, {placeOf(m.on)}</i>{/if}{/if}
        </li>
      {/each}
    </ol>
  {/if}
  {#if change}<Button class="act" onclick={addMiddle}>{words.addMark}</Button>{/if}
</figure>

<style>
  .edit {
    cursor: crosshair;
  }

  circle.on {
    fill: var(--yellow);
  }

  circle.on + text {
    fill: var(--on-yellow);
  }
</style>
