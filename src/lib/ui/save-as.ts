/** Hands a file made here to the browser, so that it also works while the server is away. */
export const saveAs = (name: string, media: string, content: string | Uint8Array): void =>
  saveBlob(name, new Blob([content as BlobPart], { type: media }));

export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // A large file is still being written when the click returns.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}

/** A part as a file that `parts/import` takes. */
export const savePart = (part: { id: string }): void =>
  saveAs(`${part.id}.part.json`, 'application/json', JSON.stringify(part, null, 2) + '\n');

/** A file that is mostly nothing: its size, and what is in it. */
interface Sparse {
  size: number;
  chunks: readonly { offset: number; bytes: Uint8Array }[];
}
type Picker = (options: { suggestedName: string }) => Promise<{
  createWritable(): Promise<{
    truncate(size: number): Promise<void>;
    write(what: { type: 'write'; position: number; data: BufferSource }): Promise<void>;
    close(): Promise<void>;
  }>;
}>;
const picker = () => (globalThis as { showSaveFilePicker?: Picker }).showSaveFilePicker;

/** Whether this browser can write a file in pieces, and leave out what is zeros. */
export const canSaveSparse = (): boolean => picker() !== undefined;

/**
 * Asks where to, and writes only what is not zeros.
 * @returns false when the person chose no place
 */
export async function saveSparse(name: string, { size, chunks }: Sparse): Promise<boolean> {
  let handle;
  try {
    handle = await picker()!({ suggestedName: name });
  } catch (error) {
    if ((error as Error).name === 'AbortError') return false;
    throw error;
  }
  const file = await handle.createWritable();
  await file.truncate(size);
  for (const { offset, bytes } of chunks)
    await file.write({ type: 'write', position: offset, data: bytes as BufferSource });
  await file.close();
  return true;
}
