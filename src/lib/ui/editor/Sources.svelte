<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { keyIn } from '../../core/model';
  import { Checkbox, Input, Button } from 'flowbite-svelte';
  import type { z } from 'zod';
  import type { Evidence } from '$lib/core/model';
  import { editor as editorText } from '$lib/words/en/screens/catalogue';

  type Source = z.output<typeof Evidence>;
  let { list, change, id }: { list: readonly Source[]; change: (list: Source[]) => void; id: string } =
    $props();
  const words = editorText;
  const edit = (i: number, part: Partial<Source>) =>
    change(list.map((e, n) => (n === i ? { ...e, ...part } : e)));
  /** Only one of those that disagree can have held. */
  const hold = (i: number) =>
    change(list.map(({ held: _h, ...e }, n) => (n === i && !list[i].held ? { ...e, held: true } : e)));
</script>

{#each list as e, i (i)}
  <div class="gap-1.5 flex flex-wrap items-center mb-1.25">
    <label class="sr-only" for="{id}-source-{i}">{words.source}</label>
    <OneOf
      id="{id}-source-{i}"
      value={e.source}
      onchange={(x) => edit(i, { source: keyIn(words.sources, x.currentTarget.value) ?? e.source })}
    >
      {#each Object.entries(words.sources) as [key, name] (key)}<option value={key}>{name}</option>{/each}
    </OneOf>
    <label class="sr-only" for="{id}-says-{i}">{words.says}</label>
    <Input
      class="flex-[1_1_9rem] min-w-0"
      id="{id}-says-{i}"
      placeholder={words.says}
      value={e.says ?? ''}
      maxlength={400}
      onchange={(x) => edit(i, { says: x.currentTarget.value.trim() || undefined })}
    />
    <label class="sr-only" for="{id}-note-{i}">{words.note}</label>
    <Input
      class="flex-[1_1_9rem] min-w-0"
      id="{id}-note-{i}"
      placeholder={words.note}
      value={e.note ?? ''}
      maxlength={400}
      onchange={(x) => edit(i, { note: x.currentTarget.value.trim() || undefined })}
    />
    <label><Checkbox checked={e.held ?? false} onchange={() => hold(i)} /> {words.held}</label>
    <Button
      class="act"
      onclick={() => change(list.filter((_, n) => n !== i))}
      aria-label={words.removeEvidence}>×</Button
    >
  </div>
{/each}
<Button class="act" onclick={() => change([...list, { source: 'silkscreen' }])}>{words.addEvidence}</Button>
