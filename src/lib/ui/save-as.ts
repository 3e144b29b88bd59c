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
