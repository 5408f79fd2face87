type Json = unknown;
const isRecord = (value: Json): value is Record<string, Json> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const same = (a: Json, b: Json): boolean => JSON.stringify(a) === JSON.stringify(b);

type Thing = Record<string, Json> & { id: string };
const isList = (value: Json): value is Thing[] =>
  Array.isArray(value) && value.every((thing) => isRecord(thing) && typeof thing['id'] === 'string');

/**
 * Merges two edits of one document by field against their common base. A field that only one side changed takes that
 * side; where both did, mine stays (theirs is not lost: every change of a setting is also a fact in the log).
 * Lists of things with ids are merged thing by thing; other lists count as one field, except lists of equal length,
 * which are merged place by place.
 */
export function mergeByField(base: Json, mine: Json, theirs: Json): Json {
  if (same(mine, theirs) || same(theirs, base)) return mine;
  if (same(mine, base)) return theirs;
  if (isRecord(mine) && isRecord(theirs)) {
    const from = isRecord(base) ? base : {};
    const keys = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
    return Object.fromEntries(
      [...keys].flatMap((key) => {
        const value = mergeByField(from[key], mine[key], theirs[key]);
        return value === undefined ? [] : [[key, value]];
      }),
    );
  }
  if (isList(mine) && isList(theirs) && isList(base)) {
    const find = (list: Thing[], id: string) => list.find((thing) => thing.id === id);
    return [...mine, ...theirs.filter(({ id }) => find(mine, id) === undefined)].flatMap((thing) => {
      const [from, here, there] = [find(base, thing.id), find(mine, thing.id), find(theirs, thing.id)];
      // gone on one side and not changed on the other: gone; changed on the other: kept
      if (here === undefined) return from === undefined || !same(from, there) ? [there] : [];
      if (there === undefined) return from === undefined || !same(from, here) ? [here] : [];
      return [mergeByField(from, here, there)];
    });
  }
  if (
    Array.isArray(mine) &&
    Array.isArray(theirs) &&
    Array.isArray(base) &&
    mine.length === theirs.length &&
    mine.length === base.length
  )
    return mine.map((value, index) => mergeByField((base as Json[])[index], value, (theirs as Json[])[index]));
  return mine;
}
