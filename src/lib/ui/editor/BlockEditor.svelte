<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import { Checkbox, Input, Button } from 'flowbite-svelte';
  import type { Block, Part, Setting, State } from '$lib/core/model';
  import { editor as editorText } from '$lib/words/en/screens/catalogue';
  import BlockInput from '../parts/BlockInput.svelte';
  import BlockShape from '../parts/BlockShape.svelte';
  import { takesRow, withCopy, withRow } from '$lib/core/table';
  import { slugOf } from '$lib/core/model';
  import { row as rowText } from '$lib/words/en/screens/catalogue';
  import Sources from './Sources.svelte';
  import Tells from './Tells.svelte';

  interface Props {
    part: Part;
    block: Block;
    change: (part: Part) => void;
    /** The setting that was copied last, on whatever block. */
    copied: Setting | null;
    copy: (setting: Setting) => void;
  }
  let { part, block, change, copied, copy }: Props = $props();
  const words = editorText;
  let drawn = $state.raw<State | undefined>(undefined);
  let called = $state('');
  let setting = $state('');
  let typed = $state('');
  let problem = $state('');
  const label = $derived(block.label ?? block.id);
  /** The part with what was copied on this block; null: it does not go there. */
  const pasted = $derived(copied && withCopy(part, copied, block));
  const own = $derived(part.settings.filter((s) => s.block === block.id));
  const slug = (name: string, taken: readonly string[]) => {
    const base = slugOf(name, 'x').slice(0, 40);
    for (let n = 1; ; n++) {
      const id = n === 1 ? base : `${base}-${n}`;
      if (!taken.includes(id)) return id;
    }
  };
  const setBlock = (next: Block) =>
    change({ ...part, blocks: part.blocks.map((b) => (b === block ? next : b)) });
  const setSetting = (next: Setting) =>
    change({ ...part, settings: part.settings.map((s) => (s.id === next.id ? next : s)) });

  function remove() {
    const gone = new Set(own.map((s) => s.id));
    change({
      ...part,
      blocks: part.blocks.filter((b) => b !== block),
      settings: part.settings.filter((s) => !gone.has(s.id)),
      functions: part.functions.map((f) => ({
        ...f,
        off: f.off.filter((m) => !Object.keys(m).some((s) => gone.has(s))),
        claims: f.claims.filter((c) => !(c.from && 'setting' in c.from && gone.has(c.from.setting)))
      }))
    });
  }
  /** Positions typed as a row, or only the name of what it sets. */
  function addRow(event: SubmitEvent) {
    event.preventDefault();
    if (!typed.trim()) return addSetting();
    const made = withRow(part, block, setting, typed);
    if ('why' in made) {
      problem =
        made.why === 'too-many'
          ? rowText.problems['too-many'](made.places, made.typed)
          : rowText.problems[made.why];
      return;
    }
    problem = setting = typed = '';
    change(made);
  }
  /** The same block once more, with its settings, under the next free name. */
  function copyBlock() {
    const stem = /^(.*?)(\d+)$/.exec(label);
    const names = part.blocks.map((b) => b.label ?? b.id);
    let n = stem ? Number(stem[2]) + 1 : 2;
    const name = () => (stem ? `${stem[1]}${n}` : `${label} ${n}`);
    while (names.includes(name())) n++;
    const id = slug(
      name(),
      part.blocks.map((b) => b.id)
    );
    const taken = part.settings.map((s) => s.id);
    const settings = own.map((s) => {
      const made = { ...s, id: slug(s.id, taken), block: id };
      taken.push(made.id);
      return made;
    });
    const at = block.at ? { x: Math.min(94, block.at.x + 6), y: Math.min(94, block.at.y + 8) } : undefined;
    change({
      ...part,
      blocks: [...part.blocks, { ...block, id, label: name(), ...(at ? { at } : {}) }],
      settings: [...part.settings, ...settings]
    });
  }
  function addSetting() {
    if (!setting.trim()) return;
    const id = slug(
      setting,
      part.settings.map((s) => s.id)
    );
    change({
      ...part,
      settings: [
        ...part.settings,
        { id, label: setting.trim(), block: block.id, known: false, positions: [] }
      ]
    });
    setting = '';
  }
  function addPosition(to: Setting) {
    if (!called.trim() || !drawn) return;
    const id = slug(
      called,
      to.positions.map((p) => p.id)
    );
    const positions = [...to.positions, { id, label: called.trim(), state: drawn }];
    setSetting({ ...to, known: true, positions, default: to.default ?? id });
    fillTables(to.id, id);
    called = '';
    drawn = undefined;
  }
  /** The next position begins as this one stands. */
  function like(position: Setting['positions'][number]) {
    drawn = position.state;
    called = position.label;
  }
  /** A new position takes no line until somebody says which. */
  function fillTables(of: string, position: string) {
    const withPosition = (f: Part['functions'][number]) => ({
      ...f,
      claims: f.claims.map((c) =>
        c.from && 'setting' in c.from && c.from.setting === of
          ? { ...c, from: { ...c.from, values: { ...c.from.values, [position]: null } } }
          : c
      )
    });
    if (
      part.functions.some((f) => f.claims.some((c) => c.from && 'setting' in c.from && c.from.setting === of))
    )
      change({ ...part, functions: part.functions.map(withPosition) });
  }
  function removePosition(of: Setting, id: string) {
    const positions = of.positions.filter((p) => p.id !== id);
    setSetting({
      ...of,
      positions,
      known: positions.length > 0 && of.known,
      default: positions.some((p) => p.id === of.default) ? of.default : positions[0]?.id
    });
  }
</script>

<section class="my-2 py-2 px-3.25 border-l-4 border-l-ink bg-sheet">
  <div class="my-0.75 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
    <label
      >{words.blockName}
      <Input
        value={block.label ?? block.id}
        maxlength={20}
        onchange={(e) => setBlock({ ...block, label: e.currentTarget.value.trim() || block.id })}
      /></label
    >
    <BlockShape {block} change={setBlock} />
    {#if copied && pasted}<Button class="act" onclick={() => change(pasted)}
        >{rowText.pasteSetting(copied.label)}</Button
      >{/if}
    <Button class="act" onclick={copyBlock}>{rowText.copy(label)}</Button>
    <Button class="act" onclick={remove} aria-label={words.removeBlock(label)}>×</Button>
  </div>
  {#each own as s (s.id)}
    <div class="setting my-1.5 border-t border-t-rule pt-1.25 pb-2">
      <div class="my-0.75 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
        <label
          >{words.settingName}
          <Input
            value={s.label}
            maxlength={80}
            onchange={(e) => setSetting({ ...s, label: e.currentTarget.value.trim() || s.id })}
          /></label
        >
        <label
          ><Checkbox
            checked={!s.known}
            onchange={(e) =>
              setSetting({
                ...s,
                known: !e.currentTarget.checked && s.positions.length > 0,
                default: s.default ?? s.positions[0]?.id
              })}
          />
          {words.unknown}</label
        >
        <Button class="act" onclick={() => copy(s)}>{rowText.copySetting(s.label)}</Button>
      </div>
      <ul class="my-0.75">
        {#each s.positions as p (p.id)}
          <li class="py-0.5 gap-2.75 flex flex-wrap items-center">
            <b>{p.label}</b>
            <span class="font-mono text-small text-quiet"
              >{p.state && 'caps' in p.state
                ? p.state.caps.map((c) => c.join('-')).join(' ') || words.none
                : p.state && 'switches' in p.state
                  ? Object.entries(p.state.switches)
                      .map(([n, v]) => `${n} ${v}`)
                      .join(', ')
                  : p.state && 'step' in p.state
                    ? String(p.state.step)
                    : p.state && 'bridges' in p.state
                      ? p.state.bridges.join(', ') || words.none
                      : ''}</span
            >
            {#if p.state}<Button class="act" onclick={() => like(p)}>{rowText.copyPosition(p.label)}</Button
              >{/if}
            <Button
              class="act"
              onclick={() => removePosition(s, p.id)}
              aria-label={words.removePosition(p.label)}>×</Button
            >
            <Fold
              class="text-small text-quiet"
              open={(p.evidence ?? []).length > 0}
              title={words.evidenceOf(p.label)}
            >
              <Sources
                id="{s.id}-{p.id}"
                list={p.evidence ?? []}
                change={(evidence) =>
                  setSetting({ ...s, positions: s.positions.map((x) => (x === p ? { ...p, evidence } : x)) })}
              />
            </Fold>
          </li>
        {/each}
      </ul>
      <BlockInput {block} label={editorText.drawHint} state={drawn} change={(next) => (drawn = next)} />
      <div class="my-0.75 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
        <label>{words.positionName} <Input bind:value={called} maxlength={60} /></label>
        <Button class="act" disabled={!drawn || !called.trim()} onclick={() => addPosition(s)}
          >{words.addPosition}</Button
        >
      </div>
      <Tells {part} setting={s} {change} />
      <Sources id={s.id} list={s.evidence ?? []} change={(evidence) => setSetting({ ...s, evidence })} />
    </div>
  {/each}
  <form class="my-0.75 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center" onsubmit={addRow}>
    <label>{rowText.name(label)} <Input id="sets-{block.id}" bind:value={setting} maxlength={80} /></label>
    {#if takesRow(block)}
      <label class="wide"
        >{block.kind === 'dip' ? rowText.valuesSwitches : rowText.values}
        <Input class="w-64!" bind:value={typed} maxlength={300} /></label
      >
    {/if}
    <Button class="act" type="submit" disabled={!setting.trim()}
      >{typed.trim() ? rowText.add : words.addSetting}</Button
    >
  </form>
  {#if problem}<p role="alert">{problem}</p>{/if}
</section>
