/** Hands a file made here to the browser, so that it also works while the server is away. */
export function saveAs(name: string, media: string, content: string | Uint8Array): void {
  const url = URL.createObjectURL(new Blob([content as BlobPart], { type: media }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** A part as a file that `parts/import` takes. */
export const savePart = (part: { id: string }): void =>
  saveAs(`${part.id}.part.json`, 'application/json', JSON.stringify(part, null, 2) + '\n');
