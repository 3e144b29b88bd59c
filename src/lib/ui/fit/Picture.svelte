<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { kitOf } from '$lib/core/kit';
  import { depthIn, hookedMonitors, isOneDepth, unlookedSwitch } from '$lib/core/video';
  import { getBench } from '../context';
  import PartPick from '../parts/PartPick.svelte';
  import { catalogue as catalogueText } from '$lib/words/en/screens/catalogue';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import { addPart, takeOut } from './edit';
  import { Button, Table } from 'flowbite-svelte';

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
  <section class="mt-2.5 mb-4.75">
    <h2 class="text-head">{words.monitorOn(h.monitor.title, h.display?.title ?? words.noCard)}</h2>
    <div class="my-1.25 gap-2.5 flex flex-wrap items-center">
      <label for="hang-{h.monitor.item.id}">{words.onCard}</label>
      <OneOf
        id="hang-{h.monitor.item.id}"
        value={h.monitor.item.cable?.to ?? ''}
        onchange={(e) => hang(h.monitor.item.id, e.currentTarget.value)}
      >
        <option value="">{words.assumed(h.display?.title ?? words.noCard)}</option>
        {#each kit.displays as d (d.item)}<option value={d.item}>{d.title}</option>{/each}
      </OneOf>
      <Button
        class="act"
        onclick={() => takeOut(session, h.monitor.item.id)}
        aria-label={words.takeOutLabel(h.monitor.title)}>{words.takeOut}</Button
      >
    </div>
    {#if h.checks.length}
      {@const open = h.display && unlookedSwitch(kit, h.display)}
      {#if open}<p class="ask mb-2.5">{words.usualSwitch(open)}</p>{/if}
      <Table>
        <thead>
          <tr
            ><th class="border-b-2 border-b-ink text-left text-small text-quiet">{words.mode}</th><th
              class="border-b-2 border-b-ink text-left text-small text-quiet">{words.lines}</th
            ><th class="border-b-2 border-b-ink text-left text-small text-quiet">{words.frames}</th><th
              class="border-b-2 border-b-ink text-left text-small text-quiet">{words.becomes}</th
            ></tr
          >
        </thead>
        <tbody>
          {#each h.checks as { mode, verdict } (mode.id)}
            <tr class={verdict}>
              <td class="py-1.25 border-b border-b-rule pr-1.5"
                >{mode.label}
                {#if h.display && !isOneDepth(mode)}
                  <span class="quiet">{words.depth(depthIn(h.display.facts, mode))}</span>
                {/if}</td
              >
              <td class="n py-1.25 border-b border-b-rule pr-1.5 font-mono">{mode.horizontal}</td>
              <td class="n py-1.25 border-b border-b-rule pr-1.5 font-mono">{mode.vertical}</td>
              <td class="py-1.25 border-b border-b-rule pr-1.5"
                >{#if verdict === 'shown'}<span
                    class="border-[1.5px] border-ink inline-block w-[18px] h-[11px] mr-2 bg-yellow"
                    aria-hidden="true"
                  ></span>{/if}{words.verdict[verdict]}</td
              >
            </tr>
          {/each}
        </tbody>
      </Table>
    {/if}
  </section>
{:else}<p>{words.noMonitor}</p>{/each}
<PartPick
  id="pick-monitor"
  drawer="monitor"
  label={words.addTo(catalogueText.drawers.monitor)}
  pick={(p) => addPart(session, p)}
/>
<p class="border-l-6 border-l-stop mt-4 pl-2.75">{words.tube}</p>

<style>
  .shown td:last-child {
    font-weight: 650;
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
</style>
