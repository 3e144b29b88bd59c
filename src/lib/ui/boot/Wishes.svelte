<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { Checkbox, Label } from 'flowbite-svelte';
  import { expectationOf, withBoot } from '$lib/core/boot';
  import type { Kit } from '$lib/core/kit';
  import { EXTRAS, LAYOUTS, NET_STACKS, type BootRecord, type Extra } from '$lib/core/model';
  import { extraWords, layoutWords, netStackWords } from '$lib/words';
  import { getBench } from '../context';
  import { boot } from '$lib/words/en/screens/boot';

  let { kit }: { kit: Kit } = $props();
  const words = boot.wishes;
  const { session } = getBench();
  const record = $derived<BootRecord>(session.build.boot ?? {});
  const extras = $derived(record.extras ?? []);
  const ex = $derived(expectationOf(kit));
  const offered = $derived(
    EXTRAS.filter((id) => ex.sound.length || !['mixer', 'sound-emulation', 'midi-emulation'].includes(id))
  );
  const chosen = $derived(
    [
      record.cache ? words.cache : '',
      record.layout ? layoutWords[record.layout] : '',
      record.a20 ? words.a20Number(record.a20) : '',
      ...extras.map((id) => extraWords[id])
    ].filter(Boolean)
  );
  /** An 8088 has no line A20 to switch. */
  const hasA20 = $derived(ex.cpu !== '8088' && ex.cpu !== '8086');
  const change = (to: Partial<BootRecord>) => session.change(withBoot(session.build, to), words.changed);
  const toggle = (id: Extra, isOn: boolean) =>
    change({ extras: isOn ? [...extras, id] : extras.filter((x) => x !== id) });
</script>

<Fold title="{words.title}: {chosen.length ? chosen.join(', ') : words.none}">
  <div class="pair py-1.25 grid grid-cols-[repeat(auto-fit,minmax(13rem,1fr))] gap-y-2 gap-x-4">
    <div>
      <Label for="boot-layout">{words.layout}</Label>
      <OneOf
        id="boot-layout"
        items={[
          { value: '', name: words.usual },
          ...LAYOUTS.map((value) => ({ value, name: layoutWords[value] }))
        ]}
        value={record.layout ?? ''}
        onchange={(e) => change({ layout: (e.currentTarget.value || undefined) as BootRecord['layout'] })}
      />
    </div>
    {#if hasA20}
      <div>
        <Label for="boot-a20">{words.a20}</Label>
        <OneOf
          id="boot-a20"
          aria-describedby="boot-a20-help"
          items={[
            { value: '', name: words.a20Own },
            ...Array.from({ length: 17 }, (_, i) => ({ value: String(i + 1), name: words.a20Number(i + 1) }))
          ]}
          value={record.a20 === undefined ? '' : String(record.a20)}
          onchange={(e) => change({ a20: Number(e.currentTarget.value) || undefined })}
        />
        <p id="boot-a20-help" class="my-0.75 text-small text-quiet">{words.a20Help}</p>
      </div>
    {/if}
    {#if ex.network.length}
      <div>
        <Label for="boot-network">{words.network}</Label>
        <OneOf
          id="boot-network"
          items={NET_STACKS.map((value) => ({ value, name: netStackWords[value] }))}
          value={record.network ?? 'packet'}
          onchange={(e) => change({ network: e.currentTarget.value as BootRecord['network'] })}
        />
      </div>
    {/if}
  </div>
  <div class="py-1.25 grid grid-cols-[repeat(auto-fit,minmax(13rem,1fr))] gap-y-2 gap-x-4">
    {#if record.layout}
      <Checkbox
        checked={record.codePage ?? false}
        onchange={(e) => change({ codePage: e.currentTarget.checked })}>{words.codePage}</Checkbox
      >
    {/if}
    <Checkbox checked={record.cache ?? false} onchange={(e) => change({ cache: e.currentTarget.checked })}
      >{words.cache}</Checkbox
    >
    {#each offered as id (id)}
      <Checkbox checked={extras.includes(id)} onchange={(e) => toggle(id, e.currentTarget.checked)}
        >{extraWords[id]}</Checkbox
      >
    {/each}
  </div>
</Fold>
