<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { entriesOf } from '../../core/model';
  import { Button } from 'flowbite-svelte';
  import { chainsOf, unitsOf, withJumper } from '$lib/core/cabling';
  import { bayKinds, cablesOf, kitOf, placeDrives, speaks } from '$lib/core/kit';
  import { triedOnBoard } from '$lib/core/resources';
  import { getBench } from '../context';
  import PartPick from '../parts/PartPick.svelte';
  import { catalogue as catalogueText } from '$lib/words/en/screens/catalogue';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import { today } from '../time';
  import { addPart, hangOn, noteTry, setOne, takeOut } from './edit';

  const words = fitText;
  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const cabled = $derived(cablesOf(kit));
  const bays = $derived(kit.chassis?.part.chassis?.bays);
  const placed = $derived(placeDrives(kit));
  /** Every bay of the case with what sits in it. */
  const rows = $derived(
    bayKinds.flatMap((kind) =>
      Array.from({ length: bays?.[kind] ?? 0 }, (_, n) => ({
        kind,
        n,
        drives: placed.filter((p) => p.bay?.kind === kind && p.bay.n === n).map((p) => p.drive.title)
      }))
    )
  );
  const key = (item: string, fn: string) => `${item}/${fn}`;

  function hang(drive: string, told: string) {
    const [to, fn] = told.split('/');
    hangOn(session, drive, told ? { to, function: fn } : null);
  }
  let away = $state(false);
  /** What became of a drive on this board: in the build, and on the shelf where it is a thing of it. */
  async function tried(drive: string, does: boolean) {
    away =
      (await noteTry(session, drive, {
        date: today(),
        build: session.build.id,
        board: session.build.board.part,
        result: does ? 'works' : 'does-not'
      })) === false;
  }
  const number = (drive: string, unit: string) =>
    session.change(withJumper(session.build, session.parts, drive, { unit: unit || null }), words.unit);
  const chained = $derived(chainsOf(kit).flatMap((c) => c.drives.map((p) => ({ family: c.family, ...p }))));
</script>

<p class="lead">{words.drivesLead}</p>
{#if away}<p class="bad" role="alert">{words.triedAway}</p>{/if}
<ul class="border-t-2 border-t-ink mb-2.5">
  {#each cabled as { drive, controller, told } (drive.item.id)}
    {@const facts = drive.part.drive}
    {@const tries = triedOnBoard(drive.item, session.build.board.part)}
    {@const plugged = chained.find((p) => p.drive.item.id === drive.item.id)}
    <li
      class="py-1.5 gap-2.5 border-b border-b-rule grid grid-cols-[minmax(0,1fr)_auto] items-center max-md:grid-cols-1"
    >
      <span class="what"
        ><b>{drive.title}</b>
        <span class="quiet"
          >{(drive.part.summary ?? facts.interface).replace(/\.$/, '')}, {words.needs[
            facts.bay
          ]}{plugged?.family === 'floppy' && plugged.answers
            ? `, ${disksText.answers.floppy(plugged.answers)}`
            : ''}</span
        ></span
      >
      <span class="run gap-1.25 flex flex-wrap">
        <label class="sr-only" for="run-{drive.item.id}">{words.runBy}</label>
        <OneOf
          class="w-66! max-md:w-52!"
          id="run-{drive.item.id}"
          value={told && controller ? key(controller.item, controller.fn.id) : ''}
          onchange={(e) => hang(drive.item.id, e.currentTarget.value)}
        >
          <option value="">{told ? words.nothing : words.assumed(controller?.title ?? words.nothing)}</option>
          {#each kit.controllers as c (key(c.item, c.fn.id))}
            <option value={key(c.item, c.fn.id)}
              >{c.title}{speaks(c, facts.interface) ? '' : ` (${c.fn.speaks?.join(', ')})`}</option
            >
          {/each}
        </OneOf>
        {#if plugged}
          <label class="sr-only" for="unit-{drive.item.id}">{words.unit}</label>
          <OneOf
            class="w-28!"
            id="unit-{drive.item.id}"
            value={plugged.unit ?? ''}
            onchange={(e) => number(drive.item.id, e.currentTarget.value)}
          >
            <option value="">{words.unit}</option>
            {#each unitsOf[plugged.family] as u (u)}<option value={u}
                >{disksText.unitNames[plugged.family](u)}</option
              >{/each}
          </OneOf>
        {/if}
        <Button
          class="act"
          onclick={() => takeOut(session, drive.item.id)}
          aria-label={words.takeOutLabel(drive.title)}>×</Button
        >
      </span>
      <span class="tried col-span-full flex flex-wrap gap-y-1.25 gap-x-2 items-center text-quiet">
        <small
          >{tries.works + tries.not ? words.driveTried(tries.works, tries.not) : words.driveUntried}</small
        >
        {#each [true, false] as does (does)}
          <Button
            class="act"
            onclick={() => tried(drive.item.id, does)}
            aria-label={words.driveTriedLabel(drive.title, does)}
            >{does ? words.worksHere : words.notHere}</Button
          >
        {/each}
      </span>
    </li>
  {/each}
</ul>
<PartPick
  id="pick-drive"
  drawer="drive"
  label={words.addTo(catalogueText.drawers.drive)}
  pick={(p) => addPart(session, p)}
/>

<h2 class="mt-4 mb-1.25">{words.bays}</h2>
{#if bays}
  <svg
    class="block w-full max-w-120"
    viewBox="0 0 420 {rows.length * 40 + 4}"
    role="img"
    aria-label="{words.bays}: {rows
      .map((r) => `${words.bay[r.kind]} ${r.drives.join(', ') || fitText.free}`)
      .join('; ')}"
  >
    {#each rows as r, i (`${r.kind}${r.n}`)}
      <rect
        x="2"
        y={i * 40 + 2}
        width={r.kind === 'third3' ? 190 : 280}
        height="34"
        class="fill-none stroke-ink stroke-[1.5]"
      />
      {#each r.drives as name, n (n)}
        <rect
          x={6 + n * 138}
          y={i * 40 + 6}
          width={r.drives.length > 1 ? 132 : r.kind === 'third3' ? 182 : 272}
          height="26"
          class="fill-sheet stroke-ink"
        />
        <text class="font-semibold text-[13px] font-sans fill-ink" x={12 + n * 138} y={i * 40 + 24}
          >{name}</text
        >
      {/each}
      <text
        x={r.kind === 'third3' ? 200 : 290}
        y={i * 40 + 24}
        class="kind text-[13px] font-sans font-normal fill-quiet">{words.bay[r.kind]}</text
      >
    {/each}
  </svg>
{/if}
<p>
  {#if bays}
    <b>{kit.chassis?.title}</b>:
    {#each entriesOf(words.bay) as [id, name] (id)}
      {#if bays[id]}<span class="bay mr-4">{bays[id]} × {name}</span>{/if}
    {/each}
  {:else}{words.noCase}{/if}
</p>
<PartPick
  id="pick-case"
  drawer="case"
  label={words.addTo(catalogueText.drawers.case)}
  action={words.choose}
  pick={(p) => setOne(session, 'case', p)}
/>
<PartPick
  id="pick-adapter"
  drawer="adapter"
  label={words.addTo(catalogueText.drawers.adapter)}
  pick={(p) => addPart(session, p)}
/>
