<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Checkbox, Input, Label } from 'flowbite-svelte';
  import { CpuFamily, type Profile } from '$lib/core/model';
  import { emptyProgram, readProgram, type ProgramField, type ProgramForm } from '$lib/core/software';
  import { ownProgram as words } from '$lib/words/en/screens/own-program';

  interface Props {
    profiles: readonly Profile[];
    add: (profile: Profile) => void;
  }
  let { profiles, add }: Props = $props();
  const id = $props.id();
  let form = $state<ProgramForm>({ ...emptyProgram });
  let wrong = $state.raw<readonly ProgramField[]>([]);
  const texts = [
    'name',
    'year',
    'base',
    'extended',
    'expanded',
    'dos',
    'speedFrom',
    'speedTo',
    'ports',
    'irqs'
  ] as const;
  const boxes = ['cd', 'mouse', 'joystick', 'network'] as const;

  function submit(event: SubmitEvent) {
    event.preventDefault();
    const read = readProgram(form, new Set(profiles.map((p) => p.id)));
    wrong = 'wrong' in read ? read.wrong : [];
    if ('wrong' in read) return;
    add(read.profile);
    form = { ...emptyProgram };
  }
</script>

<Fold title={words.title}>
  <p class="quiet">{words.lead}</p>
  <form
    class="grid grid-cols-[repeat(auto-fit,minmax(11rem,1fr))] gap-y-2 gap-x-4 items-end"
    onsubmit={submit}
  >
    {#each texts as field (field)}
      <div>
        <Label for="{id}-{field}">{words.fields[field].label}</Label>
        <Input
          id="{id}-{field}"
          bind:value={form[field]}
          placeholder={words.fields[field].hint}
          maxlength={field === 'name' ? 120 : 40}
          autocomplete="off"
          aria-invalid={wrong.includes(field)}
          aria-describedby={wrong.includes(field) ? `${id}-${field}-wrong` : undefined}
        />
        {#if wrong.includes(field)}<p class="bad" id="{id}-{field}-wrong">{words.fields[field].wrong}</p>{/if}
      </div>
    {/each}
    <div>
      <Label for="{id}-cpu">{words.cpu}</Label>
      <OneOf
        id="{id}-cpu"
        items={[
          { value: '', name: words.unsaid },
          ...CpuFamily.options.map((value) => ({ value, name: value }))
        ]}
        bind:value={form.cpu}
      />
    </div>
    <div>
      <Label for="{id}-v86">{words.manager}</Label>
      <OneOf
        id="{id}-v86"
        items={Object.entries(words.managers).map(([value, name]) => ({ value, name }))}
        bind:value={form.v86}
      />
    </div>
    <div class="flex flex-wrap gap-y-1.5 gap-x-4 col-span-full">
      {#each boxes as box (box)}<Checkbox bind:checked={form[box]}>{words.boxes[box]}</Checkbox>{/each}
    </div>
    <Button type="submit" class="act">{words.add}</Button>
  </form>
</Fold>
