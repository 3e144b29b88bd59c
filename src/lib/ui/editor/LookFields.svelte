<script lang="ts">
  import { Input, Label } from 'flowbite-svelte';
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

<div class="fields">
  {#each ['chips', 'connectors'] as const as key (key)}
    <div>
      <Label for="p-{key}">{words[key]}</Label>
      <textarea
        id="p-{key}"
        rows="3"
        value={(part.look?.[key] ?? []).join('\n')}
        onchange={(e) => set({ [key]: listOf(e.currentTarget.value) })}
      ></textarea>
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

<style>
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
    gap: 0.6rem 1rem;
    margin: 0.6rem 0;
  }
  textarea {
    width: 100%;
    padding: 0.5rem 0.6rem;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
  }
</style>
