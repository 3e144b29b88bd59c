<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { entryOf } from '../../core/model';
  import { moveList } from '$lib/core/moves';
  import type { Item, Part, Setting } from '$lib/core/model';
  import { positionOf } from '$lib/core/resources';
  import { recordPosition } from '$lib/core/settings';
  import { kindWord, actionWords } from '$lib/words';
  import { getBench } from '../context';
  import CardDrawing from '../parts/CardDrawing.svelte';
  import { text } from '$lib/words/en/screens';

  const { session } = getBench();
  const all = $derived([session.shown.board, ...session.shown.items]);
  const item = $derived(all.find((i) => i.id === session.selected) ?? session.shown.board);
  const part = $derived(entryOf(session.parts, item.part));
  const plan = $derived(moveList(session.shown, session.parts));
  const job = $derived(plan.jobs.find((j) => j.item === item.id));
  const seat = $derived(session.machine.find(item.id)?.slot);

  const firmware = (s: Setting) => part.blocks.find((b) => b.id === s.block)?.kind === 'firmware';
  const options = (s: Setting) => s.positions.map((p) => ({ value: p.id, name: p.label }));

  function setFound(setting: string, position: string) {
    session.item(item.id, (i) => recordPosition(i, part, setting, position || null), text.log.did.asFound);
  }
  function choose(setting: string, position: string) {
    const { [setting]: _, ...others } = item.chosen;
    session.item(
      item.id,
      (i) => ({ ...i, chosen: position ? { ...others, [setting]: position } : others }),
      text.log.did.cap
    );
  }
  const lock = (setting: string) =>
    session.item(
      item.id,
      (i) => ({
        ...i,
        locked: i.locked.includes(setting) ? i.locked.filter((s) => s !== setting) : [...i.locked, setting]
      }),
      text.log.did.lock
    );
  const optionName = ({ label, slot, part: id }: Item, of: Part | undefined) =>
    text.tray.option(slot, label ?? of?.name ?? id, of?.maker ?? '', of ? kindWord(of.kind) : '');
</script>

<section class="border-t border-t-rule mt-2.5 pt-2.75" aria-label={text.tray.selected}>
  <h2 class="eyebrow mb-1.25">{text.tray.change}</h2>
  <label class="sr-only" for="selected">{text.tray.part}</label>
  <OneOf
    id="selected"
    bind:value={session.selected}
    items={all.map((i) => ({ value: i.id, name: optionName(i, session.parts.get(i.part)) }))}
  />
  <p class="what mt-2 mb-1.25 font-[650]">
    {text.tray.where(`${part.maker} ${part.name}`, seat && (seat.label ?? seat.id))}
  </p>
  <CardDrawing {part} {item} />
  <p class="quiet mx-0 mt-0.75 mb-1.5 text-small">{text.tray.legend}</p>
  {#if job?.actions.length}
    <ol class="my-1.25 pl-5.5 list-decimal">
      {#each job.actions as action, i (i)}<li class="marker:font-extrabold">{actionWords(action)}</li>{/each}
    </ol>
    <p class="quiet mx-0 mt-0.75 mb-1.5 text-small">{text.tray.offNote}</p>
  {/if}
  {#if part.settings.length}
    <div
      class="heads py-0.75 border-t-rule grid grid-cols-[1fr_1fr] gap-y-0.5 gap-x-1.5 text-quiet text-small"
      aria-hidden="true"
    >
      <span>{text.tray.asFound}</span><span>{text.tray.chosen}</span>
    </div>
    {#each part.settings as setting (setting.id)}
      {@const position = positionOf(item, setting)}
      {@const locked = item.locked.includes(setting.id)}
      {@const moved =
        setting.known && item.asFound[setting.id] !== undefined && item.asFound[setting.id] !== position}
      <div
        class="setting py-1.5 border-t border-t-rule grid grid-cols-[1fr_1fr] gap-y-0.5 gap-x-1.5"
        class:moved
      >
        <span class="name self-center font-[550]"
          >{setting.label}{#if !setting.known}<em class="text-quiet not-italic font-normal">
              {text.tray.unknown}</em
            >{/if}</span
        >
        <Button
          class="act small lock justify-self-end"
          aria-pressed={locked}
          aria-label={text.tray.lockLabel(setting.label)}
          onclick={() => lock(setting.id)}
          disabled={!setting.known}>{locked ? text.tray.locked : text.tray.lock}</Button
        >
        <OneOf
          aria-label={text.tray.asFoundOf(setting.label)}
          value={item.asFound[setting.id] ?? ''}
          onchange={(e) => setFound(setting.id, e.currentTarget.value)}
        >
          <option value="">{text.tray.notLooked}</option>
          {#each options(setting) as o (o.value)}<option value={o.value}>{o.name}</option>{/each}
        </OneOf>
        <OneOf
          class="chosen"
          aria-label={text.tray.chosenOf(setting.label)}
          value={item.chosen[setting.id] ?? ''}
          onchange={(e) => choose(setting.id, e.currentTarget.value)}
          disabled={!setting.known || firmware(setting) || locked}
        >
          <option value="">{text.tray.likeFound}</option>
          {#each options(setting) as o (o.value)}<option value={o.value}>{o.name}</option>{/each}
        </OneOf>
      </div>
    {/each}
  {/if}
</section>

<style>
  .moved .name {
    font-weight: 800;
  }
  .setting :global(select) {
    padding: 0.25rem 1.3rem 0.25rem 0.35rem;
    font-size: 0.87rem;
    background-position: right 0.3rem center;
    border-color: var(--rule);
  }
  .moved :global(.chosen select) {
    background-color: var(--yellow);
    color: var(--on-yellow);
    border-color: var(--ink);
  }
  .setting :global(.lock[aria-pressed='true']) {
    background: var(--ink);
    color: var(--sheet);
  }
</style>
