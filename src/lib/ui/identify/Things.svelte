<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Input, Label, Table } from 'flowbite-svelte';
  import {
    LABEL_RAILS,
    PLACES,
    SHAPES,
    displayMemory,
    keyboardKind,
    plugsLike,
    readDriveLabel,
    readMode,
    readSupplyLabel,
    type Gender,
    type KeyboardSeen,
    type Place,
    type ScreenMode,
    type Shape
  } from '$lib/core/identify';
  import {
    and,
    driveBuses,
    genderWords,
    keyboardReasons,
    keyboardWords,
    labelWeights,
    or,
    placeWords,
    plugLooks,
    railNames,
    shapeWords
  } from '$lib/words';
  import { things as words } from '$lib/words/en/screens/things';

  const unsaid = { value: '', name: words.unsaid };
  const named = (record: Readonly<Record<string, string>>) =>
    Object.entries(record).map(([value, name]) => ({ value, name }));

  let place = $state('');
  let shape = $state('');
  let pins = $state('');
  let gender = $state('');
  const pinsRead = $derived(
    pins.trim() === '' ? undefined : /^\d{1,3}$/.test(pins.trim()) ? Number(pins) : null
  );
  const isToldPlug = $derived(Boolean(place || shape || gender || pinsRead !== undefined));
  const plug = $derived(
    plugsLike({
      ...(place ? { place: place as Place } : {}),
      ...(shape ? { shape: shape as Shape } : {}),
      ...(pinsRead ? { pins: pinsRead } : {}),
      ...(gender ? { gender: gender as Gender } : {})
    })
  );

  let shown = $state('');
  let refused = $state('');
  interface Modes {
    modes: ScreenMode[];
    odd: string[];
  }
  function modesOf(text: string): Modes {
    const out: Modes = { modes: [], odd: [] };
    // A comma may stand inside a mode: `800 x 600, 16 colours`.
    for (const piece of text
      .split(/[;\n]|,(?=\s*\d{3,4}\s*[x×*])/)
      .map((s) => s.trim())
      .filter(Boolean)) {
      const mode = readMode(piece);
      if (mode) out.modes.push(mode);
      else out.odd.push(piece);
    }
    return out;
  }
  const [ok, no] = $derived([modesOf(shown), modesOf(refused)]);
  const memory = $derived(displayMemory(ok.modes, no.modes));
  const modeText = (m: ScreenMode) => words.mode(m.width, m.height, m.colours);

  let kb: Record<'plug' | 'hasSwitch' | 'hasLights' | 'flashes' | 'keys', string> = $state({
    plug: '',
    hasSwitch: '',
    hasLights: '',
    flashes: '',
    keys: ''
  });
  const flag = (v: string) => (v === 'yes' ? true : v === 'no' ? false : undefined);
  const keyboard = $derived.by(() => {
    const told: { [K in keyof KeyboardSeen]: KeyboardSeen[K] | undefined } = {
      plug: (kb.plug || undefined) as KeyboardSeen['plug'],
      hasSwitch: flag(kb.hasSwitch),
      hasLights: flag(kb.hasLights),
      flashes: flag(kb.flashes),
      keys: /^\d{2,3}$/.test(kb.keys.trim()) ? Number(kb.keys) : undefined
    };
    return keyboardKind(Object.fromEntries(Object.entries(told).filter(([, v]) => v !== undefined)));
  });

  let label = $state('');
  const supply = $derived(label.trim() ? readSupplyLabel(label) : null);
  let driveLabel = $state('');
  const drive = $derived(driveLabel.trim() ? readDriveLabel(driveLabel) : null);
  const missing = $derived(supply ? LABEL_RAILS.filter((r) => supply.amps[r] === undefined) : []);
</script>

<section class="border-t-2 border-t-ink mt-8 pt-2.5">
  <h2 class="text-head">{words.title}</h2>
  <div
    class="grid grid-cols-[repeat(auto-fit,minmax(20rem,1fr))] gap-y-5.5 gap-x-8 mt-2.5 max-sm:grid-cols-1"
  >
    <div>
      <h3>{words.plug}</h3>
      <div class="form grid grid-cols-[repeat(auto-fit,minmax(9rem,1fr))] gap-y-2 gap-x-3.25 items-end">
        <div>
          <Label for="plug-place">{words.place}</Label>
          <OneOf
            id="plug-place"
            items={[unsaid, ...PLACES.map((value) => ({ value, name: placeWords[value] }))]}
            bind:value={place}
          />
        </div>
        <div>
          <Label for="plug-shape">{words.shape}</Label>
          <OneOf
            id="plug-shape"
            items={[unsaid, ...SHAPES.map((value) => ({ value, name: shapeWords[value] }))]}
            bind:value={shape}
          />
        </div>
        <div>
          <Label for="plug-pins">{words.pins}</Label>
          <Input id="plug-pins" bind:value={pins} inputmode="numeric" maxlength={3} />
        </div>
        <div>
          <Label for="plug-gender">{words.gender}</Label>
          <OneOf id="plug-gender" items={[unsaid, ...named(genderWords)]} bind:value={gender} />
        </div>
      </div>
      <div aria-live="polite">
        {#if pinsRead === null}<p class="bad">{words.notPins(pins)}</p>
        {:else if !isToldPlug}<p class="quiet">{words.tellPlug}</p>
        {:else if !plug.plugs.length}<p>{words.noPlug}</p>
        {:else}
          {#if plug.doNotPlug}<p class="bad">{words.doNotPlug}</p>{/if}
          <ul class="my-2">
            {#each plug.plugs as p (p.id)}
              <li class="py-1 border-b border-b-rule">
                <b>{plugLooks[p.id]?.[0] ?? p.id}</b> <span>{plugLooks[p.id]?.[1]}</span>
              </li>
            {/each}
          </ul>
        {/if}
      </div>
    </div>
    <div>
      <h3>{words.memory}</h3>
      <Label for="modes-shown">{words.shown}</Label>
      <Input id="modes-shown" bind:value={shown} maxlength={400} placeholder={words.modesHint} />
      <Label for="modes-refused">{words.refused}</Label>
      <Input id="modes-refused" bind:value={refused} maxlength={400} placeholder={words.modesHint} />
      <p class="quiet">{words.refusedNote}</p>
      <div aria-live="polite">
        {#each [...ok.odd, ...no.odd] as piece (piece)}<p class="bad">{words.notMode(piece)}</p>{/each}
        {#if ok.modes.length || no.modes.length}
          <p class="answer font-bold text-large">
            {memory.sizes.length ? words.sizes(or(memory.sizes.map(words.kib))) : words.noSize}
          </p>
          {#if memory.leastKiB}<p>{words.least(memory.leastKiB)}</p>{/if}
          {#if memory.contradicts.length}<p>
              {words.contradicts(and(memory.contradicts.map(modeText)))}
            </p>{/if}
          {#if memory.tries.length}<p>{words.tries(memory.tries.map(modeText).join('; '))}</p>{/if}
        {/if}
      </div>
    </div>
    <div>
      <h3>{words.keyboard}</h3>
      <div class="form grid grid-cols-[repeat(auto-fit,minmax(9rem,1fr))] gap-y-2 gap-x-3.25 items-end">
        <div>
          <Label for="kb-plug">{words.kbPlug}</Label>
          <OneOf id="kb-plug" items={named(words.plugs)} bind:value={kb.plug} />
        </div>
        <div>
          <Label for="kb-switch">{words.kbSwitch}</Label>
          <OneOf id="kb-switch" items={named(words.yesNo)} bind:value={kb.hasSwitch} />
        </div>
        <div>
          <Label for="kb-lights">{words.kbLights}</Label>
          <OneOf id="kb-lights" items={named(words.yesNo)} bind:value={kb.hasLights} />
        </div>
        <div>
          <Label for="kb-flash">{words.kbFlash}</Label>
          <OneOf id="kb-flash" items={named(words.yesNo)} bind:value={kb.flashes} />
        </div>
        <div>
          <Label for="kb-keys">{words.kbKeys}</Label>
          <Input id="kb-keys" bind:value={kb.keys} inputmode="numeric" maxlength={3} />
        </div>
      </div>
      <div aria-live="polite">
        <p class="answer font-bold text-large">{keyboardWords[keyboard.kind]}</p>
        {#each [...keyboard.because, ...keyboard.next] as r (r)}<p>{keyboardReasons[r]}</p>{/each}
      </div>
    </div>
    <div>
      <h3>{words.supply}</h3>
      <Label for="supply-label" class="sr-only">{words.supply}</Label>
      <Input id="supply-label" bind:value={label} maxlength={400} placeholder={words.supplyHint} />
      {#if supply}
        <div aria-live="polite">
          <Table>
            <tbody>
              {#each LABEL_RAILS.filter((r) => supply.amps[r] !== undefined) as r (r)}
                <tr
                  ><th class="pr-4.75 text-left font-normal" scope="row">{railNames[r]}</th><td
                    class="font-mono text-right">{supply.amps[r]} A</td
                  ></tr
                >
              {/each}
            </tbody>
          </Table>
          <p>
            {words.sum(supply.sum)}
            {#if supply.isShared && supply.watts !== null}{words.shared(supply.watts)}{/if}
          </p>
          <p>{supply.mains ? words.mains(supply.mains) : words.noMains}</p>
          {#if missing.length}<p>{words.notOnIt(and(missing.map((r) => railNames[r])))}</p>{/if}
          {#each supply.odd as piece (piece)}<p class="bad">{words.odd(piece)}</p>{/each}
        </div>
      {/if}
    </div>
    <div>
      <h3>{words.drive}</h3>
      <Label for="drive-label" class="sr-only">{words.drive}</Label>
      <Input id="drive-label" bind:value={driveLabel} maxlength={400} placeholder={words.driveHint} />
      {#if drive}
        <div aria-live="polite">
          {#if drive.contradicts}<p class="bad">{words.driveContradicts}</p>
          {:else}
            <p class="answer font-bold text-large">
              {drive.buses.length
                ? words[drive.count.length ? 'driveMaybe' : 'driveIs'](
                    or(drive.buses.map((b) => driveBuses[b]))
                  )
                : words.driveOpen}
            </p>
          {/if}
          {#if drive.doNotPlug}<p class="bad">{words.driveStop}</p>{/if}
          {#if drive.count.length}<p>{words.driveCount(or(drive.count.map(String)))}</p>{/if}
          <ul class="my-2">
            {#each drive.signs as s, i (i)}<li class="py-1 border-b border-b-rule">
                <b>{s.text}</b> <span>{labelWeights[s.weight]}</span>
              </li>{/each}
          </ul>
          {#if drive.againstHabit}<p>{words.driveHabit}</p>{/if}
        </div>
      {/if}
    </div>
  </div>
</section>

<style>
  h3 {
    margin-bottom: 0.4rem;
    font-weight: 700;
    font-size: 1.1rem;
  }

  p {
    margin: 0.3rem 0;
  }
</style>
