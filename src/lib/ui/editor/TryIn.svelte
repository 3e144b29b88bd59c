<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import type { BuildFile, Part, Severity } from '$lib/core/model';
  import { aloneOn, isAboutTried, triedIn } from '$lib/core/own';
  import { ask, problemLines } from '../record/send';
  import { text } from '$lib/words/en/screens';
  import { tryIn as words } from '$lib/words/en/screens/catalogue';

  interface Props {
    part: Part;
    /** Builds to try it in. */
    builds: readonly { id: string; name: string }[];
    /** What a board needs to be understood: its BIOS, a CPU that is soldered in. */
    related: readonly Part[];
    /** It can be checked at all. */
    sound: boolean;
  }
  let { part, builds, related, sound }: Props = $props();
  interface Found {
    id: string;
    severity: Severity;
    title: string;
    sentence: string;
    subjects: { item: string }[];
  }
  let into = $state('');
  let found = $state.raw<Found[] | null>(null);
  let trouble = $state<string[]>([]);
  let asked = 0;
  const own = $derived((found ?? []).filter((f) => isAboutTried(part, f.subjects)));

  /** Asks anew a moment after the part has changed; an answer that comes too late is passed over. */
  $effect(() => {
    const [now, where, ok] = [part, into, sound];
    if (!where || !ok) {
      found = null;
      return;
    }
    const mine = ++asked;
    const timer = setTimeout(async () => {
      const file =
        where === 'alone'
          ? ({ ok: true, value: aloneOn(now, related) } as const)
          : await ask<BuildFile>('GET', `/builds/${where}/export`);
      const reply = file.ok
        ? await ask<{ findings: Found[] }>(
            'POST',
            '/check',
            where === 'alone' ? file.value : triedIn(file.value, now, related)
          )
        : file;
      if (mine !== asked) return;
      found = reply.ok ? reply.value.findings : null;
      trouble = reply.ok ? [] : 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
    }, 400);
    return () => clearTimeout(timer);
  });
</script>

<label class="block mt-2.5 mb-0.75 font-[650]"
  >{words.label}
  <OneOf class="w-full! max-w-none!" bind:value={into}>
    <option value="">{words.none}</option>
    {#if part.board}<option value="alone">{words.alone}</option>{/if}
    {#each builds as b (b.id)}<option value={b.id}>{b.name}</option>{/each}
  </OneOf></label
>
{#if into}
  {#if !sound}
    <p class="quiet">{words.notYet}</p>
  {:else if trouble.length}
    {#each trouble as line (line)}<p role="alert">{line}</p>{/each}
  {:else if found}
    <ul aria-live="polite">
      {#each own.slice(0, 8) as f (f.id)}
        <li class={f.severity}><b>{f.title}</b> {f.sentence}</li>
      {:else}
        <li>{words.nothing}</li>
      {/each}
    </ul>
    {#if own.length > 8}<p class="quiet">{words.more(own.length - 8)}</p>{/if}
  {:else}
    <p class="quiet">{words.asking}</p>
  {/if}
{/if}

<style>
  li {
    margin: 0.3rem 0;
    padding-left: 0.5rem;
    border-left: 6px solid var(--rule);
    overflow-wrap: anywhere;
  }
  .stop,
  .clash {
    border-left-color: var(--stop);
  }
  .caution {
    border-left-color: var(--caution, var(--ink));
  }
</style>
