<script lang="ts">
  import { expectationOf, reservedList, type Found } from '$lib/core/boot';
  import { kitOf } from '$lib/core/kit';
  import { startupLines } from '$lib/core/moves';
  import { netStackWords } from '$lib/words';
  import { getBench } from '../context';
  import { boot as words } from '$lib/words/en/screens/boot';

  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const ex = $derived(expectationOf(kit));
  const reserved = $derived(reservedList(kit));
  const sets = $derived(startupLines(kit.m, kit.at).filter((l) => l.where === 'AUTOEXEC.BAT'));
  const stack = $derived(session.build.boot?.network ?? 'packet');
  const hex = (n: number) => n.toString(16).toUpperCase();
  const told = (f: Found | null, say: (n: number) => string) =>
    f?.isSeen ? say(f.value) : words.networkUnseen;
  const rows = $derived(
    reserved
      ? [
          {
            name: words.reservedIrq,
            list: reserved.irqs.map((l) => ({ text: String(l.value), owner: l.owner, isSeen: l.isSeen }))
          },
          {
            name: words.reservedDma,
            list: reserved.dmas.map((l) => ({ text: String(l.value), owner: l.owner, isSeen: l.isSeen }))
          },
          {
            name: words.reservedPorts,
            list: reserved.ports.map((l) => ({
              text: l.length > 1 ? `${hex(l.from)}–${hex(l.from + l.length - 1)}h` : `${hex(l.from)}h`,
              owner: l.owner || words.reservedOwn,
              isSeen: l.isSeen
            }))
          }
        ]
      : []
  );
</script>

<h2 class="mt-4 mb-1.25">{words.sets}</h2>
{#if sets.length}
  <ul class="my-1.25">
    {#each sets as l (l.text)}<li><code class="font-mono text-large">{l.text}</code></li>{/each}
  </ul>
  {#if sets.some((l) => l.assumed.length)}<p class="ask">
      {words.setsUnseen}
    </p>{/if}
{:else}<p>{words.setsNone}</p>{/if}
{#if ex.optical.length && ex.sound.length}<p>{words.cdLead}</p>{/if}
<h2 class="mt-4 mb-1.25">{words.reserved}</h2>
{#if reserved}
  <p>{words.reservedLead}</p>
  <div class="gap-4 grid grid-cols-[repeat(auto-fit,minmax(13rem,1fr))]">
    {#each rows as row (row.name)}
      <div>
        <h3 class="mt-2.5">{row.name}</h3>
        <ul class="my-1.25">
          {#each row.list as l (`${l.text}${l.owner}`)}
            <li class="border-b border-b-rule">
              <code class="font-mono text-large">{l.text}</code>
              <small class="text-quiet">{l.owner} {l.isSeen ? '' : words.unseen}</small>
            </li>
          {:else}<li class="border-b border-b-rule">{words.reservedNothing}</li>
          {/each}
        </ul>
      </div>
    {/each}
  </div>
  <h3 class="mt-2.5">{words.lockUp}</h3>
  <ol class="my-1.25 max-w-224 pl-5.25 list-decimal">
    {#each words.lockUps as text (text)}<li>{text}</li>{/each}
  </ol>
{:else}<p>{words.reservedNone}</p>{/if}
<h2 class="mt-4 mb-1.25">{words.network}</h2>
{#each ex.network as card (card.item)}
  <p>
    <b
      >{words.networkLine(
        card.title,
        told(card.port, (n) => `${hex(n)}h`),
        told(card.irq, String)
      )}</b
    >
  </p>
{:else}<p>{words.networkNone}</p>{/each}
{#if ex.network.length}
  <p>
    {stack === 'packet' ? words.networkPacket : words.networkStack(netStackWords[stack])}
  </p>
  <ul class="my-1.25 max-w-224 pl-5.25 list-disc">
    {#each words.networkChecks as text (text)}<li>{text}</li>{/each}
  </ul>
{/if}
