<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { assemblyWords, lastLookWords } from '$lib/words';
  import { Checkbox, Input, Button } from 'flowbite-svelte';
  import { tickStep, untick } from '$lib/core/settings';
  import type { Teardown } from '$lib/core/model';
  import { addStep, assembly, lastChecks, removeStep, setBack, takenApart } from '$lib/core/teardown';
  import { getBench } from '../context';
  import { sheet as sheetText } from '$lib/words/en/screens/sheet';
  import { timeText } from '../time';

  const words = sheetText;
  const { session } = getBench();
  const off = $derived(takenApart(session.build));
  const order = $derived(assembly(session.build));
  const checks = $derived(lastChecks(session.build, session.parts));
  let what = $state('');
  let where = $state('');
  let kind = $state<Teardown['kind']>('cable');

  function add(event: SubmitEvent) {
    event.preventDefault();
    if (!what.trim()) return;
    const step = { kind, what: what.trim(), where: where.trim() || undefined };
    session.change(addStep(session.build, step, new Date().toISOString()), words.didApart(step.what));
    what = where = '';
    document.getElementById('apart-what')?.focus();
  }
  const back = (step: Teardown) =>
    session.change(
      setBack(session.build, step.id, step.back ? null : new Date().toISOString()),
      words.didBack(step.what)
    );
  const key = (id: string) => `last ${id}`;
  function look(id: string, said: string) {
    const { build } = session;
    const next = build.done?.[key(id)]
      ? untick(build, session.parts, key(id))
      : tickStep(build, key(id), { text: said, at: new Date().toISOString() });
    session.change(next, words.didLast);
  }
</script>

<p class="lead">{words.apartLead}</p>
<form
  onsubmit={add}
  class="no-print py-2.75 px-3.5 border-2 border-ink flex flex-wrap gap-y-2.5 gap-x-4 items-end bg-sheet"
>
  <label class="gap-0.5 flex flex-col"
    >{words.kind}
    <OneOf bind:value={kind}
      >{#each Object.entries(words.stepKinds) as [id, label] (id)}<option value={id}>{label}</option
        >{/each}</OneOf
    ></label
  >
  <label class="gap-0.5 flex flex-col flex-[1_1_14rem]"
    >{words.what}
    <Input
      id="apart-what"
      bind:value={what}
      placeholder={words.whatHint}
      maxlength={200}
      autocomplete="off"
    /></label
  >
  <label class="gap-0.5 flex flex-col flex-[1_1_14rem]"
    >{words.where}
    <Input bind:value={where} placeholder={words.whereHint} maxlength={200} autocomplete="off" /></label
  >
  <Button type="submit" class="act main">{words.addStep}</Button>
</form>
<div class="body grid grid-cols-[repeat(auto-fit,minmax(20rem,1fr))] gap-y-0 gap-x-10">
  <section>
    <h2 class="border-b-2 border-b-ink mt-4">{words.off}</h2>
    {#if !off.length}<p class="quiet">{words.nothingOff}</p>{/if}
    <ol class="my-1.25 pl-6.75 list-decimal text-large">
      {#each off as step (step.id)}
        <li class="py-1">
          <b>{step.what}</b> <span class="quiet">{words.stepKinds[step.kind]}, {timeText(step.at)}</span>
          {#if step.where}<span class="where block">{step.where}</span>{/if}
          <Button
            class="cross no-print"
            onclick={() => session.change(removeStep(session.build, step.id), words.didRemove(step.what))}
            aria-label={words.removeStep(step.what)}>×</Button
          >
        </li>
      {/each}
    </ol>
  </section>
  <section>
    <h2 class="border-b-2 border-b-ink mt-4">{words.together}</h2>
    <ol class="my-1.25 pl-6.75 list-decimal text-large">
      {#each order as step (step.id)}
        <li class="py-1" class:struck={step.back}>
          <label
            ><Checkbox
              class="size-5.5! mr-1.5"
              checked={step.back !== undefined}
              onchange={() => back(step)}
              aria-label={words.back(step.what)}
            />
            {assemblyWords(step)}</label
          >
          {#if step.back}<time
              class="font-normal text-small font-mono leading-[1.25] text-quiet"
              datetime={step.back}>{timeText(step.back)}</time
            >{/if}
        </li>
      {/each}
    </ol>
    <h2 class="border-b-2 border-b-ink mt-4">{words.last}</h2>
    <ul class="my-1.25 text-large">
      {#each checks as check (check.id)}
        <li class="py-1" class:open={check.open}>
          <label
            ><Checkbox
              class="size-5.5! mr-1.5"
              checked={session.build.done?.[key(check.id)] !== undefined}
              onchange={() => look(check.id, lastLookWords(check))}
              disabled={check.open}
            />
            {lastLookWords(check)}</label
          >
        </li>
      {/each}
    </ul>
  </section>
</div>

<style>
  .struck {
    color: var(--quiet);
    text-decoration: line-through;
  }
  .open {
    padding-left: 0.6rem;
    border-left: 6px solid var(--stop);
    font-weight: 650;
  }
</style>
