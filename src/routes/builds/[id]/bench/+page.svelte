<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { exportKinds, exported, sheetOf, type ExportKind } from '$lib/formats';
  import { getBench } from '$lib/ui/context';
  import CardDrawing from '$lib/ui/parts/CardDrawing.svelte';
  import Cautions from '$lib/ui/sheet/Cautions.svelte';
  import { text } from '$lib/ui/text';

  const { session } = getBench();
  const sheet = $derived(sheetOf(session.build, session.parts));
  const words = text.sheet;
  const cpu = $derived(session.machine.board.part.board?.cpu ?? '');
  const date = $derived(session.build.brief.date);
  const item = (id: string) => [session.build.board, ...session.build.items].find((i) => i.id === id);

  /** Made here, so that it also works while the server is away. */
  function save(kind: ExportKind) {
    const { content, media, name } = exported(session.build, session.parts, kind);
    const url = URL.createObjectURL(new Blob([content], { type: media }));
    const link = document.createElement('a');
    link.href = url;
    link.download = name;
    link.click();
    URL.revokeObjectURL(url);
  }
</script>

<div class="tools no-print">
  <h1>{words.title}</h1>
  <Button class="act main" onclick={() => print()}>{words.print}</Button>
  <span>{words.saveAs}</span>
  {#each exportKinds as kind (kind)}
    <Button class="act" onclick={() => save(kind)}>{words.kinds[kind]}</Button>
  {/each}
</div>

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

  {#if sheet.steps.length === 0}<p class="none">{words.nothing}</p>{/if}
  <ol class="steps">
    {#each sheet.steps as step, i (i)}
      {@const drawn = step.kind === 'set' && step.item ? item(step.item) : undefined}
      <li>
        <span class="box" aria-hidden="true"></span>
        <div class="body">
          <h3><span class="n">{i + 1}</span> {step.title}</h3>
          {#if step.actions.length}
            <ul class:typed={step.kind === 'command'}>
              {#each step.actions as action, j (j)}<li>
                  <span class="box small" aria-hidden="true"></span>{action.text}
                </li>{/each}
            </ul>
          {/if}
        </div>
        {#if drawn}<div class="drawing">
            <CardDrawing part={session.parts.get(drawn.part)!} item={drawn} />
            <p>{words.legend}</p>
          </div>{/if}
      </li>
    {/each}
  </ol>

  <Cautions cautions={sheet.powerCautions} label={words.power} />

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
  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
    margin-bottom: 1rem;
  }
  .tools h1 {
    flex: 1;
    font-size: 1.35rem;
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
