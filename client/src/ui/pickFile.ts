/** Asks for a file; nothing when the person thinks better of it. @param accept as the file input takes it */
export function pickFile(accept: string, onFile: (file: File) => void): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  input.onchange = () => {
    if (input.files?.[0]) onFile(input.files[0]);
  };
  input.click();
}
