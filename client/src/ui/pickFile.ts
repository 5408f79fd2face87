/** Asks for files, as many as one likes; nothing when the person thinks better of it. @param accept as the file input takes it */
export function pickFiles(accept: string, onFiles: (files: File[]) => void, multiple = true): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  input.multiple = multiple;
  input.onchange = () => {
    const files = [...(input.files ?? [])];
    if (files.length > 0) onFiles(files);
  };
  input.click();
}

/** Asks for one file. */
export const pickFile = (accept: string, onFile: (file: File) => void): void =>
  pickFiles(accept, ([file]) => file !== undefined && onFile(file), false);
