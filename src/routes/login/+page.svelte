<script lang="ts">
  import { page } from '$app/state';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { safeNext } from '$lib/ui/next';
  import { ask, problemLines } from '$lib/ui/record/send';
  import ThemeSwitch from '$lib/ui/shell/ThemeSwitch.svelte';
  import TopBar from '$lib/ui/shell/TopBar.svelte';
  import { text } from '$lib/words/en/screens';

  const words = text.login;
  let passphrase = $state('');
  let trouble = $state('');
  let busy = $state(false);

  /** Where to go on: a place of this server, never another's. */
  const next = $derived(safeNext(page.url.searchParams.get('next'), page.url.origin));

  async function enter(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    trouble = '';
    const reply = await ask('POST', '/session', { passphrase });
    busy = false;
    if (reply.ok) location.assign(next);
    else trouble = 'away' in reply ? text.serverGone : problemLines(reply.problem).join(' ');
  }
</script>

<svelte:head><title>{words.title} · {text.product}</title></svelte:head>

<TopBar><span class="flex-1"></span><ThemeSwitch /></TopBar>
<main class="my-12 mx-auto px-4 max-w-120">
  <h1 class="text-huge">{words.title}</h1>
  <p class="text-quiet">{words.lead}</p>
  <form class="mt-5.5" onsubmit={enter}>
    <Label for="passphrase">{words.passphrase}</Label>
    <Input
      id="passphrase"
      type="password"
      bind:value={passphrase}
      autocomplete="current-password"
      maxlength={200}
      required
      aria-describedby="trouble"
    />
    <p id="trouble" class="my-2 min-h-6.5 font-[650] text-stop" role="alert">{trouble}</p>
    <Button type="submit" class="act main" disabled={busy}>{words.enter}</Button>
  </form>
</main>
