<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import { SvelteMap } from 'svelte/reactivity';
  import { checkBuild } from '$lib/core/model';
  import { merge, type MergeLine, type Side } from '$lib/core/revision';
  import { mergeWords, problemsOf } from '$lib/words';
  import type { Session } from '../record/session.svelte';
  import type { Collision } from '../record/trouble';
  import { text } from '$lib/words/en/screens';

  let { session, collision, keepCopy }: { session: Session; collision: Collision; keepCopy: () => void } =
    $props();
  const words = text.merge;
  let box: HTMLDialogElement;
  onMount(() => {
    box.showModal();
    box.querySelector('h2')?.focus();
  });

  const merged = $derived(merge(collision.base, collision.mine, collision.theirs.build));
  // What one side alone changed stands; what both changed has to be chosen.
  const choice = new SvelteMap<string, Side>();
  const sideOf = (line: MergeLine): Side | undefined =>
    choice.get(line.id) ?? (line.by === 'both' ? undefined : line.by);
  const left = $derived(merged.lines.filter((line) => sideOf(line) === undefined).length);
  const result = $derived(merged.take(choice));
  const problems = $derived(left ? [] : problemsOf(checkBuild(result, session.parts)));
  const all = (side: Side) => merged.lines.forEach((line) => choice.set(line.id, side));
</script>

<dialog bind:this={box} aria-labelledby="merge-title" oncancel={(event) => event.preventDefault()}>
  <h2 id="merge-title" tabindex="-1">{words.title}</h2>
  <p class="lead">{words.lead}</p>
  <div class="all">
    <Button class="act" onclick={() => all('mine')}>{words.allMine}</Button>
    <Button class="act" onclick={() => all('theirs')}>{words.allTheirs}</Button>
  </div>
  <ul>
    {#each merged.lines as line (line.id)}
      {@const side = sideOf(line)}
      {@const said = mergeWords(line, { parts: session.parts, builds: merged.builds })}
      <li class:open={side === undefined}>
        <fieldset>
          <legend
            ><b>{said.subject}</b>
            {said.what}
            <span class="was">{words.was}: {said.base}</span>
            {#if side === undefined}<span class="decide">{words.decide}</span>{/if}</legend
          >
          {#each ['mine', 'theirs'] as const as way (way)}
            <label class:on={side === way}>
              <input
                type="radio"
                name={line.id}
                value={way}
                checked={side === way}
                onchange={() => choice.set(line.id, way)}
              />
              <span class="where">{words[way]}</span>
              <span class="value">{said[way]}</span>
            </label>
          {/each}
        </fieldset>
      </li>
    {/each}
  </ul>
  {#if problems.length}
    <div class="problems" role="alert">
      <p>{words.notWhole}</p>
      {#each problems.slice(0, 5) as problem, i (i)}<p>{problem.path}: {problem.message}</p>{/each}
    </div>
  {/if}
  <div class="foot">
    <Button class="act main" disabled={left > 0 || problems.length > 0} onclick={() => session.settle(result)}
      >{left ? words.left(left) : words.save}</Button
    >
    <Button class="act" onclick={keepCopy}>{text.keepCopy}</Button>
    <Button class="act" onclick={() => session.settle(collision.theirs.build)}>{words.drop}</Button>
  </div>
</dialog>

<style>
  dialog {
    width: min(62rem, 96vw);
    max-height: 94vh;
    margin: auto;
    padding: 1.2rem 1.4rem;
    border: 3px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    overflow-y: auto;
  }
  h2 {
    font-size: 1.6rem;
    outline: none;
  }
  .lead {
    margin: 0.2rem 0 0.8rem;
    max-width: 50rem;
  }
  .all,
  .foot {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
  ul {
    margin: 0.8rem 0;
    padding: 0;
    list-style: none;
    border-top: 2px solid var(--ink);
  }
  li {
    padding: 0.6rem 0 0.7rem 0.7rem;
    border-bottom: 1px solid var(--rule);
    border-left: 8px solid transparent;
  }
  li.open {
    border-left-color: var(--stop);
  }
  fieldset {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem;
    margin: 0;
    padding: 0;
    border: 0;
  }
  legend {
    margin-bottom: 0.35rem;
    padding: 0;
    font-size: 1.1rem;
  }
  .was {
    margin-left: 0.6rem;
    color: var(--quiet);
  }
  .decide {
    margin-left: 0.6rem;
    font-weight: 700;
    color: var(--stop);
  }
  label {
    display: flex;
    gap: 0.6rem;
    align-items: center;
    min-height: 2.6rem;
    padding: 0.3rem 0.7rem;
    border: 1.5px solid var(--rule);
    cursor: pointer;
  }
  label.on {
    border: 2.5px solid var(--ink);
    background: var(--paper);
  }
  input {
    width: 1.1rem;
    height: 1.1rem;
    accent-color: var(--ink);
  }
  .where {
    flex: 0 0 7.2rem;
    color: var(--quiet);
  }
  .value {
    font-weight: 650;
    overflow-wrap: anywhere;
  }
  .problems {
    margin-bottom: 0.8rem;
    padding-left: 0.8rem;
    border-left: 8px solid var(--stop);
  }
  @media (max-width: 640px) {
    dialog {
      padding: 0.9rem;
    }
    fieldset {
      grid-template-columns: 1fr;
    }
    .was {
      display: block;
      margin: 0;
    }
  }
</style>
