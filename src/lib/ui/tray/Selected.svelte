<script lang="ts">
  import { entryOf } from '../../core/model';
  import { Select } from 'flowbite-svelte';
  import { moveList } from '$lib/core/moves';
  import type { Item, Part, Setting } from '$lib/core/model';
  import { positionOf } from '$lib/core/resources';
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

  const fixedBlock = (s: Setting) =>
    ['startup', 'pnp'].includes(part.blocks.find((b) => b.id === s.block)?.kind ?? '');
  const firmware = (s: Setting) => part.blocks.find((b) => b.id === s.block)?.kind === 'firmware';
  const options = (s: Setting) => s.positions.map((p) => ({ value: p.id, name: p.label }));

  function set(which: 'asFound' | 'chosen', setting: string, event: Event) {
    const value = (event.currentTarget as HTMLSelectElement).value;
    session.item(
      item.id,
      (i) => {
        const next = { ...i[which] };
        if (value) next[setting] = value;
        else delete next[setting];
        return { ...i, [which]: next };
      },
      which === 'asFound' ? text.log.did.asFound : text.log.did.cap
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

<section aria-label={text.tray.selected}>
  <h2 class="eyebrow">{text.tray.change}</h2>
  <label class="sr-only" for="selected">{text.tray.part}</label>
  <Select
    id="selected"
    bind:value={session.selected}
    items={all.map((i) => ({ value: i.id, name: optionName(i, session.parts.get(i.part)) }))}
    placeholder=""
  />
  <p class="what">{text.tray.where(`${part.maker} ${part.name}`, seat && (seat.label ?? seat.id))}</p>
  <CardDrawing {part} {item} />
  <p class="quiet">{text.tray.legend}</p>
  {#if job?.actions.length}
    <ol>
      {#each job.actions as action, i (i)}<li>{actionWords(action)}</li>{/each}
    </ol>
    <p class="quiet">{text.tray.offNote}</p>
  {/if}
  {#if part.settings.length}
    <div class="heads" aria-hidden="true">
      <span>{text.tray.asFound}</span><span>{text.tray.chosen}</span>
    </div>
    {#each part.settings as setting (setting.id)}
      {@const position = positionOf(item, setting)}
      {@const locked = item.locked.includes(setting.id)}
      {@const moved =
        setting.known && item.asFound[setting.id] !== undefined && item.asFound[setting.id] !== position}
      <div class="setting" class:moved>
        <span class="name"
          >{setting.label}{#if !setting.known}<em> {text.tray.unknown}</em>{/if}</span
        >
        <button
          class="lock"
          aria-pressed={locked}
          aria-label={text.tray.lockLabel(setting.label)}
          onclick={() => lock(setting.id)}
          disabled={!setting.known}>{locked ? text.tray.locked : text.tray.lock}</button
        >
        <select
          aria-label={text.tray.asFoundOf(setting.label)}
          value={item.asFound[setting.id] ?? ''}
          onchange={(e) => set('asFound', setting.id, e)}
          disabled={fixedBlock(setting)}
        >
          <option value="">{text.tray.notLooked}</option>
          {#each options(setting) as o (o.value)}<option value={o.value}>{o.name}</option>{/each}
        </select>
        <select
          class="chosen"
          aria-label={text.tray.chosenOf(setting.label)}
          value={item.chosen[setting.id] ?? ''}
          onchange={(e) => set('chosen', setting.id, e)}
          disabled={!setting.known || firmware(setting) || locked}
        >
          <option value="">{text.tray.likeFound}</option>
          {#each options(setting) as o (o.value)}<option value={o.value}>{o.name}</option>{/each}
        </select>
      </div>
    {/each}
  {/if}
</section>

<style>
  section {
    margin-top: 0.6rem;
    padding-top: 0.7rem;
    border-top: 1px solid var(--rule);
  }
  h2 {
    margin-bottom: 0.4rem;
  }
  .what {
    margin: 0.5rem 0 0.3rem;
    font-weight: 650;
  }
  .quiet {
    margin: 0.2rem 0 0.4rem;
    color: var(--quiet);
    font-size: 0.9rem;
  }
  ol {
    margin: 0.3rem 0;
    padding-left: 1.4rem;
    list-style: decimal;
  }
  ol li::marker {
    font-weight: 800;
  }
  .heads,
  .setting {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.15rem 0.4rem;
    padding: 0.35rem 0;
    border-top: 1px solid var(--rule);
  }
  .heads {
    border: 0;
    padding: 0.2rem 0;
    color: var(--quiet);
    font-size: 0.85rem;
  }
  .name {
    align-self: center;
    font-weight: 550;
  }
  .moved .name {
    font-weight: 800;
  }
  em {
    color: var(--quiet);
    font-style: normal;
    font-weight: 400;
  }
  select {
    width: 100%;
    min-width: 0;
    padding: 0.25rem 1.3rem 0.25rem 0.35rem;
    font-size: 0.87rem;
    background-position: right 0.3rem center;
    border: 1px solid var(--rule);
  }
  .moved .chosen {
    background-color: var(--yellow);
    color: var(--on-yellow);
    border-color: var(--ink);
  }
  .lock {
    justify-self: end;
    min-width: 4rem;
    min-height: 1.7rem;
    border: 1px solid var(--rule);
    background: none;
    color: var(--ink);
    cursor: pointer;
    font-size: 0.82rem;
  }
  .lock[aria-pressed='true'] {
    border-color: var(--ink);
    background: var(--ink);
    color: var(--sheet);
  }
</style>
