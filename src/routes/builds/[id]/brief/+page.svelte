<script lang="ts">
  import Fold from '$lib/ui/kit/Fold.svelte';
  import { Checkbox } from 'flowbite-svelte';
  import type { Brief } from '$lib/core/model';
  import { adopt, type Plan } from '$lib/core/planner';
  import BriefForm from '$lib/ui/brief/BriefForm.svelte';
  import Machines from '$lib/ui/brief/Machines.svelte';
  import { Planning } from '$lib/ui/brief/planning.svelte';
  import { getBench } from '$lib/ui/context';
  import { brief as briefText, plan as planText } from '$lib/words/en/screens/brief';

  let { data } = $props();
  const { session } = getBench();
  const planning = new Planning();
  const change = (brief: Brief) => session.change({ ...session.build, brief }, briefText.did);
  const keeps = $derived({
    board: session.build.board.part,
    all: [session.build.board.part, ...session.build.items.map((i) => i.part)]
  });
  const partName = (id: string) =>
    session.parts.get(id)?.name ?? planning.parts.find((p) => p.id === id)?.name ?? id;

  function take(plan: Plan) {
    for (const part of planning.parts) if (plan.chosen.some((c) => c.part === part.id)) session.know(part);
    const firmware = session.parts.get(plan.build.board.part)?.board;
    for (const id of [firmware?.firmware, firmware?.cpuSocket?.soldered])
      for (const part of planning.parts) if (part.id === id) session.know(part);
    session.change(adopt(session.build, plan), planText.taken);
  }
  const on = (item: string, fn: string) =>
    session.build.brief.mustBeOn.some((r) => r.item === item && r.function === fn);
  function toggle(item: string, fn: string) {
    const { brief } = session.build;
    const mustBeOn = on(item, fn)
      ? brief.mustBeOn.filter((r) => r.item !== item || r.function !== fn)
      : [...brief.mustBeOn, { item, function: fn }];
    change({ ...brief, mustBeOn });
  }
  const functions = $derived(
    session.machine.fitted
      .filter((f) => f.item.id !== 'system' && f.item.id !== 'pnp')
      .flatMap((f) => f.part.functions.map((fn) => ({ item: f.item.id, title: f.title, fn })))
  );
</script>

<h1>{briefText.title}</h1>
<p class="mx-0 mt-0 mb-2.75 text-quiet">{briefText.lead}</p>
<BriefForm brief={session.build.brief} profiles={data.profiles} {partName} {change} />

<Fold class="mt-3.25" title={briefText.mustBeOn}>
  {#each functions as { item, title, fn } (`${item}/${fn.id}`)}
    <label class="fn my-0.5 inline-block mr-4.75"
      ><Checkbox checked={on(item, fn.id)} onchange={() => toggle(item, fn.id)} />
      {fn.label} <span class="text-quiet">{title}</span></label
    >
  {:else}<p>{briefText.noFunctions}</p>{/each}
</Fold>

<h2 class="mt-4 text-head">{planText.title}</h2>
<p class="mx-0 mt-0 mb-2.75 text-quiet">{planText.lead}</p>
<Machines {planning} brief={session.build.brief} {keeps} {change} {take} takeLabel={planText.take} />
