<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { Button } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import type { Build, Part } from '$lib/core/model';
  import { setBench } from '../context';
  import { Planner } from '../planner.svelte';
  import { Session } from '../session.svelte';
  import { text } from '../text';
  import Tray from '../tray/Tray.svelte';
  import Keys from './Keys.svelte';
  import Rail from './Rail.svelte';
  import ThemeSwitch from './ThemeSwitch.svelte';
  import TopBar from './TopBar.svelte';

  interface Props {
    record: { build: Build; head: number; canUndo: boolean; canRedo: boolean };
    parts: Part[];
    children: Snippet;
  }
  let { record, parts, children }: Props = $props();
  // svelte-ignore state_referenced_locally
  const session = new Session(record, parts);
  const planner = new Planner(session);
  setBench({ session, planner });

  let help = $state(false);
  const stage = $derived(page.url.pathname.split('/')[3] ?? 'lines');
  const stops = $derived(session.count('stop') + session.count('clash'));
  const cautions = $derived(session.count('caution'));
  const open = $derived({
    parts: session.findings.filter((f) => /^(slot|part|period|isa)/.test(f.rule) && f.severity !== 'note')
      .length,
    lines: session.findings.filter((f) => /^(line|rom|brief)/.test(f.rule) && f.severity !== 'note').length,
    bench: 0
  });

  async function resolve() {
    if (stage !== 'lines') await goto(`/builds/${session.build.id}/lines`);
    planner.resolve();
  }

  function keys(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    if (target.closest('input, select, textarea, [contenteditable]') || event.altKey) return;
    const key = event.key.toLowerCase();
    if (event.ctrlKey || event.metaKey) {
      if (key === 'z') void session.step(event.shiftKey ? 'redo' : 'undo');
      else if (key === 'y') void session.step('redo');
      else return;
    } else if (key === 'r') void resolve();
    else if (key === 'p') void goto(`/builds/${session.build.id}/bench`);
    else if (key === '/')
      void goto(`/builds/${session.build.id}/parts`).then(() =>
        document.getElementById('part-query')?.focus()
      );
    else if (key === '?') help = !help;
    else if (key === 'escape') {
      help = false;
      planner.close();
    } else return;
    event.preventDefault();
  }
</script>

<svelte:window onkeydown={keys} ononline={() => session.flush()} />
<svelte:head><title>{session.build.name} · {text.product}</title></svelte:head>

<div class="bench">
  <TopBar>
    <span class="machine"
      ><b>{session.build.name}</b>
      {session.machine.board.part.board?.cpu ?? ''}{session.build.brief.date
        ? `, as of ${session.build.brief.date}`
        : ''}</span
    >
    <span class="grow"></span>
    <span class="sum" aria-live="polite">
      {#if stops}<b class="bad">{stops} {stops === 1 ? 'clash' : 'clashes'}</b>{:else}<b>No clash</b>{/if}
      {#if cautions}<span>{cautions} caution{cautions > 1 ? 's' : ''}</span>{/if}
    </span>
    <Button class="act" onclick={() => session.step('undo')} disabled={!session.canUndo}>{text.undo}</Button>
    <Button class="act" onclick={() => session.step('redo')} disabled={!session.canRedo}>{text.redo}</Button>
    <Button
      class={stage !== 'bench' && planner.state !== 'plan' ? 'act main' : 'act'}
      onclick={resolve}
      aria-keyshortcuts="r">{text.resolve}<kbd>R</kbd></Button
    >
    <Button class="act" href="/builds/{session.build.id}/bench" aria-keyshortcuts="p"
      >{text.benchSheet}<kbd>P</kbd></Button
    >
    <ThemeSwitch />
    <Button class="act" onclick={() => (help = !help)} aria-label="Keys">?</Button>
  </TopBar>
  {#if session.trouble}
    <p class="trouble no-print" role="alert">
      {session.trouble}
      <Button class="act" onclick={() => (session.trouble = '')}>Close</Button>
    </p>
  {/if}
  <div class="body" class:wide={stage === 'bench'}>
    <Rail id={session.build.id} {stage} {open} />
    <main>{@render children()}</main>
    {#if stage !== 'bench'}<Tray />{/if}
  </div>
</div>
{#if help}<Keys close={() => (help = false)} />{/if}

<style>
  .bench {
    min-height: 100vh;
    display: flex;
    flex-direction: column;
  }
  .machine {
    color: var(--quiet);
  }
  .machine b {
    color: var(--ink);
    font-size: 1.1rem;
  }
  .grow {
    flex: 1;
  }
  .sum {
    display: flex;
    gap: 0.9rem;
    margin-right: 0.4rem;
  }
  .bad {
    color: var(--stop);
  }
  .trouble {
    margin: 0;
    padding: 0.5rem 1rem;
    border-left: 8px solid var(--stop);
    background: var(--sheet);
    border-bottom: 1px solid var(--rule);
  }
  .body {
    flex: 1;
    display: grid;
    grid-template-columns: 172px minmax(0, 1fr) 318px;
  }
  .body.wide {
    grid-template-columns: 172px minmax(0, 1fr);
  }
  main {
    padding: 1rem 1.1rem;
    min-width: 0;
  }
  @media (max-width: 900px) {
    .body,
    .body.wide {
      grid-template-columns: minmax(0, 1fr);
    }
    .machine {
      order: 3;
      flex-basis: 100%;
      margin: 0;
    }
    main {
      padding: 0.8rem 0.6rem;
      overflow-x: auto;
    }
  }
  @media print {
    .body,
    .body.wide {
      display: block;
    }
    .body :global(nav) {
      display: none;
    }
  }
</style>
