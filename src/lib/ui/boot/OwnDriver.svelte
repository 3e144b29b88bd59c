<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Checkbox, Input, Label } from 'flowbite-svelte';
  import { withBoot } from '$lib/core/boot';
  import { OwnDriver } from '$lib/core/model';
  import { getBench } from '../context';
  import { boot } from '$lib/words/en/screens/boot';

  const words = boot.ownDriver;
  const { session } = getBench();
  const own = $derived(session.build.boot?.own ?? []);
  let file = $state('');
  let where = $state<'config' | 'autoexec'>('config');
  let load = $state('');
  let stay = $state('');
  let high = $state(false);
  let isBad = $state(false);
  /** `12` or `11,6`; empty is no size. */
  const kib = (text: string) => (text.trim() ? Math.round(Number(text.replace(',', '.')) * 1024) : NaN);

  function add() {
    const sizes = [kib(load), kib(stay)] as const;
    const read = OwnDriver.safeParse({
      file: file.trim(),
      where,
      load: Math.max(...sizes),
      stay: sizes[1],
      high
    });
    isBad = !read.success;
    if (!read.success) return;
    session.change(withBoot(session.build, { own: [...own, read.data] }), words.added);
    file = load = stay = '';
    high = false;
  }
  const remove = (i: number) =>
    session.change(withBoot(session.build, { own: own.filter((_, k) => k !== i) }), words.removed);
</script>

<Fold title={words.title}>
  {#if own.length}
    <ul>
      {#each own as d, i (`${i}${d.file}`)}
        <li class="border-b border-b-rule flex justify-between items-center">
          <span>{d.file}, {words.wheres[d.where]}, {boot.stays(d.stay, d.stay)}</span>
          <Button class="act" aria-label={words.remove(d.file)} onclick={() => remove(i)}>×</Button>
        </li>
      {/each}
    </ul>
  {/if}
  <div class="gap-2.5 grid grid-cols-[repeat(auto-fit,minmax(9rem,1fr))] mb-2">
    <div>
      <Label for="own-file">{words.file}</Label><Input id="own-file" bind:value={file} maxlength={12} />
    </div>
    <div>
      <Label for="own-where">{words.where}</Label>
      <OneOf
        id="own-where"
        items={Object.entries(words.wheres).map(([value, name]) => ({ value, name }))}
        bind:value={where}
      />
    </div>
    <div>
      <Label for="own-load">{words.load}</Label><Input id="own-load" bind:value={load} maxlength={8} />
    </div>
    <div>
      <Label for="own-stay">{words.stay}</Label><Input id="own-stay" bind:value={stay} maxlength={8} />
    </div>
  </div>
  <Checkbox bind:checked={high}>{words.high}</Checkbox>
  <p class="my-2"><Button class="act" onclick={add}>{words.add}</Button></p>
  {#if isBad}<p class="bad my-2 mx-0" role="alert">{words.bad}</p>{/if}
</Fold>
