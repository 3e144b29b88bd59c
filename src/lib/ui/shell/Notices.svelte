<script lang="ts">
  import { page } from '$app/state';
  import { Button } from 'flowbite-svelte';
  import type { Session } from '../record/session.svelte';
  import { text } from '$lib/words/en/screens';

  interface Props {
    session: Session;
    staying: boolean;
    hideStaying: () => void;
    /** A copy that was made of the state on the screen. */
    copy: { id: string; name: string } | null;
    hideCopy: () => void;
    keepCopy: () => void;
  }

  let { session, staying, hideStaying, copy, hideCopy, keepCopy }: Props = $props();

  $effect(() => {
    if (!session.followed) return;
    const timer = setTimeout(() => (session.followed = false), 6000);
    return () => clearTimeout(timer);
  });
</script>

<!-- What stands between the screen and the record, and what to do about it. -->
<div class="no-print" aria-live="polite">
  {#if session.isAway}<p class="bad">{text.away(session.waiting)}</p>{/if}
  {#if staying && session.isAway}
    <p class="bad">
      {text.awayStay}
      <Button class="act" onclick={hideStaying}>{text.hide}</Button>
    </p>
  {/if}
  {#if session.trouble.kind === 'refused'}
    <p class="bad">
      <span>{text.refused} {session.trouble.lines.join(' ')}</span>
      <Button class="act" onclick={() => session.revert()}>{text.revert}</Button>
    </p>
  {:else if session.trouble.kind === 'locked'}
    <p class="bad">
      <span>{session.trouble.lines.join(' ')}</span>
      <Button class="act" href="/login?next={encodeURIComponent(page.url.pathname)}" data-sveltekit-reload
        >{text.login.enter}</Button
      >
    </p>
  {:else if session.trouble.kind === 'binned'}
    <p class="bad">
      <span>{text.binned(session.waiting)}</span>
      <Button class="act" onclick={() => session.putBack()}>{text.putBack}</Button>
    </p>
  {:else if session.trouble.kind === 'gone'}
    <p class="bad">
      <span>{text.gone}</span>
      <Button class="act" onclick={keepCopy}>{text.keepCopy}</Button>
    </p>
  {/if}
  {#if session.followed}<p>{text.followed}</p>{/if}
  {#if copy}
    <p>
      <span
        >{text.copyKept}
        <a class="text-ink underline" href="/builds/{copy.id}/lines">{copy.name}</a></span
      >
      <Button class="act" onclick={hideCopy}>{text.hide}</Button>
    </p>
  {/if}
</div>

<style>
  p {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 1rem;
    align-items: center;
    margin: 0;
    padding: 0.5rem 1rem;
    border-left: 8px solid var(--ink);
    border-bottom: 1px solid var(--rule);
    background: var(--sheet);
    font-size: 1.05rem;
    font-weight: 550;
    overflow-wrap: anywhere;
  }
  .bad {
    border-left-color: var(--stop);
  }
</style>
