/** A file's name from what a thing is called: letters and figures, small. */
export const fileNameOf = (title: string, ending: string): string =>
  `${title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.${ending}`;

/** Hands something to the browser as a file. */
export function downloadBlob(name: string, blob: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** Hands a text to the browser as a file. */
export const downloadText = (name: string, text: string, type = 'application/json'): void =>
  downloadBlob(name, new Blob([text], { type }));
