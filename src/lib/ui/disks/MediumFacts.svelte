<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { DiskRecord } from '$lib/core/model';
  import { text } from '../text';
  import { wholeNumber } from './record';

  interface Props {
    record: DiskRecord | undefined;
    /** How it was made as the shelf knows it, where the build does not. */
    inherited?: DiskRecord['made'];
    /** The thing itself, and where it is now. */
    title: string;
    where: string;
    save: (to: (old: DiskRecord) => DiskRecord, note: string) => void;
  }
  let { record, inherited, title, where, save }: Props = $props();
  const words = text.disks;
  const made = $derived(record?.made ?? inherited);
  const real = $derived(record?.real);

  type Field = 'cylinders' | 'heads' | 'sectors' | 'total';
  const most: Record<Field, number> = { cylinders: 65_536, heads: 16, sectors: 255, total: 2 ** 48 };
  let typed = $state<Record<Field, string>>({ cylinders: '', heads: '', sectors: '', total: '' });
  let madeTyped = $state({ heads: '', sectors: '' });
  let trouble = $state('');

  /** Numbers that were typed; the first that is none is told. */
  function numbers<K extends string>(
    fields: readonly K[],
    from: Record<K, string>,
    limits: Record<K, number>
  ): Record<K, number> | null {
    trouble = '';
    const out = {} as Record<K, number>;
    for (const field of fields) {
      const value = wholeNumber(from[field], limits[field]);
      if (value === null) {
        trouble = words.badNumber(words.fieldNames[field as Field], limits[field]);
        return null;
      }
      out[field] = value;
    }
    return out;
  }
  function saveReal(event: SubmitEvent) {
    event.preventDefault();
    const fields = (['cylinders', 'heads', 'sectors', 'total'] as const).filter(
      (f) => f !== 'total' || typed.total.trim()
    );
    const next = numbers(fields, typed, most);
    if (!next) return;
    save((old) => ({ ...old, real: next }), words.realDone(title));
    typed = { cylinders: '', heads: '', sectors: '', total: '' };
  }
  const forgetReal = () => save(({ real: _, ...old }) => old, words.realDone(title));
  function saveMade(event: SubmitEvent) {
    event.preventDefault();
    const next = numbers(['heads', 'sectors'] as const, madeTyped, { heads: 256, sectors: 63 });
    if (!next) return;
    const now = { ...next, where, at: new Date().toISOString() };
    save((old) => ({ ...old, made: now }), words.madeDone(title));
    madeTyped = { heads: '', sectors: '' };
  }
</script>

<p>
  {words.real}
  {#if real}<b
      >{real.cylinders.toLocaleString('en')} × {real.heads} × {real.sectors}{real.total
        ? `, ${words.inAll(real.total.toLocaleString('en'))}`
        : ''}</b
    >
    <button class="forget" onclick={forgetReal}>{words.forgetReal}</button>
  {:else}<span class="quiet">{words.asModel}</span>{/if}
</p>
<details>
  <summary>{words.realOther}</summary>
  <form class="inline-form" onsubmit={saveReal}>
    {#each ['cylinders', 'heads', 'sectors', 'total'] as const as field (field)}
      <input
        bind:value={typed[field]}
        aria-label={words.realField(words.fieldNames[field])}
        placeholder={words.fieldNames[field]}
        inputmode="numeric"
        maxlength="19"
      />
    {/each}
    <Button type="submit" class="act">{words.saveReal}</Button>
  </form>
</details>
<p>
  {words.made}
  {#if made}<b>{made.heads} {words.madeHeads}, {made.sectors} {words.madeSectors}</b>
    {made.where ? `${words.madeWhere} ${made.where}` : ''}{:else}<span class="quiet">{words.notKnown}</span
    >{/if}
</p>
<form class="inline-form" onsubmit={saveMade}>
  <input
    bind:value={madeTyped.heads}
    aria-label={words.madeHeads}
    placeholder={words.madeHeads}
    inputmode="numeric"
    maxlength="3"
  />
  <input
    bind:value={madeTyped.sectors}
    aria-label={words.madeSectors}
    placeholder={words.madeSectors}
    inputmode="numeric"
    maxlength="2"
  />
  <Button type="submit" class="act">{words.saveMade}</Button>
</form>
{#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}

<style>
  p {
    margin: 0.25rem 0;
  }
  .quiet {
    color: var(--quiet);
  }
  .bad {
    color: var(--stop);
    font-weight: 800;
  }
  .forget {
    border: 0;
    background: none;
    color: inherit;
    text-decoration: underline;
    cursor: pointer;
  }
  summary {
    cursor: pointer;
  }
</style>
