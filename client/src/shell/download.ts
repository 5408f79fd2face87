/** A file's name from what a thing is called: letters and figures, small. */
export const fileNameOf = (title: string, ending: string): string =>
  `${title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.${ending}`;

/** Hands a text to the browser as a file. */
export function downloadText(name: string, text: string, type = 'application/json'): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
