<script lang="ts">
  import { Checkbox, Table } from 'flowbite-svelte';
  import { entryOf } from '../../core/model';
  import { sheetOf, type Step, type StepAction } from '$lib/formats';
  import { planned, tickSeat, tickSetting, tickStep, untick } from '$lib/core/settings';
  import { getBench } from '../context';
  import CardDrawing from '../parts/CardDrawing.svelte';
  import { text } from '$lib/words/en/screens';
  import { switches as switchWords } from '$lib/words/en/screens/switches';
  import { sheet as sheetText } from '$lib/words/en/screens/sheet';
  import { timeText } from '../time';
  import { BootPlanner } from '../boot/planner.svelte';
  import Planning from '../boot/Planning.svelte';
  import Cautions from './Cautions.svelte';

  const { session } = getBench();
  const build = $derived(planned(session.build, session.parts));
  const planner = new BootPlanner(() => ({ build, parts: session.partList }));
  const sheet = $derived(sheetOf(session.build, session.parts, planner.plan));
  const words = sheetText;
  const cpu = $derived(session.machine.board.part.board?.cpu ?? '');
  const date = $derived(session.build.brief.date);
  const item = (id: string) => [session.build.board, ...session.build.items].find((i) => i.id === id);

  /** Ticks a step or an action off, or takes the tick back with what it recorded. */
  function toggle(step: Step, action?: StepAction) {
    const { key, done } = action ?? step;
    const said = action?.text ?? step.title;
    if (done) {
      session.change(untick(session.build, session.parts, key), switchWords.unticked(said));
      return;
    }
    const told = { text: said, at: new Date().toISOString() };
    const { build } = session;
    const next =
      action?.setting && action.position && step.item
        ? tickSetting(build, session.parts, {
            ...told,
            item: step.item,
            setting: action.setting,
            position: action.position
          })
        : step.kind === 'seat' && step.item
          ? tickSeat(build, { ...told, item: step.item })
          : tickStep(build, key, told);
    session.change(next, switchWords.ticked(said));
  }
</script>

{#snippet when(done: Step['done'])}
  {#if done}<time class="font-normal text-small font-mono leading-[1.25] text-quiet" datetime={done.at}
      >{timeText(done.at)}</time
    >{/if}
{/snippet}

<article
  class="py-5.5 px-6.5 border-2 border-ink max-w-240 bg-sheet text-large max-md:p-3.25 print:p-0 print:border-0 print:max-w-none"
>
  <h2 class="gap-3.25 flex flex-wrap items-baseline text-huge">
    {session.build.name}<span class="text-large font-normal text-quiet"
      >{cpu}{date ? text.asOf(date) : ''}</span
    >
  </h2>

  {#if sheet.open.length}
    <section class="open">
      <h3>{words.open}</h3>
      <ul class="mt-0.75 pl-4.5 list-[square]">
        {#each sheet.open as finding, i (i)}<li>
            <b>{words.severity[finding.severity]}: {finding.title}.</b>
            {finding.sentence}
          </li>{/each}
      </ul>
    </section>
  {/if}

  <Cautions cautions={sheet.cautions} label={words.cautions} />

  {#if sheet.steps.length === 0}<p class="none my-4 text-head">
      {sheet.unseen.length ? words.nothingSeen : words.nothing}
    </p>{/if}
  <ol class="steps my-4">
    {#each sheet.steps as step, i (step.key)}
      {@const drawn = step.kind === 'set' && step.item ? item(step.item) : undefined}
      <li class="py-3.25 gap-3.5 border-t-[1.5px] border-t-ink flex break-inside-avoid max-md:flex-wrap">
        {#if step.kind === 'set'}<span class="size-6 flex-none invisible" aria-hidden="true"></span>
        {:else}<Checkbox
            class="size-6! border-2! flex-none"
            checked={step.done !== undefined}
            onchange={() => toggle(step)}
            aria-label={switchWords.doneLabel(step.title)}
          />{/if}
        <div class="body flex-[1_1_20rem] min-w-0">
          {#if step.cautions.length}<Cautions cautions={step.cautions} label={words.before} />{/if}
          <h3 class:struck={step.done}>
            <span class="n inline-block min-w-6.5 font-mono">{i + 1}</span>
            {step.title}
            {@render when(step.done)}
          </h3>
          {#if step.actions.length}
            <ul class="mt-1.5" class:typed={step.kind === 'command'}>
              {#each step.actions as action (action.key)}<li class="my-1.25" class:struck={action.done}>
                  <label class="cursor-pointer"
                    ><Checkbox
                      class="size-4.25! mr-2"
                      checked={action.done !== undefined}
                      onchange={() => toggle(step, action)}
                    />
                    {action.text}</label
                  >
                  {@render when(action.done)}
                </li>{/each}
            </ul>
          {/if}
        </div>
        {#if drawn}<div class="flex-[0_0_300px] max-md:basis-full max-md:max-w-[320px]">
            <CardDrawing part={entryOf(session.parts, drawn.part)} item={drawn} />
            <p class="mt-0.75 text-small text-quiet">{words.legend}</p>
          </div>{/if}
      </li>
    {/each}
  </ol>

  <Cautions cautions={sheet.powerCautions} label={words.power} />
  {#each sheet.power.held as text (text)}<p class="border-l-8 border-l-stop pl-2.5 font-[650]">
      {text}
    </p>{/each}
  {#if sheet.power.stops.length || sheet.power.checks.length}
    <section>
      <h3>{words.firstPower}</h3>
      {#if sheet.power.stops.length}
        <p>{words.firstStops}</p>
        <ul class="border-l-8 border-l-stop mt-1.25 mb-2.5 pl-7.25 list-disc">
          {#each sheet.power.stops as text (text)}<li>{text}</li>{/each}
        </ul>
      {/if}
      <ol class="pl-7.25 list-decimal">
        {#each sheet.power.checks as c (c.text)}<li>
            {c.text}{#if c.skippedBy}
              <b>{words.skippedBy(c.skippedBy)}</b>{/if}
          </li>{/each}
      </ol>
      <a class="py-1.25 underline inline-block" href="/builds/{session.build.id}/start?view=power"
        >{words.toPower}</a
      >
    </section>
  {/if}

  {#if sheet.unseen.length}
    <section>
      <h3>{words.unseen}</h3>
      <ul>
        {#each sheet.unseen as u (u.title)}<li><b>{u.title}:</b> {u.settings.join(', ')}</li>{/each}
      </ul>
    </section>
  {/if}

  {#if sheet.drives.length}
    <section>
      <h3>{words.drives}</h3>
      {#each sheet.drives as cable, i (i)}
        <p class="mt-1.25 font-[650]">{cable.title}</p>
        <ul>
          {#each cable.drives as drive, j (j)}<li>
              <span aria-hidden="true">{drive.isOpen ? '☐' : '✓'}</span>
              {drive.text}
            </li>{/each}
        </ul>
      {/each}
      <a class="py-1.25 underline inline-block" href="/builds/{session.build.id}/disks?view=interfaces"
        >{words.toDrives}</a
      >
    </section>
  {/if}

  <section>
    <h3>{words.starts}</h3>
    <Planning {planner} />
    <ul>
      {#each sheet.boot.starts as text (text)}<li>{text}</li>{/each}
      {#each sheet.boot.refused as text (text)}<li>{text}</li>{/each}
      {#if sheet.boot.files.length}<li>
          {words.files}
          <a class="py-1.25 inline-block" href="/builds/{session.build.id}/boot"
            >{sheet.boot.files.join(', ')}</a
          >
        </li>{/if}
      {#if sheet.boot.missing.length}<li><b>{words.missing}</b> {sheet.boot.missing.join('; ')}</li>{/if}
      {#if sheet.boot.windows.length}<li><b>{words.windows}</b> {sheet.boot.windows.join('; ')}</li>{/if}
    </ul>
  </section>

  <section>
    <h3>{words.after}</h3>
    <Table class="text-small">
      <thead
        ><tr
          ><th class="border-b-[1.5px] border-b-ink text-left">{words.head.card}</th><th
            class="border-b-[1.5px] border-b-ink text-left">{words.head.function}</th
          ><th class="border-b-[1.5px] border-b-ink text-left">{words.head.lines}</th></tr
        ></thead
      >
      <tbody
        >{#each sheet.lines as row, i (i)}<tr
            ><td class="py-1 border-b border-b-rule pr-2.5 align-top">{row.owner}</td><td
              class="py-1 border-b border-b-rule pr-2.5 align-top">{row.function}</td
            ><td class="py-1 border-b border-b-rule pr-2.5 align-top font-mono text-small"
              >{row.lines.join('  ')}</td
            ></tr
          >{/each}</tbody
      >
    </Table>
  </section>
</article>

<style>
  h3 {
    font-size: 1.3rem;
  }
  .open {
    margin: 0.8rem 0;
    padding-left: 0.9rem;
    border-left: 8px solid var(--stop);
  }

  section {
    margin-top: 0.9rem;
  }

  .struck {
    color: var(--quiet);
    text-decoration: line-through;
  }

  .typed li {
    font-family: var(--font-mono);
  }
</style>
