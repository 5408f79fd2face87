/** An answer as text, read no further than so many bytes; null: it is longer. The request's time limit holds on. */
export async function textUpTo(response: Response, most: number): Promise<string | null> {
  const parts: Uint8Array[] = [];
  let length = 0;
  for await (const part of response.body ?? []) {
    parts.push(part as Uint8Array);
    length += (part as Uint8Array).length;
    if (length > most) return null;
  }
  return Buffer.concat(parts).toString();
}
