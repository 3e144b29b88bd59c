<script lang="ts">
  import { beforeNavigate, goto, preloadCode } from '$app/navigation';
  import { page } from '$app/state';
  import { Button } from 'flowbite-svelte';
  import { onMount, type Snippet } from 'svelte';
  import { stageStates, type StageState } from '$lib/core/rules';
  import { keyOf, type Part } from '$lib/core/model';
  import { differences } from '$lib/core/settings';
  import { lineSettings } from '$lib/core/solver';
  import { setBench } from '../context';
  import { Planner } from '../planner.svelte';
  import type { Saved } from '../record/send';
  import { Session } from '../record/session.svelte';
  import { text } from '$lib/words/en/screens';
  import Tray from '../tray/Tray.svelte';
  import Rail from './Rail.svelte';
  import ThemeSwitch from './ThemeSwitch.svelte';
  import TopBar from './TopBar.svelte';

  interface Props {
    record: Saved;
    parts: Part[];
    children: Snippet;
  }
  let { record, parts, children }: Props = $props();
  // svelte-ignore state_referenced_locally
  const session = new Session(record, parts);
  const planner = new Planner(session);
  setBench({ session, planner });

  let help = $state(false);
  const keysPanel = () => import('./Keys.svelte');
  /** Somebody wanted to go where the server is needed while it is away. */
  let staying = $state(false);
  /** Comes as soon as the page has been drawn: nothing can stand between it and the record before. */
  const noticesBar = import.meta.env.SSR ? null : import('./Notices.svelte');
  /** A copy that was made of the state on the screen. */
  let copy = $state<{ id: string; name: string } | null>(null);
  /** These also work while the server is away. */
  const offlineStages = ['switches', 'lines', 'disks', 'memory', 'boot', 'start', 'bench'];
  const here = (stage: string) => `/builds/${session.build.id}/${stage}`;
  const stage = $derived(page.url.pathname.split('/')[3] ?? 'lines');
  const stops = $derived(session.count('stop'));
  const clashes = $derived(session.count('clash'));
  const cautions = $derived(session.count('caution'));
  /** Settings that stand elsewhere than they should, or that nobody looked at. */
  const toSet = $derived(
    differences(session.shown, session.parts).filter((d) => d.severity !== 'note').length
  );
  const states = $derived.by(() => {
    const decided = lineSettings(session.machine);
    return stageStates(session.machine, session.findings, session.checked.hiding, (item, setting) =>
      decided.has(keyOf(item, setting))
    );
  });
  /** The stages of the rail; what is done at the machine and the log are not checked. */
  const rail: Record<string, StageState> = $derived({
    ...states,
    // What is still to be moved is no finding, but the stage is not done before.
    switches: { ...states.switches, checked: states.switches.checked && toSet === 0 }
  });
  const cpu = $derived(session.machine.board.part.board?.cpu ?? '');
  const date = $derived(session.build.brief.date);
  /** Without the tray: what they show needs the room. */
  const wideStages = ['bench', 'log', 'start', 'memory', 'boot'];
  const isWide = $derived(wideStages.includes(stage));

  /** Whether the person asked the browser to load as little as it can; not every browser tells. */
  const savesData = (): boolean =>
    (navigator as { connection?: { saveData?: boolean } }).connection?.saveData === true;

  onMount(() => {
    const stops = [session.start(), planner.warm()];
    if (!savesData()) for (const offline of offlineStages) void preloadCode(here(offline));
    void keysPanel().catch(() => null);
    void navigator.serviceWorker?.ready.then((ready) =>
      ready.active?.postMessage({
        keep: offlineStages.map(here),
        state: JSON.stringify([session.head, session.partList])
      })
    );
    return () => stops.forEach((stop) => stop());
  });
  beforeNavigate(({ to, cancel, willUnload }) => {
    staying = session.isAway && !willUnload && !offlineStages.map(here).includes(to?.url.pathname ?? '');
    if (staying) cancel();
  });

  async function resolve() {
    if (stage !== 'lines') await goto(here('lines'));
    planner.resolve();
  }

  async function keepCopy() {
    const name = text.copyName(session.build.name);
    const id = await session.keepCopy(name);
    if (id) copy = { id, name };
  }

  const stageKeys: Readonly<Record<string, string>> = {
    p: 'bench',
    g: 'log',
    b: 'brief',
    f: 'fit',
    s: 'switches',
    d: 'disks',
    m: 'memory',
    o: 'boot',
    t: 'start'
  };
  function keys(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    // A list and a box to tick have letters of their own, and no undo; a field for text has both.
    const own =
      event.ctrlKey || event.metaKey
        ? 'input:not([type="checkbox"], [type="radio"]), textarea, [contenteditable]'
        : 'input, select, textarea, [contenteditable]';
    if (target.closest(own) || event.altKey || session.collision) return;
    const key = event.key.toLowerCase();
    if (event.ctrlKey || event.metaKey) {
      if (key === 'z') void session.step(event.shiftKey ? 'redo' : 'undo');
      else if (key === 'y') void session.step('redo');
      else return;
    } else if (key === 'r') void resolve();
    else if (stageKeys[key]) void goto(here(stageKeys[key]));
    else if (key === '/') void goto(here('parts')).then(() => document.getElementById('part-query')?.focus());
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

<div class="min-h-screen flex flex-col">
  <TopBar>
    <span
      class="text-quiet max-lg:m-0 max-lg:order-3 max-lg:basis-full lg:min-w-0 lg:basis-40 lg:grow lg:leading-tight"
      ><b class="text-ink text-large">{session.build.name}</b>
      {cpu}{date ? text.asOf(date) : ''}</span
    >
    <span class="flex-1 lg:hidden"></span>
    <span class="sum gap-3.5 flex mr-1.5" aria-live="polite">
      {#if stops}<b class="bad text-stop">{text.stops(stops)}</b>{/if}
      {#if clashes}<b class="bad text-stop">{text.clashes(clashes)}</b>
      {:else if !stops && session.checked.status === 'unknown'}<b title={text.notAllCheckedWhy}
          >{text.notAllChecked}</b
        >
      {:else if !stops}<b>{text.noClash}</b>{/if}
      {#if cautions}<span>{text.cautions(cautions)}</span>{/if}
    </span>
    <Button class="act" onclick={() => session.step('undo')} disabled={!session.canUndo && !session.waiting}
      >{text.undo}</Button
    >
    <Button class="act" onclick={() => session.step('redo')} disabled={!session.canRedo}>{text.redo}</Button>
    <Button
      class={stage === 'lines' || stage === 'parts' ? (planner.state === 'plan' ? 'act' : 'act main') : 'act'}
      onclick={resolve}
      aria-keyshortcuts="r">{text.resolve}<kbd>R</kbd></Button
    >
    <Button class="act" href={here('bench')} aria-keyshortcuts="p">{text.benchSheet}<kbd>P</kbd></Button>
    <ThemeSwitch />
    <Button class="act" onclick={() => (help = !help)} aria-label={text.keysTitle} aria-keyshortcuts="?"
      ><kbd class="m-0 opacity-100">?</kbd></Button
    >
  </TopBar>
  {#await noticesBar then bar}
    {#if bar}
      <bar.default
        {session}
        {staying}
        hideStaying={() => (staying = false)}
        {copy}
        hideCopy={() => (copy = null)}
        {keepCopy}
      />
    {/if}
  {/await}
  <div class="body flex-1 grid grid-cols-[12.2rem_minmax(0,1fr)_21.2rem]" class:wide={isWide}>
    <Rail id={session.build.id} {stage} states={rail} />
    <main class="py-4 px-4.5 min-w-0 max-lg:py-3.25 max-lg:px-2.5 max-lg:overflow-x-auto">
      {@render children()}
    </main>
    {#if !isWide}<Tray />{/if}
  </div>
</div>
{#if help}
  {#await keysPanel() then { default: Keys }}<Keys close={() => (help = false)} />{/await}
{/if}
{#if session.collision}
  {#key session.collision}
    {@const collision = session.collision}
    {#await import('./Merge.svelte') then { default: Merge }}
      <Merge {session} {collision} {keepCopy} />
    {/await}
  {/key}
{/if}

<style>
  .body.wide {
    grid-template-columns: 12.2rem minmax(0, 1fr);
  }

  @media (width < 64rem) {
    .body,
    .body.wide {
      grid-template-columns: minmax(0, 1fr);
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
