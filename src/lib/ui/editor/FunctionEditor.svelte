<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { byId } from '../../core/model';
  import { Input, Button } from 'flowbite-svelte';
  import { FunctionKind, hex, parseHex, type Claim, type Part, type PartFunction } from '$lib/core/model';
  import { editor as editorText } from '$lib/words/en/screens/catalogue';
  import type { functionFields } from '$lib/formats';
  import { row as rowText } from '$lib/words/en/screens/catalogue';
  import FactFields from './FactFields.svelte';
  import Sources from './Sources.svelte';

  interface Props {
    part: Part;
    fn: PartFunction;
    /** What can be written down of functions and their lines beside what is here. */
    fields: ReturnType<typeof functionFields>;
    change: (part: Part) => void;
  }
  let { part, fn, fields, change }: Props = $props();
  const words = editorText;
  const drives = ['hard-disk', 'floppy', 'scsi', 'cdrom', 'usb'];
  /** Facts that only functions of some kinds have. */
  const only: Record<string, readonly string[]> = {
    speaks: drives,
    units: drives,
    scsi: ['scsi'],
    uart: ['serial', 'modem'],
    floppyKiB: ['floppy'],
    memoryKiB: ['memory', 'ems', 'network', 'display'],
    parity: ['memory']
  };
  const own = $derived(fields.function.filter((f) => only[f.key]?.includes(fn.kind) ?? true));
  const set = (next: PartFunction) =>
    change({ ...part, functions: part.functions.map((f) => (f.id === fn.id ? next : f)) });
  const known = $derived(part.settings.filter((s) => s.positions.length));
  const isAddress = (r: Claim['resource']) => r === 'io' || r === 'memory';
  const show = (claim: Claim, value: number | null | undefined) =>
    value === null || value === undefined
      ? ''
      : isAddress(claim.resource)
        ? hex(value, claim.resource === 'memory' ? 5 : 3)
        : String(value);
  function read(claim: Claim, told: string): number | null {
    if (!told.trim()) return null;
    if (isAddress(claim.resource)) return parseHex(told);
    const n = Number(told);
    return Number.isInteger(n) && n >= 0 && n <= 15 ? n : null;
  }
  const setClaim = (i: number, claim: Claim) =>
    set({ ...fn, claims: fn.claims.map((c, n) => (n === i ? claim : c)) });
  function add(resource: Claim['resource']) {
    const base = { id: `${resource}-${fn.claims.length + 1}`, sharing: 'never' as const, sharesWith: [] };
    const made: Claim =
      resource === 'irq'
        ? { ...base, resource, value: 5 }
        : resource === 'dma'
          ? { ...base, resource, value: 1, width: 8, busMaster: false }
          : resource === 'io'
            ? { ...base, resource, value: 0x300, length: 8, access: 'both' }
            : { ...base, resource, value: 0xd0000, length: 0x2000, width: 8, use: 'rom', shadowed: false };
    set({ ...fn, claims: [...fn.claims, made] });
  }
  /** Read from a setting, or always the same. */
  function source(i: number, setting: string) {
    const { from: _f, value: _v, ...rest } = fn.claims[i];
    if (!setting) return setClaim(i, { ...rest, value: 0 });
    const positions = byId(part.settings, setting).positions;
    setClaim(i, {
      ...rest,
      from: { setting, values: Object.fromEntries(positions.map((p) => [p.id, null])) }
    });
  }
  const settingOf = (claim: Claim) => (claim.from && 'setting' in claim.from ? claim.from.setting : '');
  const offKey = $derived(fn.off[0] ? Object.entries(fn.off[0]).map(([s, p]) => `${s}/${p[0]}`)[0] : '');
</script>

<section class="my-2 py-2 px-3.25 border-l-4 border-l-ink bg-sheet">
  <div class="py-0.5 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
    <label
      >{words.functionName}
      <Input
        value={fn.label}
        maxlength={60}
        onchange={(e) => set({ ...fn, label: e.currentTarget.value.trim() || fn.id })}
      /></label
    >
    <label
      >{words.functionKind}
      <OneOf
        value={fn.kind}
        onchange={(e) => set({ ...fn, kind: FunctionKind.parse(e.currentTarget.value) })}
      >
        {#each FunctionKind.options as kind (kind)}<option value={kind}>{kind}</option>{/each}
      </OneOf></label
    >
    <label
      >{words.off}
      <OneOf
        value={offKey}
        onchange={(e) => {
          const [s, p] = e.currentTarget.value.split('/');
          set({ ...fn, off: s ? [{ [s]: [p] }] : [] });
        }}
      >
        <option value="">{words.never}</option>
        {#each known as s (s.id)}{#each s.positions as p (p.id)}<option value="{s.id}/{p.id}"
              >{s.label}: {p.label}</option
            >{/each}{/each}
      </OneOf></label
    >
    <Button
      class="act"
      onclick={() => change({ ...part, functions: part.functions.filter((f) => f.id !== fn.id) })}
      aria-label={words.removeFunction(fn.label)}>×</Button
    >
  </div>
  {#each fn.claims as claim, i (i)}
    <div class="claim py-0.5 border-t border-t-rule flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
      <b>{words.resources[claim.resource]}</b>
      {#if !claim.from || 'setting' in claim.from}
        <label
          >{words.by}
          <OneOf value={settingOf(claim)} onchange={(e) => source(i, e.currentTarget.value)}>
            <option value="">{words.fixed}</option>
            {#each known as s (s.id)}<option value={s.id}>{s.label}</option>{/each}
          </OneOf></label
        >
        {#if settingOf(claim)}
          {#each part.settings.find((s) => s.id === settingOf(claim))?.positions ?? [] as p (p.id)}
            <label
              >{p.label}
              <Input
                class="w-21! font-mono"
                value={show(claim, claim.from && 'setting' in claim.from ? claim.from.values[p.id] : null)}
                placeholder={words.none}
                onchange={(e) =>
                  claim.from &&
                  'setting' in claim.from &&
                  setClaim(i, {
                    ...claim,
                    from: {
                      ...claim.from,
                      values: { ...claim.from.values, [p.id]: read(claim, e.currentTarget.value) }
                    }
                  })}
              /></label
            >
          {/each}
        {:else}
          <label
            >{words.value}
            <Input
              class="w-21! font-mono"
              value={show(claim, claim.value)}
              onchange={(e) => setClaim(i, { ...claim, value: read(claim, e.currentTarget.value) })}
            /></label
          >
        {/if}
      {/if}
      {#if claim.resource === 'io'}
        <label
          >{words.length2}
          <Input
            class="w-21! font-mono"
            type="number"
            min="1"
            max="1024"
            value={claim.length}
            onchange={(e) =>
              setClaim(i, { ...claim, length: Math.max(1, Number(e.currentTarget.value) || 1) })}
          /></label
        >
      {:else if claim.resource === 'memory'}
        <label
          >{words.length2}
          <Input
            class="w-21! font-mono"
            value={hex(claim.length, 4)}
            onchange={(e) =>
              setClaim(i, { ...claim, length: parseHex(e.currentTarget.value) ?? claim.length })}
          /></label
        >
      {/if}
      <Button
        class="act"
        onclick={() => set({ ...fn, claims: fn.claims.filter((_, n) => n !== i) })}
        aria-label={words.removeFunction(words.resources[claim.resource])}>×</Button
      >
    </div>
  {/each}
  <Fold title={rowText.more}>
    <FactFields
      fields={own}
      id="{fn.id}-more"
      of="function"
      value={fn}
      change={(value) => set(value as PartFunction)}
    />
  </Fold>
  {#each fn.claims as claim, i (i)}
    <Fold
      open={(claim.evidence ?? []).length > 0}
      title={words.evidenceOf(`${words.resources[claim.resource]} ${i + 1}`)}
    >
      <FactFields
        fields={fields.claims[claim.resource]}
        id="{fn.id}-{i}-more"
        of="claim"
        value={claim}
        change={(value) => setClaim(i, value as Claim)}
      />
      {#if claim.resource === 'io'}
        <label
          >{rowText.mask}
          <Input
            class="w-21! font-mono"
            value={claim.mask === undefined ? '' : hex(claim.mask, 4)}
            onchange={(e) => {
              const { mask: _, ...rest } = claim;
              const mask = parseHex(e.currentTarget.value);
              setClaim(i, mask === null ? rest : { ...rest, mask });
            }}
          /></label
        >
      {/if}
      <Sources
        id="{fn.id}-{i}"
        list={claim.evidence ?? []}
        change={(evidence) => setClaim(i, { ...claim, evidence })}
      />
    </Fold>
  {/each}
  <div class="py-0.5 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
    <span>{words.addClaim}</span>
    {#each ['irq', 'dma', 'io', 'memory'] as const as r (r)}<Button class="act" onclick={() => add(r)}
        >{words.resources[r]}</Button
      >{/each}
  </div>
</section>

<style>
</style>
