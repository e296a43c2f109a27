/** The text of a file, in the encoding that its first bytes tell: UTF-16 by its mark or by its noughts, else UTF-8. Nothing in it makes it fail. */
export async function fileText(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  return new TextDecoder(encodingOf(bytes)).decode(bytes);
}

function encodingOf([first, second, third, fourth]: Uint8Array): string {
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  if (first === 0xfe && second === 0xff) return 'utf-16be';
  if (first !== 0 && second === 0 && fourth === 0) return 'utf-16le';
  return first === 0 && second !== 0 && third === 0 ? 'utf-16be' : 'utf-8';
}
