<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Input, Button } from 'flowbite-svelte';
  import type { Constraint, Part } from '$lib/core/model';
  import { notTogether as words } from '$lib/words/en/screens/catalogue';

  interface Props {
    part: Part;
    change: (part: Part) => void;
  }
  let { part, change }: Props = $props();
  let [one, two, why] = $state(['', '', '']);
  const choices = $derived(
    part.settings.flatMap((s) =>
      s.positions.map((p) => ({ key: `${s.id}/${p.id}`, name: `${s.label}: ${p.label}` }))
    )
  );
  const named = (setting: string, position: string) =>
    choices.find((c) => c.key === `${setting}/${position}`)?.name ?? `${setting}: ${position}`;
  const told = (c: Constraint): string =>
    'forbid' in c
      ? Object.entries(c.forbid)
          .map(([s, ids]) => ids.map((p) => named(s, p)).join(words.or))
          .join(words.with)
      : 'allow' in c
        ? words.only(c.allow.settings.join(', '), c.allow.rows.length)
        : words.apart(c.apart.join(words.with));
  function add() {
    const forbid: Record<string, string[]> = {};
    for (const key of [one, two]) {
      const [setting, position] = key.split('/');
      if (setting && position) forbid[setting] = [...(forbid[setting] ?? []), position];
    }
    change({
      ...part,
      constraints: [...part.constraints, { forbid, why: why.trim() || words.usualWhy }]
    });
    [one, two, why] = ['', '', ''];
  }
</script>

<ul class="my-0.75">
  {#each part.constraints as constraint, i (i)}
    <li class="py-0.5 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
      <span>{told(constraint)} <em class="text-quiet">{constraint.why}</em></span>
      <Button
        class="act"
        aria-label={words.remove(i + 1)}
        onclick={() => change({ ...part, constraints: part.constraints.filter((c) => c !== constraint) })}
        >×</Button
      >
    </li>
  {/each}
</ul>
<div class="py-0.5 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
  <label
    >{words.one}
    <OneOf bind:value={one}>
      <option value=""></option>
      {#each choices as c (c.key)}<option value={c.key}>{c.name}</option>{/each}
    </OneOf></label
  >
  <label
    >{words.two}
    <OneOf bind:value={two}>
      <option value="">{words.alone}</option>
      {#each choices as c (c.key)}<option value={c.key}>{c.name}</option>{/each}
    </OneOf></label
  >
  <label>{words.why} <Input bind:value={why} maxlength={100} /></label>
  <Button class="act" disabled={!one || one === two} onclick={add}>{words.add}</Button>
</div>
