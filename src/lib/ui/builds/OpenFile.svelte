<script lang="ts">
  import { goto } from '$app/navigation';
  import FileField from '../kit/FileField.svelte';
  import { ask, problemLines, type Saved } from '../record/send';
  import { text } from '$lib/words/en/screens';
  import { builds as buildsText } from '$lib/words/en/screens/builds';

  interface Props {
    /** What came in, or why nothing did. */
    told: (lines: string[], isBad: boolean) => void;
  }
  let { told }: Props = $props();
  const words = buildsText;
  let busy = $state(false);

  /** Where a file goes, and the most that is sent there, in MiB, which the server says again. */
  const kinds = {
    zip: { path: '/workshop', most: 128 },
    json: { path: '/import', most: 8 }
  } as const;

  /** Of what was left out, so many are named. */
  const MOST_LEFT = 8;

  interface Arrivals {
    builds: { id: string | null }[];
    left: { path: string; message: string }[];
  }

  async function open(file: File) {
    const isZip = /\.zip$/i.test(file.name) || file.type === 'application/zip';
    const { path, most } = kinds[isZip ? 'zip' : 'json'];
    const mib = Math.ceil(file.size / 2 ** 20);
    if (mib > most) return told([words.notOpened(file.name), words.tooLarge(mib, most)], true);
    busy = true;
    const reply = await ask<Saved | Arrivals>('POST', path, file);
    busy = false;
    if (!reply.ok)
      return 'away' in reply
        ? told([text.serverGone], true)
        : told([words.notOpened(file.name), ...problemLines(reply.problem)], true);
    if ('build' in reply.value) return void (await goto(`/builds/${reply.value.build.id}/lines`));
    const came = reply.value.builds.filter((b) => b.id !== null).length;
    const { left } = reply.value;
    const lines = left.slice(0, MOST_LEFT).map((p) => `${p.path}: ${p.message}`);
    told(
      [
        words.arrived(came, reply.value.builds.length - came),
        ...(left.length ? [words.leftOut(left.length), ...lines] : []),
        ...(left.length > MOST_LEFT ? [words.leftMore(left.length - MOST_LEFT)] : [])
      ],
      left.length > 0
    );
  }

  function chosen(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    if (file) void open(file).finally(() => (input.value = ''));
  }
</script>

<FileField
  id="open-file"
  words={words.openFile}
  accept=".json,.zip,application/json,application/zip"
  disabled={busy}
  onchange={chosen}
  aria-label={words.openLabel}
/>
