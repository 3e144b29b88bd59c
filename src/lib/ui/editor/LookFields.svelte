<script lang="ts">
  import { Textarea, Input, Label } from 'flowbite-svelte';
  import type { Part } from '$lib/core/model';
  import { editor as words } from '$lib/words/en/screens/catalogue';

  interface Props {
    part: Part;
    change: (part: Part) => void;
  }
  let { part, change }: Props = $props();
  const MOST = 24;
  const set = (look: Partial<NonNullable<Part['look']>>) =>
    change({ ...part, look: { chips: [], connectors: [], ...part.look, ...look } });
  const listOf = (text: string) =>
    text
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean)
      .slice(0, MOST);
</script>

<div class="my-2.5 grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-y-2.5 gap-x-4">
  {#each ['chips', 'connectors'] as const as key (key)}
    <div>
      <Label for="p-{key}">{words[key]}</Label>
      <Textarea
        class="w-full"
        id="p-{key}"
        rows={3}
        value={(part.look?.[key] ?? []).join('\n')}
        onchange={(e) => set({ [key]: listOf(e.currentTarget.value) })}
      />
    </div>
  {/each}
  <div>
    <Label for="p-etched">{words.etched}</Label>
    <Input
      id="p-etched"
      value={part.look?.etched ?? ''}
      maxlength={60}
      onchange={(e) => set({ etched: e.currentTarget.value.trim() || undefined })}
    />
  </div>
</div>
