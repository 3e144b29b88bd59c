<script lang="ts">
  import Pressed from '../kit/Pressed.svelte';
  import FileField from '../kit/FileField.svelte';
  import { onDestroy } from 'svelte';
  import { Button } from 'flowbite-svelte';
  import type { Block, BlockPicture, State } from '$lib/core/model';
  import type { BlockShape, Corners, Point, Raster } from '$lib/core/photo';
  import type { PhotoMessage, PhotoReply } from '$lib/workers/photo';
  import { switches as switchWords } from '$lib/words/en/screens/switches';
  import { today } from '../time';
  import { Task } from '../task/task.svelte';
  import { pictureOf, placesOf, stateOf, toldIn, type Place } from './photo';

  interface Props {
    block: Block;
    shape: BlockShape;
    /** Takes what was confirmed, with the block as it was cut out; null: no picture of it could be made. */
    record: (state: State, picture: BlockPicture | null) => void;
  }
  let { block, shape, record }: Props = $props();
  const words = switchWords.photo;
  const MOST_SIDE = 1600;
  const STEP = 12;
  let canvas: HTMLCanvasElement | undefined = $state();
  let bitmap: ImageBitmap | null = null;
  let isOpen = $state(false);
  let corners = $state.raw<Point[]>([]);
  let cross = $state.raw<Point | null>(null);
  let places = $state.raw<Place[]>([]);
  let read = $state.raw<readonly Place[]>([]);
  let cut: Raster | null = null;
  let trouble = $state('');
  const task = new Task<PhotoMessage, PhotoReply>({
    make: () => new Worker(new URL('../../workers/photo.ts', import.meta.url), { type: 'module' })
  });
  onDestroy(() => task.close());
  const open = $derived(places.filter((p) => p.isDoubtful).length);
  const reading = $derived(stateOf(block, places));

  async function load(input: HTMLInputElement) {
    const [file] = input.files ?? [];
    input.value = '';
    if (!file) return;
    trouble = '';
    places = [];
    corners = [];
    try {
      bitmap = await createImageBitmap(file);
    } catch {
      trouble = words.noPicture;
      return;
    }
    isOpen = true;
    requestAnimationFrame(draw);
  }
  function draw() {
    const ink = canvas?.getContext('2d', { willReadFrequently: true });
    if (!canvas || !ink || !bitmap) return;
    const scale = Math.min(1, MOST_SIDE / Math.max(bitmap.width, bitmap.height));
    canvas.width = Math.round(bitmap.width * scale);
    canvas.height = Math.round(bitmap.height * scale);
    ink.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    const size = canvas.width / 60;
    ink.lineWidth = Math.max(2, size / 5);
    const mark = (p: Point, colour: string) => {
      ink.strokeStyle = colour;
      ink.beginPath();
      ink.moveTo(p.x - size, p.y);
      ink.lineTo(p.x + size, p.y);
      ink.moveTo(p.x, p.y - size);
      ink.lineTo(p.x, p.y + size);
      ink.stroke();
    };
    corners.forEach((p) => mark(p, '#ffc91a'));
    if (cross && corners.length < 4) mark(cross, '#ffffff');
  }
  function put(p: Point) {
    if (corners.length >= 4) return;
    corners = [...corners, p];
    draw();
    if (corners.length === 4) readBlock();
  }
  function tap(event: MouseEvent) {
    if (!canvas) return;
    // Enter on the button: the cross is meant.
    if (event.detail === 0) return put(cross ?? { x: canvas.width / 2, y: canvas.height / 2 });
    const box = canvas.getBoundingClientRect();
    put({
      x: ((event.clientX - box.left) / box.width) * canvas.width,
      y: ((event.clientY - box.top) / box.height) * canvas.height
    });
  }
  function keys(event: KeyboardEvent) {
    if (!canvas) return;
    const move = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    const at = cross ?? { x: canvas.width / 2, y: canvas.height / 2 };
    if (move) {
      const by = event.shiftKey ? 1 : STEP;
      cross = {
        x: Math.min(canvas.width, Math.max(0, at.x + move[0] * by)),
        y: Math.min(canvas.height, Math.max(0, at.y + move[1] * by))
      };
      draw();
      event.preventDefault();
    }
  }
  function again() {
    corners = [];
    places = [];
    trouble = '';
    draw();
  }
  function readBlock() {
    const ink = canvas?.getContext('2d', { willReadFrequently: true });
    if (!canvas || !ink || !bitmap) return;
    // Without the marks.
    ink.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    const { width, height, data } = ink.getImageData(0, 0, canvas.width, canvas.height);
    const rgb = new Uint8ClampedArray(width * height * 3);
    for (let i = 0; i < width * height; i++) rgb.set(data.subarray(i * 4, i * 4 + 3), i * 3);
    draw();
    task.run(
      { raster: { width, height, rgb }, corners: corners as unknown as Corners, shape },
      (reply) => {
        if (reply.kind === 'read') {
          read = places = placesOf(block, reply.value);
          cut = reply.cutOut;
        } else trouble = reply.kind === 'corners' ? words.badCorners : words.broken;
        return false;
      },
      () => (trouble = words.broken)
    );
  }
  /** A tap says what it is; a second one turns it round. */
  const confirm = (i: number) =>
    (places = places.map((p, k) =>
      k !== i ? p : p.isDoubtful ? { ...p, isDoubtful: false } : { ...p, isOn: !p.isOn }
    ));
  function take() {
    const image = cut && pictureOf(cut);
    if (!reading) return;
    record(reading, image ? { at: today(), state: reading, told: toldIn(read, places), image } : null);
    isOpen = false;
    places = [];
    corners = [];
  }
</script>

<div class="my-1.5">
  <FileField
    words={words.pick}
    accept="image/*"
    capture="environment"
    onchange={(e) => load(e.currentTarget)}
  />
  {#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}
  {#if isOpen}
    <p aria-live="polite">{corners.length < 4 ? words.corner[corners.length] : words.done}</p>
    <Pressed
      class="picture my-1.5 border-[1.5px] border-ink w-full max-w-176 cursor-crosshair! touch-manipulation"
      aria-label={words.canvas}
      onclick={tap}
      onkeydown={keys}
    >
      <canvas class="block w-full" bind:this={canvas}></canvas>
    </Pressed>
    <Button class="act" onclick={again}>{words.again}</Button>
    {#if places.length}
      <div class="places my-2 gap-1.5 flex flex-wrap">
        {#each places as p, i (p.name)}
          <Button class="act" onclick={() => confirm(i)}
            >{p.name}: {p.isDoubtful ? words.ask(p.isOn) : p.isOn ? words.on : words.off}</Button
          >
        {/each}
      </div>
      <p>{open ? words.open(open) : words.sure}</p>
      <Button class="act main" disabled={!reading} onclick={take}>{words.take}</Button>
    {/if}
  {/if}
</div>
