<script lang="ts">
  import { reasonsOf, notationFlawWords } from '$lib/words';
  import { Input, Button } from 'flowbite-svelte';
  import { keyOf, type Block, type BlockPicture, type Item, type Part, type State } from '$lib/core/model';
  import { lineSettings } from '$lib/core/solver';
  import {
    NotationError,
    blockState,
    decode,
    foundState,
    readRow,
    isAsPictured,
    recordBlock,
    recordPicture,
    settingsOn,
    writeRow,
    type Required
  } from '$lib/core/settings';
  import { positionOf } from '$lib/core/resources';
  import { getBench } from '../context';
  import BlockInput from '../parts/BlockInput.svelte';
  import { switches as words } from '$lib/words/en/screens/switches';
  import { dayText } from '../time';
  import PhotoRead from './PhotoRead.svelte';
  import { shapeOf } from './photo';

  interface Props {
    item: Item;
    part: Part;
    block: Block;
    /** What the build asks of settings on this block. */
    asked: readonly Required[];
  }
  let { item, part, block, asked }: Props = $props();
  const { session } = getBench();
  const name = $derived(block.label ?? block.id);
  const shape = $derived(shapeOf(block));
  const picture = $derived(item.pictures?.[block.id]);
  const settings = $derived(settingsOn(part, block.id));
  const found = $derived(foundState(part, item, block.id));
  const reading = $derived(
    decode(part, found ? { [block.id]: found } : {}).filter((r) => r.setting.block === block.id)
  );
  const askedOf = (setting: string) => asked.find((r) => r.setting.id === setting && r.position !== null);
  /** Where each setting is to stand: as asked, else as the plan has it; free ones are left out. */
  const goals = $derived(
    Object.fromEntries(
      settings.flatMap((s) => {
        const goal = askedOf(s.id)?.position ?? (item.chosen[s.id] ? positionOf(item, s) : undefined);
        return goal ? [[s.id, goal]] : [];
      })
    )
  );
  const wanted = $derived(blockState(part, block.id, goals));
  const labelOf = (setting: string, position: string | undefined | null) =>
    part.settings.find((s) => s.id === setting)?.positions.find((p) => p.id === position)?.label;

  /** Why nothing is drawn as wanted: approval only where it was worked out. */
  const silence = $derived.by((): keyof typeof words.noGoal => {
    if (!settings.length || settings.some((s) => !s.known)) return 'unknown';
    const decided = lineSettings(session.machine);
    return settings.some((s) => decided.has(keyOf(item.id, s.id))) ? 'lines' : 'free';
  });

  let typed = $state('');
  let problem = $state('');
  function record(state: State | null) {
    problem = '';
    session.item(
      item.id,
      (i) => recordBlock(i, part, block.id, state),
      state ? words.recorded(`${part.name} ${name}`) : words.forgotten(`${part.name} ${name}`)
    );
  }
  const recordPhoto = (state: State, taken: BlockPicture | null) =>
    taken
      ? session.item(
          item.id,
          (i) => recordPicture(i, part, block.id, taken),
          words.recorded(`${part.name} ${name}`)
        )
      : record(state);
  function take(event: SubmitEvent) {
    event.preventDefault();
    try {
      record(readRow(typed, block));
      typed = '';
    } catch (error) {
      if (!(error instanceof NotationError)) throw error;
      problem = notationFlawWords(error.flaw);
    }
  }
</script>

<section
  class="py-2.75 border-t border-t-rule scroll-mt-4"
  id="{item.id}-{block.id}"
  aria-label="{part.name} {name}"
>
  <h3 class="text-large font-mono leading-[1.25]">{name}</h3>
  <div class="pair my-1.25 flex flex-wrap gap-y-2.5 gap-x-8.75">
    <div class="min-w-60 max-md:min-w-0">
      <h4 class="mb-1 text-small font-semibold text-quiet">{words.asFound}</h4>
      <BlockInput
        {block}
        state={found ?? undefined}
        label={words.foundOf(name)}
        change={record}
        look="found"
        {wanted}
      />
    </div>
    <div class="min-w-60 max-md:min-w-0">
      <h4 class="mb-1 text-small font-semibold text-quiet">{words.shouldBe}</h4>
      {#if wanted}<BlockInput {block} state={wanted} label={words.wantedOf(name)} />
      {:else}<p class="quiet my-1.5 mx-0">{words.noGoal[silence]}</p>{/if}
    </div>
  </div>
  <form class="my-1.25 gap-1.5 flex flex-wrap items-center" onsubmit={take}>
    <Input
      class="flex-[0_1_16rem] min-w-36 font-mono"
      bind:value={typed}
      aria-label={words.row(name)}
      placeholder={block.kind === 'dip' ? words.rowHint : words.rowHintCaps}
      maxlength={200}
      spellcheck="false"
      autocomplete="off"
      aria-invalid={problem ? 'true' : undefined}
    />
    <Button type="submit" class="act">{words.record}</Button>
    {#if found}<Button class="act" onclick={() => record(null)} aria-label={words.forgetLabel(name)}
        >{words.forget}</Button
      ><code class="font-normal text-small font-mono leading-[1.25] text-quiet">{writeRow(block, found)}</code
      >{/if}
  </form>
  {#if problem}<p class="bad" role="alert">{problem}</p>{/if}
  {#if picture}
    <figure>
      <img src={picture.image} alt={words.photo.of(name)} />
      <figcaption>
        {words.photo.from(dayText(picture.at), picture.told)}
        {#if isAsPictured(part, item, block.id) === false}<b class="bad">{words.photo.otherwise}</b>{/if}
      </figcaption>
    </figure>
  {/if}
  {#if shape}<PhotoRead {block} {shape} record={recordPhoto} />{/if}
  <dl class="mt-1.5">
    {#each reading as r (r.setting.id)}
      {@const goal = goals[r.setting.id]}
      {@const wrong = goal !== undefined && r.position !== null && r.position !== goal}
      <div
        class="py-0.75 gap-2.5 border-l-5 border-l-transparent grid grid-cols-[10rem_minmax(0,1fr)] pl-2.5 max-md:gap-0 max-md:grid-cols-1"
        class:wrong
      >
        <dt class="font-[550]">{r.setting.label}</dt>
        <dd>
          <b
            >{!r.setting.known
              ? words.unknownSetting
              : r.position
                ? labelOf(r.setting.id, r.position)
                : found && r.possible.length === 0
                  ? words.notInTable
                  : words.notLooked}</b
          >
          {#if goal !== undefined}
            <span class="goal ml-2"
              >{r.position === goal ? words.right : words.should(labelOf(r.setting.id, goal) ?? goal)}</span
            >
          {/if}
          {#each asked
            .filter((a) => a.setting.id === r.setting.id && a.position !== null)
            .slice(0, 1) as a (a.setting.id)}
            <small class="block text-quiet text-small">{words.because} {reasonsOf(a.because)}</small>
          {/each}
        </dd>
      </div>
    {/each}
  </dl>
</section>

<style>
  section:target {
    outline: 3px solid var(--ink);
    outline-offset: 4px;
  }

  .wrong {
    border-left-color: var(--stop);
  }

  .wrong .goal {
    font-weight: 800;
    color: var(--stop);
  }
</style>
