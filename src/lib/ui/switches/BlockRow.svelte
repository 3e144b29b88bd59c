<script lang="ts">
  import { reasonsOf, notationFlawWords } from '$lib/words';
  import { Button } from 'flowbite-svelte';
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
  import { text } from '$lib/words/en/screens';
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
  const words = text.switches;
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

<section id="{item.id}-{block.id}" aria-label="{part.name} {name}">
  <h3>{name}</h3>
  <div class="pair">
    <div>
      <h4>{words.asFound}</h4>
      <BlockInput
        {block}
        state={found ?? undefined}
        label={words.foundOf(name)}
        change={record}
        look="found"
        {wanted}
      />
    </div>
    <div>
      <h4>{words.shouldBe}</h4>
      {#if wanted}<BlockInput {block} state={wanted} label={words.wantedOf(name)} />
      {:else}<p class="quiet">{words.noGoal[silence]}</p>{/if}
    </div>
  </div>
  <form onsubmit={take}>
    <input
      bind:value={typed}
      aria-label={words.row(name)}
      placeholder={block.kind === 'dip' ? words.rowHint : words.rowHintCaps}
      maxlength="200"
      spellcheck="false"
      autocomplete="off"
      aria-invalid={problem ? 'true' : undefined}
    />
    <Button type="submit" class="act">{words.record}</Button>
    {#if found}<Button class="act" onclick={() => record(null)} aria-label={words.forgetLabel(name)}
        >{words.forget}</Button
      ><code>{writeRow(block, found)}</code>{/if}
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
  <dl>
    {#each reading as r (r.setting.id)}
      {@const goal = goals[r.setting.id]}
      {@const wrong = goal !== undefined && r.position !== null && r.position !== goal}
      <div class:wrong>
        <dt>{r.setting.label}</dt>
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
            <span class="goal"
              >{r.position === goal ? words.right : words.should(labelOf(r.setting.id, goal) ?? goal)}</span
            >
          {/if}
          {#each asked
            .filter((a) => a.setting.id === r.setting.id && a.position !== null)
            .slice(0, 1) as a (a.setting.id)}
            <small>{words.because} {reasonsOf(a.because)}</small>
          {/each}
        </dd>
      </div>
    {/each}
  </dl>
</section>

<style>
  section {
    padding: 0.7rem 0;
    border-top: 1px solid var(--rule);
    scroll-margin-top: 1rem;
  }
  section:target {
    outline: 3px solid var(--ink);
    outline-offset: 4px;
  }
  h3 {
    margin: 0;
    font: 700 1.15rem var(--font-mono);
  }
  h4 {
    margin: 0 0 0.25rem;
    font-size: 0.85rem;
    font-weight: 600;
    color: var(--quiet);
  }
  .pair {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem 2.2rem;
    margin: 0.3rem 0;
  }
  .pair > div {
    min-width: 15rem;
  }
  .quiet {
    margin: 0.4rem 0;
    color: var(--quiet);
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    align-items: center;
    margin: 0.3rem 0;
  }
  input {
    flex: 0 1 16rem;
    min-width: 9rem;
    padding: 0.3rem 0.5rem;
    border: 1px solid var(--ink);
    font-family: var(--font-mono);
  }
  code {
    font: 0.9rem var(--font-mono);
    color: var(--quiet);
  }
  dl {
    margin: 0.4rem 0 0;
  }
  dl > div {
    display: grid;
    grid-template-columns: 10rem minmax(0, 1fr);
    gap: 0.6rem;
    padding: 0.2rem 0 0.2rem 0.6rem;
    border-left: 5px solid transparent;
  }
  .wrong {
    border-left-color: var(--stop);
  }
  dt {
    font-weight: 550;
  }
  .goal {
    margin-left: 0.5rem;
  }
  .wrong .goal {
    font-weight: 800;
    color: var(--stop);
  }
  small {
    display: block;
    color: var(--quiet);
    font-size: 0.88rem;
  }
  @media (max-width: 600px) {
    dl > div {
      grid-template-columns: minmax(0, 1fr);
      gap: 0;
    }
    .pair > div {
      min-width: 0;
    }
  }
</style>
