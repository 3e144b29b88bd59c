<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Block, Part, Setting, State } from '$lib/core/model';
  import { editor as editorText } from '../text/catalogue';
  import BlockInput from '../parts/BlockInput.svelte';
  import BlockShape from '../parts/BlockShape.svelte';
  import Sources from './Sources.svelte';

  interface Props {
    part: Part;
    block: Block;
    change: (part: Part) => void;
  }
  let { part, block, change }: Props = $props();
  const words = editorText;
  let drawn = $state.raw<State | undefined>(undefined);
  let called = $state('');
  let setting = $state('');
  const own = $derived(part.settings.filter((s) => s.block === block.id));
  const slug = (name: string, taken: readonly string[]) => {
    const base =
      name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .slice(0, 40) || 'x';
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

<section>
  <div class="row">
    <label
      >{words.blockName}
      <input
        value={block.label ?? block.id}
        maxlength="20"
        onchange={(e) => setBlock({ ...block, label: e.currentTarget.value.trim() || block.id })}
      /></label
    >
    <BlockShape {block} change={setBlock} />
    <Button class="act" onclick={remove} aria-label={words.removeBlock(block.label ?? block.id)}>×</Button>
  </div>
  {#each own as s (s.id)}
    <div class="setting">
      <div class="row">
        <label
          >{words.settingName}
          <input
            value={s.label}
            maxlength="80"
            onchange={(e) => setSetting({ ...s, label: e.currentTarget.value.trim() || s.id })}
          /></label
        >
        <label
          ><input
            type="checkbox"
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
      </div>
      <ul>
        {#each s.positions as p (p.id)}
          <li>
            <b>{p.label}</b>
            <span
              >{p.state && 'caps' in p.state
                ? p.state.caps.map((c) => c.join('-')).join(' ') || words.none
                : p.state && 'switches' in p.state
                  ? Object.entries(p.state.switches)
                      .map(([n, v]) => `${n} ${v}`)
                      .join(', ')
                  : ''}</span
            >
            <Button
              class="act"
              onclick={() => removePosition(s, p.id)}
              aria-label={words.removePosition(p.label)}>×</Button
            >
            <details class="sources" open={(p.evidence ?? []).length > 0}>
              <summary>{words.evidenceOf(p.label)}</summary>
              <Sources
                id="{s.id}-{p.id}"
                list={p.evidence ?? []}
                change={(evidence) =>
                  setSetting({ ...s, positions: s.positions.map((x) => (x === p ? { ...p, evidence } : x)) })}
              />
            </details>
          </li>
        {/each}
      </ul>
      <BlockInput {block} label={editorText.drawHint} state={drawn} change={(next) => (drawn = next)} />
      <div class="row">
        <label>{words.positionName} <input bind:value={called} maxlength="60" /></label>
        <Button class="act" disabled={!drawn || !called.trim()} onclick={() => addPosition(s)}
          >{words.addPosition}</Button
        >
      </div>
      <Sources id={s.id} list={s.evidence ?? []} change={(evidence) => setSetting({ ...s, evidence })} />
    </div>
  {/each}
  <div class="row">
    <label>{words.settingsOf(block.label ?? block.id)} <input bind:value={setting} maxlength="80" /></label>
    <Button class="act" disabled={!setting.trim()} onclick={addSetting}>{words.addSetting}</Button>
  </div>
</section>

<style>
  section {
    margin: 0.5rem 0;
    padding: 0.5rem 0.8rem;
    border-left: 4px solid var(--ink);
    background: var(--sheet);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 0.8rem;
    align-items: center;
    margin: 0.2rem 0;
  }
  .setting {
    margin: 0.4rem 0;
    padding: 0.3rem 0 0.5rem;
    border-top: 1px solid var(--rule);
  }
  input:not([type='checkbox']) {
    padding: 0.25rem 0.4rem;
    border: 1px solid var(--ink);
    font-size: 0.9rem;
  }
  ul {
    margin: 0.2rem 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.7rem;
    align-items: center;
    padding: 0.1rem 0;
  }
  .sources {
    font-size: 0.9rem;
    color: var(--quiet);
  }
  summary {
    cursor: pointer;
  }
  li span {
    font-family: var(--font-mono);
    font-size: 0.88rem;
    color: var(--quiet);
  }
</style>
