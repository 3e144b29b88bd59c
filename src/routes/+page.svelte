<script lang="ts">
  import { goto } from '$app/navigation';
  import { Button } from 'flowbite-svelte';
  import ThemeSwitch from '$lib/ui/shell/ThemeSwitch.svelte';
  import TopBar from '$lib/ui/shell/TopBar.svelte';
  import { text } from '$lib/ui/text';

  let { data } = $props();
  let trouble = $state<string[]>([]);
  let picker: HTMLInputElement;

  async function open(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    trouble = [];
    try {
      const response = await fetch('/api/v1/import', {
        method: 'POST',
        body: await file.text(),
        headers: { 'content-type': 'application/json' }
      });
      const reply = await response.json();
      if (response.ok) return void (await goto(`/builds/${reply.build.id}/lines`));
      trouble = [
        `${file.name} was not opened; nothing was changed.`,
        ...(reply.problems ?? [{ path: '', message: reply.title }])
          .slice(0, 8)
          .map((p: { path: string; message: string }) => (p.path ? `${p.path}: ${p.message}` : p.message))
      ];
    } catch {
      trouble = [text.serverGone];
    }
  }
</script>

<svelte:head><title>{text.builds} · {text.product}</title></svelte:head>

<TopBar>
  <span class="tag">{text.tagline}</span>
  <span class="grow"></span>
  <ThemeSwitch />
</TopBar>

<main>
  <div class="head">
    <div>
      <h1>{text.builds}</h1>
      <p>{text.buildsLead}</p>
    </div>
    <span class="grow"></span>
    <Button class="act" onclick={() => picker.click()}>{text.openFile}</Button>
    <input
      bind:this={picker}
      id="open-file"
      type="file"
      accept=".json,application/json"
      onchange={open}
      hidden
      aria-label={text.openFile}
    />
    <Button class="act main" href="/builds/new">{text.newBuild}</Button>
  </div>

  {#if trouble.length}
    <div class="trouble" role="alert">
      {#each trouble as line, i (i)}<p>{line}</p>{/each}
    </div>
  {/if}

  {#if data.builds.length === 0}
    <p class="empty">{text.buildsEmpty} <a href="/builds/new">{text.newBuild}</a></p>
  {/if}
  <ul>
    {#each data.builds as build (build.id)}
      <li>
        <a href="/builds/{build.id}/lines">
          <span class="name">{build.name}</span>
          <span class="what">
            {#if build.role}<b>{build.role}</b>{/if}
            <span>{build.board}</span>
          </span>
          <span class="figure"><b>{build.date?.slice(0, 4) ?? '–'}</b> stands for</span>
          <span class="figure"><b>{build.cards}</b> {build.cards === 1 ? 'card' : 'cards'}</span>
          <span class="state" class:bad={build.clashes + build.stops > 0}>
            {#if build.clashes + build.stops > 0}
              <b>{build.clashes + build.stops}</b> {build.clashes + build.stops === 1 ? 'clash' : 'clashes'}
            {:else}
              <span class="cap" aria-hidden="true"></span> no clash
            {/if}
            {#if build.cautions}<span class="also"
                >{build.cautions} caution{build.cautions > 1 ? 's' : ''}</span
              >{/if}
          </span>
        </a>
      </li>
    {/each}
  </ul>
</main>

<style>
  .tag {
    color: var(--quiet);
  }
  .grow {
    flex: 1;
  }
  main {
    max-width: 1100px;
    margin: 0 auto;
    padding: 1.6rem 1rem;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 0.7rem;
    margin-bottom: 1.2rem;
  }
  h1 {
    font-size: 2rem;
  }
  p {
    margin: 0.2rem 0 0;
    color: var(--quiet);
  }
  .trouble {
    margin-bottom: 1rem;
    padding: 0.7rem 1rem;
    border-left: 8px solid var(--stop);
    background: var(--sheet);
  }
  .trouble p {
    color: var(--ink);
    overflow-wrap: anywhere;
  }
  .empty {
    padding: 2rem 0;
    font-size: 1.2rem;
  }
  .empty a {
    color: var(--ink);
    font-weight: 700;
    text-decoration: underline;
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
    border-top: 2px solid var(--ink);
  }
  li a {
    display: grid;
    grid-template-columns: 11rem 1fr 6.5rem 5rem 9rem;
    gap: 1rem;
    align-items: center;
    padding: 1rem 0.4rem;
    border-bottom: 1px solid var(--rule);
    color: var(--ink);
    text-decoration: none;
  }
  li a:hover {
    background: var(--sheet);
  }
  .name {
    font-size: 1.7rem;
    font-weight: 800;
    font-stretch: 85%;
  }
  .what b {
    display: block;
  }
  .what span {
    color: var(--quiet);
  }
  .figure {
    color: var(--quiet);
  }
  .figure b {
    display: block;
    font-family: var(--font-mono);
    font-size: 1.2rem;
    color: var(--ink);
  }
  .state {
    border-left: 8px solid transparent;
    padding-left: 0.7rem;
    font-weight: 600;
  }
  .state.bad {
    border-left-color: var(--stop);
    color: var(--stop);
  }
  .state b {
    font-size: 1.4rem;
  }
  .also {
    display: block;
    font-weight: 400;
    color: var(--quiet);
  }
  .cap {
    display: inline-block;
    width: 26px;
    height: 15px;
    background: var(--yellow);
    border: 1.5px solid var(--ink);
    vertical-align: -2px;
  }
  @media (max-width: 760px) {
    .tag {
      display: none;
    }
    li a {
      grid-template-columns: 1fr auto;
      gap: 0.3rem 1rem;
    }
    .what {
      grid-column: 1 / -1;
      grid-row: 2;
    }
    .figure {
      display: none;
    }
  }
</style>
