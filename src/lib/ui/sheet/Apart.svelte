<script lang="ts">
  import { assemblyWords, lastLookWords } from '$lib/words';
  import { Button } from 'flowbite-svelte';
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
<form onsubmit={add} class="no-print">
  <label
    >{words.kind}
    <select bind:value={kind}
      >{#each Object.entries(words.stepKinds) as [id, label] (id)}<option value={id}>{label}</option
        >{/each}</select
    ></label
  >
  <label class="grow"
    >{words.what}
    <input
      id="apart-what"
      bind:value={what}
      placeholder={words.whatHint}
      maxlength="200"
      autocomplete="off"
    /></label
  >
  <label class="grow"
    >{words.where}
    <input bind:value={where} placeholder={words.whereHint} maxlength="200" autocomplete="off" /></label
  >
  <Button type="submit" class="act main">{words.addStep}</Button>
</form>
<div class="body">
  <section>
    <h2>{words.off}</h2>
    {#if !off.length}<p class="quiet">{words.nothingOff}</p>{/if}
    <ol>
      {#each off as step (step.id)}
        <li>
          <b>{step.what}</b> <span class="quiet">{words.stepKinds[step.kind]}, {timeText(step.at)}</span>
          {#if step.where}<span class="where">{step.where}</span>{/if}
          <button
            class="no-print"
            onclick={() => session.change(removeStep(session.build, step.id), words.didRemove(step.what))}
            aria-label={words.removeStep(step.what)}>×</button
          >
        </li>
      {/each}
    </ol>
  </section>
  <section>
    <h2>{words.together}</h2>
    <ol>
      {#each order as step (step.id)}
        <li class:struck={step.back}>
          <label
            ><input
              type="checkbox"
              checked={step.back !== undefined}
              onchange={() => back(step)}
              aria-label={words.back(step.what)}
            />
            {assemblyWords(step)}</label
          >
          {#if step.back}<time datetime={step.back}>{timeText(step.back)}</time>{/if}
        </li>
      {/each}
    </ol>
    <h2>{words.last}</h2>
    <ul>
      {#each checks as check (check.id)}
        <li class:open={check.open}>
          <label
            ><input
              type="checkbox"
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
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem 1rem;
    align-items: end;
    padding: 0.7rem 0.9rem;
    border: 2px solid var(--ink);
    background: var(--sheet);
  }
  form label {
    display: flex;
    flex-direction: column;
    gap: 0.15rem;
  }
  .grow {
    flex: 1 1 14rem;
  }
  form input,
  select {
    padding: 0.45rem 0.6rem;
    border: 1px solid var(--ink);
    font-size: 1.05rem;
  }
  select {
    padding-right: 2.2rem;
  }
  .body {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(20rem, 1fr));
    gap: 0 2.5rem;
  }
  h2 {
    margin-top: 1rem;
    border-bottom: 2px solid var(--ink);
    font-size: 1.15rem;
  }
  ol {
    margin: 0.3rem 0;
    padding-left: 1.7rem;
    list-style: decimal;
    font-size: 1.08rem;
  }
  ul {
    margin: 0.3rem 0;
    padding: 0;
    list-style: none;
    font-size: 1.08rem;
  }
  li {
    padding: 0.25rem 0;
  }
  li input {
    width: 1.4rem;
    height: 1.4rem;
    margin-right: 0.4rem;
    vertical-align: -0.25rem;
  }
  .where {
    display: block;
  }
  .struck {
    color: var(--quiet);
    text-decoration: line-through;
  }
  .open {
    padding-left: 0.6rem;
    border-left: 6px solid var(--stop);
    font-weight: 650;
  }
  li button {
    border: 0;
    background: none;
    color: var(--quiet);
    min-width: 1.9rem;
    min-height: 1.9rem;
    font-size: 1.1rem;
    cursor: pointer;
  }
  time {
    font: 0.85rem var(--font-mono);
    color: var(--quiet);
  }
</style>
