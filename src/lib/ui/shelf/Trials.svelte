<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Input, Label } from 'flowbite-svelte';
  import type { Trial } from '$lib/core/model';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import { today } from '../time';
  import { shelf as shelfText } from '$lib/words/en/screens/shelf';

  interface Props {
    trials: readonly Trial[];
    boards: readonly { id: string; name: string }[];
    change: (trials: Trial[]) => void;
  }
  let { trials, boards, change }: Props = $props();
  const words = shelfText;
  let machine = $state('');
  let board = $state('');
  let slot = $state('');
  let clock = $state('');
  let result = $state<Trial['result']>('works');
  let note = $state('');
  const boardName = (id: string | undefined) => boards.find((b) => b.id === id)?.name ?? id ?? '';

  function add(event: SubmitEvent) {
    event.preventDefault();
    const mhz = Number(String(clock).replace(',', '.'));
    change([
      ...trials,
      {
        date: today(),
        result,
        ...(machine.trim() ? { machine: machine.trim() } : {}),
        ...(board ? { board } : {}),
        ...(slot.trim() ? { slot: slot.trim() } : {}),
        ...(mhz > 0 ? { clockMHz: mhz } : {}),
        ...(note.trim() ? { note: note.trim() } : {})
      }
    ]);
    machine = slot = clock = note = '';
  }
</script>

<ul class="mb-2">
  {#each trials as trial, i (i)}
    <li class="py-1 border-b border-b-rule flex flex-wrap gap-y-0.75 gap-x-3.25 items-center">
      <b class={trial.result}>{words.results[trial.result]}</b>
      <span
        >{[
          trial.date,
          trial.machine ?? boardName(trial.board),
          trial.slot ? fitText.slot(trial.slot) : '',
          trial.clockMHz ? words.mhz(trial.clockMHz) : ''
        ]
          .filter(Boolean)
          .join(', ')}</span
      >
      <em class="flex-1 text-quiet not-italic">{trial.note ?? ''}</em>
      <Button
        class="act"
        onclick={() => change(trials.filter((t) => t !== trial))}
        aria-label={words.removeTrial}>×</Button
      >
    </li>
  {/each}
</ul>
<form class="flex flex-wrap gap-y-2 gap-x-3.25 items-end" onsubmit={add}>
  <div>
    <Label for="trial-machine">{words.trialMachine}</Label><Input
      id="trial-machine"
      bind:value={machine}
      maxlength={100}
    />
  </div>
  <div>
    <Label for="trial-board">{words.trialBoard}</Label>
    <OneOf id="trial-board" bind:value={board}>
      <option value=""></option>
      {#each boards as b (b.id)}<option value={b.id}>{b.name}</option>{/each}
    </OneOf>
  </div>
  <div class="short">
    <Label for="trial-slot">{words.trialSlot}</Label><Input
      id="trial-slot"
      bind:value={slot}
      maxlength={12}
    />
  </div>
  <div class="short">
    <Label for="trial-clock">{words.trialClock}</Label><Input
      id="trial-clock"
      bind:value={clock}
      inputmode="decimal"
    />
  </div>
  <div>
    <Label for="trial-result">{words.trialResult}</Label>
    <OneOf id="trial-result" bind:value={result}>
      {#each Object.entries(words.results) as [id, name] (id)}<option value={id}>{name}</option>{/each}
    </OneOf>
  </div>
  <div class="wide">
    <Label for="trial-note">{words.trialNote}</Label><Input
      id="trial-note"
      bind:value={note}
      maxlength={500}
    />
  </div>
  <Button type="submit" class="act">{words.addTrial}</Button>
</form>

<style>
  .does-not {
    color: var(--stop);
  }

  form > div {
    flex: 1 1 9rem;
  }
  .short {
    flex: 0 1 6rem;
  }
  .wide {
    flex: 2 1 14rem;
  }
</style>
