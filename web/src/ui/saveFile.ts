/** Hands the browser a file to keep. */
export function saveFile(name: string, content: BlobPart, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser takes it up after this turn.
  setTimeout(() => URL.revokeObjectURL(url));
}
