<script lang="ts">
  import {
    ADAPTER_ID,
    chainsOf,
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
  import { tell } from '$lib/words';
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
  const todo = (c: Chain, p: Plugged) =>
    [
      ...(p.unit === p.want.unit ? [] : [words.unitNames[c.family](p.want.unit)]),
      ...(p.want.terminated === null || p.terminated === p.want.terminated
        ? []
        : [`${words.terminators.toLowerCase()} ${p.want.terminated ? words.termIn : words.termOut}`])
    ].join(', ');
</script>

{#each chains as c (keyOf(c))}
  {@const faults = faultsOf(c)
    .filter((f) => f.severity === 'clash')
    .map((f) => tell(findingOf(f)))}
  <section class:bad={faults.length > 0}>
    <h3>{c.controller.title}</h3>
    <CableDrawing chain={c} />
    {#if ribbonsOf[c.family].length > 1}
      <label class="ribbon"
        >{words.ribbon}
        <select
          value={c.ribbonTold ? c.ribbon : ''}
          onchange={(e) => lay(c, e.currentTarget.value)}
          aria-label="{words.ribbon}, {c.controller.title}"
        >
          <option value="">{words.ribbonUsual(words.ribbons[c.ribbon])}</option>
          {#each ribbonsOf[c.family] as r (r)}<option value={r}>{words.ribbons[r]}</option>{/each}
        </select></label
      >
    {/if}
    <ul>
      {#each c.drives as p (p.drive.item.id)}
        <li>
          <span class="what"
            ><b>{p.drive.title}</b>
            {#if answers(c, p)}<span class="quiet">{answers(c, p)}</span>{/if}</span
          >
          <span class="row">
            {#if !p.isOutside}
              <select
                class="plug"
                aria-label="{words.plug}: {p.drive.title}"
                value={String(p.plug)}
                onchange={(e) => note(p.drive.item.id, { plug: Number(e.currentTarget.value) })}
              >
                {#each Array.from({ length: plugsOf(c) }, (_, i) => i + 1) as n (n)}<option value={String(n)}
                    >{words.plugNo(n)}</option
                  >{/each}
              </select>
            {/if}
            <select
              aria-label="{words.jumperedAs}: {p.drive.title}"
              value={p.unit ?? ''}
              onchange={(e) => note(p.drive.item.id, { unit: e.currentTarget.value || null })}
            >
              <option value="">{words.jumperLooked}</option>
              {#each unitsOf[c.family] as u (u)}<option value={u}>{words.unitNames[c.family](u)}</option
                >{/each}
            </select>
            {#if p.want.terminated !== null}
              <select
                aria-label="{words.terminators}: {p.drive.title}"
                value={termText(p.terminated)}
                onchange={(e) => note(p.drive.item.id, { terminated: termOf(e.currentTarget.value) })}
              >
                <option value="">{words.termLooked}</option>
                <option value="in">{words.terminators} {words.termIn}</option>
                <option value="out">{words.terminators} {words.termOut}</option>
              </select>
            {/if}
          </span>
          <span class="verdict" class:open={todo(c, p)}
            >{todo(c, p) ? words.wants(todo(c, p)) : words.rightAsIs}</span
          >
        </li>
      {/each}
      {#if c.adapter}
        {@const isRight = c.adapter.terminated === c.adapter.want}
        <li>
          <span class="what"><b>{words.adapterEnd(c.controller.title).replace('7', ADAPTER_ID)}</b></span>
          <span class="row">
            <select
              aria-label="{words.terminators}: {c.controller.title}"
              value={termText(c.adapter.terminated)}
              onchange={(e) => note(c.controller.item, { terminated: termOf(e.currentTarget.value) })}
            >
              <option value="">{words.termLooked}</option>
              <option value="in">{words.terminators} {words.termIn}</option>
              <option value="out">{words.terminators} {words.termOut}</option>
            </select>
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
    {#each faults as f (f.id)}<p class="fault"><b>{f.title}.</b> {f.sentence}</p>{/each}
    {#if c.family === 'st506'}<p class="quiet">{words.dataCable}</p>{/if}
  </section>
{:else}<p class="quiet">{words.noCable}</p>{/each}

<style>
  section {
    margin: 0.4rem 0 1rem;
  }
  h3 {
    margin: 0.3rem 0;
    font-size: 1.05rem;
  }
  ul {
    margin: 0.3rem 0;
    padding: 0;
    list-style: none;
    border-top: 1px solid var(--rule);
  }
  li {
    display: grid;
    grid-template-columns: minmax(7rem, 1fr) 28.4rem minmax(8rem, 1fr);
    gap: 0.2rem 0.8rem;
    align-items: center;
    padding: 0.35rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .what span {
    display: block;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem;
  }
  .row select {
    width: 10.6rem;
  }
  .row select.plug {
    width: 6.2rem;
  }
  select {
    padding: 0.25rem 2rem 0.25rem 0.4rem;
    border: 1px solid var(--ink);
    font-size: 0.92rem;
  }
  .verdict.open {
    font-weight: 700;
  }
  .fault {
    padding-left: 0.7rem;
    border-left: 7px solid var(--stop);
  }
  @media (max-width: 1180px) {
    li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
