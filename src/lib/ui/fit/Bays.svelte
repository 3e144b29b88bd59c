<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Checkbox, Label } from 'flowbite-svelte';
  import { holdsNow, moduleBays, moduleFunctions, together, type Kit, type Layout } from '$lib/core/kit';
  import { BOARD_ITEM } from '$lib/core/model';
  import { getBench } from '../context';
  import { bays as words } from '$lib/words/en/screens/fit';

  let { kit }: { kit: Kit } = $props();
  const { session } = getBench();
  const board = $derived(kit.m.board.part);
  const bays = $derived(moduleBays(kit));
  const functions = $derived(moduleFunctions(board));
  let wished = $state<string[]>([]);
  const answer = $derived(together(board, wished, holdsNow(bays)));
  const nameOf = (fn: string) => functions.find((f) => f.id === fn)?.label ?? fn;
  const layoutText = (l: Layout) =>
    bays
      .map(({ setting }) =>
        words.holds(setting.label, setting.positions.find((p) => p.id === l.holds[setting.id])?.label ?? '')
      )
      .join('; ');

  const use = (holds: Readonly<Record<string, string>>) =>
    session.item(BOARD_ITEM, (item) => ({ ...item, chosen: { ...item.chosen, ...holds } }), words.changed);
  const toggle = (fn: string) =>
    (wished = wished.includes(fn) ? wished.filter((f) => f !== fn) : [...wished, fn]);
</script>

<section>
  <h2>{words.title}</h2>
  <div class="flex flex-wrap gap-y-2.5 gap-x-4.75 mb-2.5">
    {#each bays as bay (bay.setting.id)}
      <div>
        <Label for="bay-{bay.setting.id}">{bay.setting.label}{bay.isSeen ? '' : ` (${words.unseen})`}</Label>
        <OneOf
          id="bay-{bay.setting.id}"
          class="min-w-48"
          items={bay.setting.positions.map((p) => ({ value: p.id, name: p.label }))}
          value={bay.holds}
          onchange={(e) => use({ [bay.setting.id]: e.currentTarget.value })}
        />
      </div>
    {/each}
  </div>
  <fieldset>
    <legend class="font-[650]">{words.together}</legend>
    <div class="flex flex-wrap gap-y-2.5 gap-x-4.75 mb-2.5">
      {#each functions as fn (fn.id)}
        <Checkbox checked={wished.includes(fn.id)} onchange={() => toggle(fn.id)}>{fn.label}</Checkbox>
      {/each}
    </div>
  </fieldset>
  <div role="status">
    {#if wished.length}
      {#each answer.cannot as set (set.join())}<p class="bad">{words.cannot(set.map(nameOf))}</p>{/each}
      <ul>
        {#each answer.layouts as layout (Object.values(layout.holds).join())}
          <li class="py-0.75 flex flex-wrap gap-y-1.5 gap-x-4 items-center">
            <span>{layoutText(layout)}{layout.lacksBattery ? `. ${words.noBattery}` : ''}</span>
            {#if layout.isNow}<b>{words.asNow}</b>
            {:else}<Button class="act" onclick={() => use(layout.holds)}>{words.use}</Button>{/if}
          </li>
        {/each}
      </ul>
    {/if}
  </div>
</section>
