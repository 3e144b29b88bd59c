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

<TopBar><span class="grow"></span><ThemeSwitch /></TopBar>
<main>
  <h1>{words.title}</h1>
  <p>{words.lead}</p>
  <form onsubmit={enter}>
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
    <p id="trouble" class="trouble" role="alert">{trouble}</p>
    <Button type="submit" class="act main" disabled={busy}>{words.enter}</Button>
  </form>
</main>

<style>
  .grow {
    flex: 1;
  }
  main {
    max-width: 30rem;
    margin: 3rem auto;
    padding: 0 1rem;
  }
  h1 {
    font-size: 2rem;
  }
  p {
    color: var(--quiet);
  }
  form {
    margin-top: 1.4rem;
  }
  .trouble {
    min-height: 1.6rem;
    margin: 0.5rem 0;
    font-weight: 650;
    color: var(--stop);
  }
</style>
