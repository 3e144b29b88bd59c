<script lang="ts">
  import { kitOf } from '$lib/core/kit';
  import { depthIn, hookedMonitors } from '$lib/core/video';
  import { getBench } from '../context';
  import PartPick from '../parts/PartPick.svelte';
  import { catalogue as catalogueText } from '$lib/words/en/screens/catalogue';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import { addPart, takeOut } from './edit';
  import { Button } from 'flowbite-svelte';

  const words = fitText;
  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const hooked = $derived(hookedMonitors(kit));

  const hang = (monitor: string, card: string) =>
    session.item(
      monitor,
      ({ cable: _c, ...item }) => ({ ...item, ...(card ? { cable: { to: card } } : {}) }),
      words.onCard
    );
</script>

<p class="lead">{words.pictureLead}</p>
{#each hooked as h (h.monitor.item.id)}
  <section>
    <h2>{words.monitorOn(h.monitor.title, h.display?.title ?? words.noCard)}</h2>
    <div class="row">
      <label for="hang-{h.monitor.item.id}">{words.onCard}</label>
      <select
        id="hang-{h.monitor.item.id}"
        value={h.monitor.item.cable?.to ?? ''}
        onchange={(e) => hang(h.monitor.item.id, e.currentTarget.value)}
      >
        <option value="">{words.assumed(h.display?.title ?? words.noCard)}</option>
        {#each kit.displays as d (d.item)}<option value={d.item}>{d.title}</option>{/each}
      </select>
      <Button
        class="act"
        onclick={() => takeOut(session, h.monitor.item.id)}
        aria-label={words.takeOutLabel(h.monitor.title)}>{words.takeOut}</Button
      >
    </div>
    {#if h.checks.length}
      <table>
        <thead>
          <tr><th>{words.mode}</th><th>{words.lines}</th><th>{words.frames}</th><th>{words.becomes}</th></tr>
        </thead>
        <tbody>
          {#each h.checks as { mode, verdict } (mode.id)}
            <tr class={verdict}>
              <td>{mode.label} <span class="quiet">{words.depth(depthIn(h.display!.facts, mode))}</span></td>
              <td class="n">{mode.horizontal}</td>
              <td class="n">{mode.vertical}</td>
              <td
                >{#if verdict === 'shown'}<span class="cap" aria-hidden="true"></span>{/if}{words.verdict[
                  verdict
                ]}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  </section>
{:else}<p>{words.noMonitor}</p>{/each}
<PartPick
  id="pick-monitor"
  drawer="monitor"
  label={words.addTo(catalogueText.drawers.monitor)}
  pick={(p) => addPart(session, p)}
/>
<p class="caution">{words.tube}</p>

<style>
  h2 {
    font-size: 1.2rem;
  }
  section {
    margin: 0.6rem 0 1.2rem;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
    margin: 0.3rem 0;
  }
  select {
    padding: 0.3rem 1.8rem 0.3rem 0.5rem;
    border: 1px solid var(--ink);
  }
  th {
    text-align: left;
    font-size: 0.85rem;
    color: var(--quiet);
    border-bottom: 2px solid var(--ink);
  }
  td {
    padding: 0.3rem 0.4rem 0.3rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .n {
    font-family: var(--font-mono);
  }
  .shown td:last-child {
    font-weight: 650;
  }
  .cap {
    display: inline-block;
    width: 18px;
    height: 11px;
    margin-right: 0.5rem;
    background: var(--yellow);
    border: 1.5px solid var(--ink);
  }
  .danger td {
    font-weight: 750;
    color: var(--stop);
    border-bottom: 2px solid var(--stop);
  }
  .no-sync td,
  .no-plug td {
    color: var(--quiet);
  }
  .caution {
    margin-top: 1rem;
    padding-left: 0.7rem;
    border-left: 6px solid var(--stop);
  }
</style>
