<script lang="ts">
  import { goto } from '$app/navigation';
  import { Input, Label } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import { Brief as BriefSchema, partSet, type Brief } from '$lib/core/model';
  import type { Plan } from '$lib/core/planner';
  import BriefForm from '$lib/ui/brief/BriefForm.svelte';
  import Machines from '$lib/ui/brief/Machines.svelte';
  import { Planning } from '$lib/ui/brief/planning.svelte';
  import { ask, problemLines, type Saved } from '$lib/ui/record/send';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { text } from '$lib/words/en/screens';
  import { plan as planText } from '$lib/words/en/screens/brief';
  import { builds as buildsText } from '$lib/words/en/screens/builds';

  let { data } = $props();
  const KEY = 'yj-plan';
  const planning = new Planning();
  let name = $state('');
  let brief: Brief = $state.raw({ profiles: [], mustBeOn: [], mayBeOff: [] });
  let trouble = $state<string[]>([]);

  // A brief that is no build yet is kept in the browser, so that a reload loses nothing.
  onMount(() => {
    const kept = localStorage.getItem(KEY);
    if (!kept) return;
    try {
      const parsed = JSON.parse(kept) as { name?: unknown; brief?: unknown };
      const read = BriefSchema.safeParse(parsed.brief);
      if (read.success) brief = read.data;
      if (typeof parsed.name === 'string') name = parsed.name;
    } catch {
      localStorage.removeItem(KEY);
    }
  });
  const keep = () => localStorage.setItem(KEY, JSON.stringify({ name, brief }));
  function change(next: Brief) {
    brief = next;
    keep();
  }

  async function take(plan: Plan) {
    const title = name.trim();
    if (!title) {
      trouble = [buildsText.needName];
      document.getElementById('plan-name')?.focus();
      return;
    }
    const id =
      title
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .slice(0, 50) || 'build';
    const { writeBuildFile } = await import('$lib/formats');
    const file = writeBuildFile({ ...plan.build, id, name: title, brief }, partSet(planning.parts));
    const reply = await ask<Saved>('POST', '/import', file);
    if (!reply.ok) {
      trouble = 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
      return;
    }
    localStorage.removeItem(KEY);
    await goto(`/builds/${reply.value.build.id}/fit`);
  }
</script>

<svelte:head><title>{planText.planPage} · {text.product}</title></svelte:head>
<PlaceBar />
<main class="mx-auto py-4.75 px-4 max-w-[1180px]">
  <h1 class="text-big">{planText.planPage}</h1>
  <p class="mx-0 mt-0 mb-3.25 text-quiet">{planText.planLead}</p>
  <div class="name max-w-96 mb-3.25">
    <Label for="plan-name">{planText.buildName}</Label>
    <Input id="plan-name" bind:value={name} onchange={keep} maxlength={120} autocomplete="off" />
  </div>
  {#each trouble as line (line)}<p class="bad" role="alert">{line}</p>{/each}
  <BriefForm {brief} profiles={data.profiles} partName={(id) => id} {change} />
  <h2 class="mt-4 text-head">{planText.title}</h2>
  <Machines {planning} {brief} {change} {take} takeLabel={planText.make} />
</main>
