<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import type { Part } from '$lib/core/model';
  import { Listing } from '../listing.svelte';
  import { text } from '$lib/words/en/screens';
  import { catalogue } from '$lib/words/en/screens/catalogue';

  interface Props {
    label: string;
    /** Only of this drawer of the catalogue. */
    drawer?: string;
    pick: (part: Part) => void;
    /** What the button of a row says. */
    action?: string;
    id?: string;
  }
  let { label, drawer = '', pick, action = text.parts.add, id = 'part-pick' }: Props = $props();
  const { describeThis } = catalogue;
  const SHOWN = 8;
  // svelte-ignore state_referenced_locally
  const list = new Listing<Part>(`/parts${drawer ? `?drawer=${drawer}` : ''}`, 'parts', {
    rows: [],
    total: 0
  });
  let touched = $state(false);
</script>

<div class="pick flex-[1_1_14rem] min-w-48">
  <Label for={id} class="sr-only">{label}</Label>
  <Input
    {id}
    bind:value={list.query}
    oninput={() => {
      touched = true;
      list.typed();
    }}
    placeholder={label}
    autocomplete="off"
  />
  {#if touched && list.query.trim()}
    <ul class="mt-0.75">
      {#each list.rows.slice(0, SHOWN) as part (part.id)}
        <li
          class="py-0.75 gap-2 border-b border-b-rule flex items-center justify-between text-quiet text-small"
        >
          <span><b class="text-ink">{part.maker} {part.name}</b> {part.summary ?? ''}</span>
          <Button class="act" onclick={() => pick(part)} aria-label={text.parts.addLabel(part.name)}
            >{action}</Button
          >
        </li>
      {:else}
        <li
          class="py-0.75 gap-2 border-b border-b-rule flex items-center justify-between text-quiet text-small"
        >
          <span>{text.parts.none(list.query)}</span>
          <Button class="act" href="/catalogue/edit?name={encodeURIComponent(list.query.trim())}"
            >{describeThis(list.query)}</Button
          >
        </li>
      {/each}
    </ul>
  {/if}
</div>
