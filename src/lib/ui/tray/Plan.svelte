<script lang="ts">
  import { Button, Checkbox, Radio } from 'flowbite-svelte';
  import { getBench } from '../context';
  import { fixText, moveText } from '../labels';
  import { text } from '$lib/words/en/screens';
  import Working from '../task/Working.svelte';
  import type { Relaxation } from '$lib/core/solver';
  import { unseenOnLines } from '$lib/core/settings';
  import { applyFix } from '$lib/core/solver';
  import { tell, shareWords } from '$lib/words';

  const { session, planner } = getBench();
  const solution = $derived(planner.solutions[planner.shown]);
  const result = $derived(planner.result);
  const partName = (id: string) => {
    const item = session.build.shelf.find((i) => i.id === id);
    return item ? (item.label ?? session.parts.get(item.part)?.name ?? id) : id;
  };
  const nameOf = (item: string, fn: string) => {
    const fitted = session.machine.find(item);
    return `${fitted?.title ?? item}: ${fitted?.part.functions.find((f) => f.id === fn)?.label ?? fn}`;
  };
  const unseen = $derived(unseenOnLines(session.machine));
  const hidden = $derived(session.checked.hiding.filter((f) => f.severity === 'caution'));
  const shares = $derived(solution?.shares.filter((s) => s.tolerated) ?? []);

  function relax(relaxation: Relaxation) {
    const build = relaxation.fixes.reduce((b, fix) => applyFix(b, fix, session.parts), session.build);
    session.change(build, relaxation.fixes.map((fix) => fixText(session.machine, fix, partName)).join(', '));
    planner.resolve();
  }
</script>

<section
  class="-mx-1.25 p-2.75 border-2 border-ink -mt-0.75 mb-4 bg-paper"
  aria-label={text.tray.plan}
  aria-live="polite"
>
  {#if planner.state === 'working'}
    <h2 class="text-head">{text.tray.plan}</h2>
    <Working what={text.tray.resolving} seconds={planner.task.seconds} onstop={() => planner.stop()} />
  {:else if result?.status === 'solved' && solution}
    <h2 class="text-head">
      {solution.moves.length > 0
        ? text.tray.moves(solution.moves.length)
        : unseen
          ? text.tray.nothingMovesSeen
          : text.tray.nothingMoves}
    </h2>
    <p class="quiet mx-0 mt-0.5 mb-2">
      {result.optimal ? text.tray.proved : text.tray.bestSoFar}
      {text.tray.onlyShown}
    </p>
    <ol class="mt-1.25 mb-2.5 pl-5.5 list-decimal">
      {#each solution.moves as move (move.item + move.setting)}
        {@const m = moveText(session.machine, move)}
        <li class="mb-1.5">
          <b>{m.card}</b> <span class="where font-mono text-small">{m.block}</span><br />{m.from} →
          <mark class="px-1 bg-yellow text-on-yellow font-[650]">{m.to}</mark>
        </li>
      {/each}
    </ol>
    {#if unseen}<p class="share my-1.25 border-l-4 border-l-ink border-double pl-2.5">
        {text.tray.planUnseen(unseen)}
      </p>{/if}
    {#if hidden.length}
      <p class="share my-1.25 border-l-4 border-l-ink border-double pl-2.5">
        <b>{text.tray.planUnknown}</b>
        {hidden.map((f) => tell(f).title).join('; ')}
      </p>
    {/if}
    {#each shares as share, i (i)}
      <p class="share my-1.25 border-l-4 border-l-ink border-double pl-2.5">
        <b>{text.tray.shared(share.line)}</b>
        {text.tray.sharedBy(nameOf(share.a.item, share.a.function), nameOf(share.b.item, share.b.function))}
        {shareWords(share)}
      </p>
    {/each}
    <div class="my-1.5 gap-1.5 flex flex-wrap">
      <Button class="act main" onclick={() => planner.take()}>{text.tray.take}</Button>
      <Button class="act" onclick={() => planner.close()}>{text.tray.leave}</Button>
    </div>
    {#if planner.solutions.length > 1}
      <fieldset>
        <legend class="eyebrow">{text.tray.otherWays}</legend>
        {#each planner.solutions as other, i (i)}
          <Radio
            classes={{ label: 'p-1.25 items-start! cursor-pointer has-checked:bg-sheet' }}
            name="solution"
            value={i}
            group={planner.shown}
            onchange={() => planner.show(i)}
          >
            <span
              >{i === 0 ? text.tray.best : text.tray.alternative(i)}: {other.moves
                .map((move) => {
                  const m = moveText(session.machine, move);
                  return `${m.card} ${m.block}`;
                })
                .join(', ') || text.tray.noMove}{other.shares.some((s) => s.tolerated)
                ? text.tray.sharesALine
                : ''}</span
            >
          </Radio>
        {/each}
      </fieldset>
    {/if}
  {:else if result?.status === 'impossible'}
    <h2 class="bad text-head text-stop">{text.tray.impossible}</h2>
    <p class="quiet mx-0 mt-0.5 mb-2">
      {result.minimal ? text.tray.minimal : text.tray.notMinimal}
    </p>
    <ul class="mt-1.25 mb-2.5 pl-5.5 list-[square]">
      {#each result.core as member (member.item + member.function)}
        <li class="mb-1.5">
          <b>{nameOf(member.item, member.function)}</b>{#each member.claims as claim (claim.claim)}<br /><span
              class="font-mono text-small">{claim.could.join(', ')}</span
            >{/each}
        </li>
      {/each}
    </ul>
    <h3 class="eyebrow">{text.tray.help}</h3>
    <div class="my-1.5 gap-1.5 flex flex-wrap flex-col items-stretch">
      {#each result.relaxations as relaxation, i (i)}
        <Button class={i === 0 ? 'act main' : 'act'} onclick={() => relax(relaxation)}
          >{relaxation.fixes
            .map((fix) => fixText(session.machine, fix, partName))
            .join(text.tray.then)}</Button
        >
      {:else}<p>{text.tray.noHelp}</p>{/each}
      <Button class="act" onclick={() => planner.close()}>{text.tray.leave}</Button>
    </div>
  {:else if result?.status === 'stopped'}
    <h2 class="text-head">{text.tray.stopped}</h2>
    <Button class="act" onclick={() => planner.close()}>{text.tray.leave}</Button>
  {/if}
  {#if planner.state === 'plan'}
    <Checkbox bind:checked={planner.allowOff} onchange={() => planner.resolve()} classes={{ div: 'mt-3' }}
      >{text.tray.allowOff}</Checkbox
    >
  {/if}
</section>

<style>
</style>
