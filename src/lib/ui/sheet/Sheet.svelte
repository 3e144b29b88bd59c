<script lang="ts">
  import { entryOf } from '../../core/model';
  import { sheetOf, type Step, type StepAction } from '$lib/formats';
  import { planned, tickSeat, tickSetting, tickStep, untick } from '$lib/core/settings';
  import { getBench } from '../context';
  import CardDrawing from '../parts/CardDrawing.svelte';
  import { text } from '$lib/words/en/screens';
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
      session.change(untick(session.build, session.parts, key), text.switches.unticked(said));
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
    session.change(next, text.switches.ticked(said));
  }
</script>

{#snippet when(done: Step['done'])}
  {#if done}<time datetime={done.at}>{timeText(done.at)}</time>{/if}
{/snippet}

<article>
  <h2>
    {session.build.name}<span>{cpu}{date ? text.asOf(date) : ''}</span>
  </h2>

  {#if sheet.open.length}
    <section class="open">
      <h3>{words.open}</h3>
      <ul>
        {#each sheet.open as finding, i (i)}<li>
            <b>{words.severity[finding.severity]}: {finding.title}.</b>
            {finding.sentence}
          </li>{/each}
      </ul>
    </section>
  {/if}

  <Cautions cautions={sheet.cautions} label={words.cautions} />

  {#if sheet.steps.length === 0}<p class="none">
      {sheet.unseen.length ? words.nothingSeen : words.nothing}
    </p>{/if}
  <ol class="steps">
    {#each sheet.steps as step, i (step.key)}
      {@const drawn = step.kind === 'set' && step.item ? item(step.item) : undefined}
      <li>
        {#if step.kind === 'set'}<span class="box gone" aria-hidden="true"></span>
        {:else}<input
            type="checkbox"
            class="box"
            checked={step.done !== undefined}
            onchange={() => toggle(step)}
            aria-label={text.switches.doneLabel(step.title)}
          />{/if}
        <div class="body">
          {#if step.cautions.length}<Cautions cautions={step.cautions} label={words.before} />{/if}
          <h3 class:struck={step.done}>
            <span class="n">{i + 1}</span>
            {step.title}
            {@render when(step.done)}
          </h3>
          {#if step.actions.length}
            <ul class:typed={step.kind === 'command'}>
              {#each step.actions as action (action.key)}<li class:struck={action.done}>
                  <label
                    ><input
                      type="checkbox"
                      class="box small"
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
        {#if drawn}<div class="drawing">
            <CardDrawing part={entryOf(session.parts, drawn.part)} item={drawn} />
            <p>{words.legend}</p>
          </div>{/if}
      </li>
    {/each}
  </ol>

  <Cautions cautions={sheet.powerCautions} label={words.power} />
  {#each sheet.power.held as text (text)}<p class="held">{text}</p>{/each}
  {#if sheet.power.stops.length || sheet.power.checks.length}
    <section>
      <h3>{words.firstPower}</h3>
      {#if sheet.power.stops.length}
        <p>{words.firstStops}</p>
        <ul class="stops">
          {#each sheet.power.stops as text (text)}<li>{text}</li>{/each}
        </ul>
      {/if}
      <ol class="checks">
        {#each sheet.power.checks as c (c.text)}<li>
            {c.text}{#if c.skippedBy}
              <b>{words.skippedBy(c.skippedBy)}</b>{/if}
          </li>{/each}
      </ol>
      <a href="/builds/{session.build.id}/start?view=power">{words.toPower}</a>
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

  <section>
    <h3>{words.starts}</h3>
    <Planning {planner} />
    <ul>
      {#each sheet.boot.starts as text (text)}<li>{text}</li>{/each}
      {#each sheet.boot.refused as text (text)}<li>{text}</li>{/each}
      {#if sheet.boot.files.length}<li>
          {words.files}
          <a href="/builds/{session.build.id}/boot">{sheet.boot.files.join(', ')}</a>
        </li>{/if}
      {#if sheet.boot.missing.length}<li><b>{words.missing}</b> {sheet.boot.missing.join('; ')}</li>{/if}
      {#if sheet.boot.windows.length}<li><b>{words.windows}</b> {sheet.boot.windows.join('; ')}</li>{/if}
    </ul>
  </section>

  <section>
    <h3>{words.after}</h3>
    <table>
      <thead
        ><tr><th>{words.head.card}</th><th>{words.head.function}</th><th>{words.head.lines}</th></tr></thead
      >
      <tbody
        >{#each sheet.lines as row, i (i)}<tr
            ><td>{row.owner}</td><td>{row.function}</td><td class="mono">{row.lines.join('  ')}</td></tr
          >{/each}</tbody
      >
    </table>
  </section>
</article>

<style>
  .held {
    padding-left: 0.6rem;
    border-left: 8px solid var(--stop);
    font-weight: 650;
  }
  .stops {
    margin: 0.3rem 0 0.6rem;
    padding-left: 1.8rem;
    border-left: 8px solid var(--stop);
    list-style: disc;
  }
  .checks {
    padding-left: 1.8rem;
    list-style: decimal;
  }
  section > a {
    display: inline-block;
    padding: 0.3rem 0;
    text-decoration: underline;
  }
  article {
    max-width: 60rem;
    padding: 1.4rem 1.6rem;
    background: var(--sheet);
    border: 2px solid var(--ink);
    font-size: 1.1rem;
  }
  h2 {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.8rem;
    font-size: 2.2rem;
  }
  h2 span {
    font-size: 1.05rem;
    font-weight: 400;
    color: var(--quiet);
  }
  h3 {
    font-size: 1.3rem;
  }
  .open {
    margin: 0.8rem 0;
    padding-left: 0.9rem;
    border-left: 8px solid var(--stop);
  }
  .open ul {
    margin: 0.2rem 0 0;
    padding-left: 1.1rem;
    list-style: square;
  }
  section {
    margin-top: 0.9rem;
  }
  section a {
    display: inline-block;
    padding: 0.3rem 0;
  }
  .none {
    margin: 1rem 0;
    font-size: 1.3rem;
  }
  .steps {
    margin: 1rem 0;
    padding: 0;
    list-style: none;
  }
  .steps > li {
    display: flex;
    gap: 0.9rem;
    padding: 0.8rem 0;
    border-top: 1.5px solid var(--ink);
    break-inside: avoid;
  }
  .body {
    flex: 1 1 20rem;
    min-width: 0;
  }
  .n {
    display: inline-block;
    min-width: 1.6rem;
    font-family: var(--font-mono);
  }
  .gone {
    visibility: hidden;
  }
  .struck {
    color: var(--quiet);
    text-decoration: line-through;
  }
  time {
    font: 0.85rem var(--font-mono);
    color: var(--quiet);
  }
  label {
    cursor: pointer;
  }
  .box {
    flex: 0 0 auto;
    width: 1.5rem;
    height: 1.5rem;
    border: 2px solid var(--ink);
  }
  .box.small {
    display: inline-block;
    width: 1.05rem;
    height: 1.05rem;
    margin-right: 0.5rem;
    vertical-align: -0.15rem;
  }
  .body ul {
    margin: 0.4rem 0 0;
    padding: 0;
    list-style: none;
  }
  .body li {
    margin: 0.3rem 0;
  }
  .typed li {
    font-family: var(--font-mono);
  }
  .drawing {
    flex: 0 0 300px;
  }
  .drawing p {
    margin: 0.2rem 0 0;
    font-size: 0.85rem;
    color: var(--quiet);
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 0.95rem;
  }
  th {
    text-align: left;
    border-bottom: 1.5px solid var(--ink);
  }
  td {
    padding: 0.25rem 0.6rem 0.25rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: top;
  }
  .mono {
    font-family: var(--font-mono);
    font-size: 0.88rem;
  }
  @media (max-width: 700px) {
    article {
      padding: 0.8rem;
    }
    .steps > li {
      flex-wrap: wrap;
    }
    .drawing {
      flex-basis: 100%;
      max-width: 320px;
    }
  }
  @media print {
    article {
      max-width: none;
      border: 0;
      padding: 0;
    }
  }
</style>
