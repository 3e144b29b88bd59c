<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import {
    ADAPTER_ID,
    chainsOf,
    dueOf,
    faultsOf,
    ribbonsOf,
    unitsOf,
    withJumper,
    withRibbon,
    type Chain,
    type Family,
    type Jumpered,
    type Plugged
  } from '$lib/core/cabling';
  import { kitOf } from '$lib/core/kit';
  import type { Ribbon } from '$lib/core/model';
  import { findingOf } from '$lib/core/rules';
  import { dueWords, tell } from '$lib/words';
  import { getBench } from '../context';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import CableDrawing from './CableDrawing.svelte';

  /** Cables of some families: where each drive hangs, how it is jumpered, and how it should be. */
  let { families }: { families: readonly Family[] } = $props();
  const words = disksText;
  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const chains = $derived(chainsOf(kit).filter((c) => families.includes(c.family)));
  const keyOf = (c: Chain) => `${c.controller.item}/${c.controller.fn.id}/${c.drives[0].drive.item.id}`;

  const note = (item: string, to: Jumpered) =>
    session.change(withJumper(session.build, session.parts, item, to), words.cabling);
  const lay = (c: Chain, ribbon: string) =>
    session.change(
      withRibbon(session.build, c.controller.item, c.controller.fn.id, (ribbon || null) as Ribbon | null),
      words.cabling
    );
  const termOf = (value: string) => (value === '' ? null : value === 'in');
  const termText = (t: boolean | null) => (t === null ? '' : t ? 'in' : 'out');
  const plugsOf = (c: Chain) => (c.family === 'scsi' ? Math.max(2, c.drives.length) : 2);
  const answers = (c: Chain, p: Plugged) =>
    p.answers === null
      ? words.answersNot
      : c.family === 'floppy'
        ? words.answers.floppy(p.answers)
        : c.family === 'st506'
          ? words.answers.disk(p.answers)
          : '';
  /** What is still to be done to a drive: what nobody looked at too. */
  const todo = (c: Chain, p: Plugged) => dueWords(c.family, dueOf(p));
</script>

{#each chains as c (keyOf(c))}
  {@const faults = faultsOf(c)
    .filter((f) => f.severity === 'clash')
    .map((f) => tell(findingOf(f)))}
  <section class="mt-1.5 mb-4" class:bad={faults.length > 0}>
    <h3 class="my-1.25 text-large">{c.controller.title}</h3>
    <CableDrawing chain={c} />
    {#if ribbonsOf[c.family].length > 1}
      <label class="ribbon"
        >{words.ribbon}
        <OneOf
          value={c.ribbonTold ? c.ribbon : ''}
          onchange={(e) => lay(c, e.currentTarget.value)}
          aria-label="{words.ribbon}, {c.controller.title}"
        >
          <option value="">{words.ribbonUsual(words.ribbons[c.ribbon])}</option>
          {#each ribbonsOf[c.family] as r (r)}<option value={r}>{words.ribbons[r]}</option>{/each}
        </OneOf></label
      >
    {/if}
    <ul class="my-1.25 border-t border-t-rule">
      {#each c.drives as p (p.drive.item.id)}
        <li
          class="py-1.5 border-b border-b-rule grid grid-cols-[minmax(7rem,1fr)_28.4rem_minmax(8rem,1fr)] gap-y-0.75 gap-x-3.25 items-center max-[1181px]:grid-cols-1"
        >
          <span class="what"
            ><b>{p.drive.title}</b>
            {#if answers(c, p)}<span class="quiet block">{answers(c, p)}</span>{/if}</span
          >
          <span class="gap-1.25 flex flex-wrap">
            {#if !p.isOutside}
              <OneOf
                class="plug w-24.75!"
                aria-label="{words.plug}: {p.drive.title}"
                value={String(p.plug)}
                onchange={(e) => note(p.drive.item.id, { plug: Number(e.currentTarget.value) })}
              >
                {#each Array.from({ length: plugsOf(c) }, (_, i) => i + 1) as n (n)}<option value={String(n)}
                    >{words.plugNo(n)}</option
                  >{/each}
              </OneOf>
            {/if}
            <OneOf
              class="w-42.5!"
              aria-label="{words.jumperedAs}: {p.drive.title}"
              value={p.unit ?? ''}
              onchange={(e) => note(p.drive.item.id, { unit: e.currentTarget.value || null })}
            >
              <option value="">{words.jumperLooked}</option>
              {#each unitsOf[c.family] as u (u)}<option value={u}>{words.unitNames[c.family](u)}</option
                >{/each}
            </OneOf>
            {#if p.want.terminated !== null}
              <OneOf
                class="w-42.5!"
                aria-label="{words.terminators}: {p.drive.title}"
                value={termText(p.terminated)}
                onchange={(e) => note(p.drive.item.id, { terminated: termOf(e.currentTarget.value) })}
              >
                <option value="">{words.termLooked}</option>
                <option value="in">{words.terminators} {words.termIn}</option>
                <option value="out">{words.terminators} {words.termOut}</option>
              </OneOf>
            {/if}
          </span>
          <span class="verdict" class:open={todo(c, p)}
            >{todo(c, p) ? words.wants(todo(c, p)) : words.rightAsIs}</span
          >
        </li>
      {/each}
      {#if c.adapter}
        {@const isRight = c.adapter.terminated === c.adapter.want}
        <li
          class="py-1.5 border-b border-b-rule grid grid-cols-[minmax(7rem,1fr)_28.4rem_minmax(8rem,1fr)] gap-y-0.75 gap-x-3.25 items-center max-[1181px]:grid-cols-1"
        >
          <span class="what"><b>{words.adapterEnd(c.controller.title).replace('7', ADAPTER_ID)}</b></span>
          <span class="gap-1.25 flex flex-wrap">
            <OneOf
              class="w-42.5!"
              aria-label="{words.terminators}: {c.controller.title}"
              value={termText(c.adapter.terminated)}
              onchange={(e) => note(c.controller.item, { terminated: termOf(e.currentTarget.value) })}
            >
              <option value="">{words.termLooked}</option>
              <option value="in">{words.terminators} {words.termIn}</option>
              <option value="out">{words.terminators} {words.termOut}</option>
            </OneOf>
          </span>
          <span class="verdict" class:open={!isRight}
            >{isRight
              ? words.rightAsIs
              : words.wants(
                  `${words.terminators.toLowerCase()} ${c.adapter.want ? words.termIn : words.termOut}`
                )}</span
          >
        </li>
      {/if}
    </ul>
    {#each faults as f (f.id)}<p class="border-l-7 border-l-stop pl-2.75">
        <b>{f.title}.</b>
        {f.sentence}
      </p>{/each}
    {#if c.family === 'st506'}<p class="quiet">{words.dataCable}</p>{/if}
  </section>
{:else}<p class="quiet">{words.noCable}</p>{/each}

<style>
  .verdict.open {
    font-weight: 700;
  }
</style>
