<script lang="ts">
  import { Button, Modal, Radio } from 'flowbite-svelte';
  import { SvelteMap } from 'svelte/reactivity';
  import { checkBuild } from '$lib/core/model';
  import { merge, type MergeLine, type Side } from '$lib/core/revision';
  import { mergeWords, problemsOf } from '$lib/words';
  import type { Session } from '../record/session.svelte';
  import type { Collision } from '../record/trouble';
  import { text } from '$lib/words/en/screens';
  import { dialogs } from '$lib/words/en/screens/dialogs';

  let { session, collision, keepCopy }: { session: Session; collision: Collision; keepCopy: () => void } =
    $props();
  const words = dialogs.merge;

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

<!-- It stays until both are put together or a copy is kept. -->
<Modal
  class="py-4.75 px-5.5 w-[min(62rem,96vw)]! max-h-[94vh] max-md:p-3.5"
  size="none"
  permanent
  transitionParams={{ duration: 0 }}
  open
  aria-labelledby="merge-title"
>
  <h2 id="merge-title" tabindex="-1" data-autofocus>{words.title}</h2>
  <p class="lead mx-0 mt-0.75 mb-3.25 max-w-200">{words.lead}</p>
  <div class="all gap-2 flex flex-wrap">
    <Button class="act" onclick={() => all('mine')}>{words.allMine}</Button>
    <Button class="act" onclick={() => all('theirs')}>{words.allTheirs}</Button>
  </div>
  <ul class="my-3.25 border-t-2 border-t-ink">
    {#each merged.lines as line (line.id)}
      {@const side = sideOf(line)}
      {@const said = mergeWords(line, { parts: session.parts, builds: merged.builds })}
      <li
        class="border-b border-l-8 border-b-rule border-l-transparent pt-2.5 pb-2.75 pl-2.75"
        class:open={side === undefined}
      >
        <fieldset class="gap-2 grid grid-cols-[1fr_1fr] max-md:grid-cols-[1fr]">
          <legend class="mb-1.5 text-large"
            ><b>{said.subject}</b>
            {said.what}
            <span class="ml-2.5 text-quiet max-md:m-0 max-md:block">{words.was}: {said.base}</span>
            {#if side === undefined}<span class="ml-2.5 font-bold text-stop">{words.decide}</span
              >{/if}</legend
          >
          {#each ['mine', 'theirs'] as const as way (way)}
            <Radio
              classes={{
                label:
                  'py-1.25 px-2.75 gap-2.5 border-[1.5px] border-rule min-h-10.5 cursor-pointer has-checked:border-ink has-checked:bg-paper has-checked:outline has-checked:outline-ink'
              }}
              name={line.id}
              value={way}
              group={side}
              onchange={() => choice.set(line.id, way)}
            >
              <span class="where flex-[0_0_7.2rem] text-quiet">{words[way]}</span>
              <span class="value font-[650] wrap-anywhere">{said[way]}</span>
            </Radio>
          {/each}
        </fieldset>
      </li>
    {/each}
  </ul>
  {#if problems.length}
    <div class="border-l-8 border-l-stop mb-3.25 pl-3.25" role="alert">
      <p>{words.notWhole}</p>
      {#each problems.slice(0, 5) as problem, i (i)}<p>{problem.path}: {problem.message}</p>{/each}
    </div>
  {/if}
  <div class="gap-2 flex flex-wrap">
    <Button class="act main" disabled={left > 0 || problems.length > 0} onclick={() => session.settle(result)}
      >{left ? words.left(left) : words.save}</Button
    >
    <Button class="act" onclick={keepCopy}>{text.keepCopy}</Button>
    <Button class="act" onclick={() => session.settle(collision.theirs.build)}>{words.drop}</Button>
  </div>
</Modal>

<style>
  h2 {
    font-size: 1.6rem;
    outline: none;
  }

  li.open {
    border-left-color: var(--stop);
  }
</style>
