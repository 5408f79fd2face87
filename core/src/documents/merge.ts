type Json = unknown;
/** Where something stands in a document: keys, ids of things in lists, or places in plain lists. */
export type FieldPath = (string | number)[];

/** As `Array.isArray`, without letting anything pass unchecked. */
const isArray = (value: Json): value is Json[] => Array.isArray(value);
const isRecord = (value: Json): value is Record<string, Json> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Equal by value; the order of keys says nothing, for a database gives them back in its own. */
export function sameValue(a: Json, b: Json): boolean {
  if (a === b) return true;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((one, index) => sameValue(one, b[index]));
  if (!isRecord(a) || !isRecord(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => key in b && sameValue(a[key], b[key]));
}

type Thing = Record<string, Json> & { id: string };
const isList = (value: Json): value is Thing[] =>
  Array.isArray(value) && value.every((thing) => isRecord(thing) && typeof thing['id'] === 'string');

/** A field that two sides changed, each in its own way; `undefined` where a side took the thing away. */
export interface Collision {
  path: FieldPath;
  base: Json;
  mine: Json;
  theirs: Json;
}

interface MergeWay {
  /** whose value stands where both changed a field; a thing that one side changed outlives its removal by the other */
  prefer?: 'mine' | 'theirs';
  /** told of every field that both changed */
  onCollision?: (collision: Collision) => void;
}

/**
 * Merges two edits of one document by field against their common base. A field that only one side changed takes that
 * side; where both did, the preferred one stands and the collision is told. Lists of things with ids are merged thing
 * by thing; other lists count as one field, except lists of equal length, which are merged place by place.
 */
export function mergeByField(base: Json, mine: Json, theirs: Json, way: MergeWay = {}): Json {
  return merged(base, mine, theirs, [], way);
}

function merged(base: Json, mine: Json, theirs: Json, path: FieldPath, way: MergeWay): Json {
  if (sameValue(mine, theirs) || sameValue(theirs, base)) return mine;
  if (sameValue(mine, base)) return theirs;
  if (isRecord(mine) && isRecord(theirs)) return mergedRecords(base, mine, theirs, path, way);
  // where nothing is known of what both started from, both added what they have
  const from = base ?? [];
  if (isList(mine) && isList(theirs) && isList(from)) return mergedLists(from, mine, theirs, path, way);
  const places = sameLength(base, mine, theirs);
  if (places !== null)
    return places.mine.map((value, index) =>
      merged(places.base[index], value, places.theirs[index], [...path, index], way),
    );
  way.onCollision?.({ path, base, mine, theirs });
  return way.prefer === 'theirs' ? theirs : mine;
}

/** The three as lists, where they are lists of one length. */
function sameLength(base: Json, mine: Json, theirs: Json): { base: Json[]; mine: Json[]; theirs: Json[] } | null {
  if (!Array.isArray(base) || !Array.isArray(mine) || !Array.isArray(theirs)) return null;
  return base.length === mine.length && base.length === theirs.length ? { base, mine, theirs } : null;
}

function mergedRecords(
  base: Json,
  mine: Record<string, Json>,
  theirs: Record<string, Json>,
  path: FieldPath,
  way: MergeWay,
): Json {
  const from = isRecord(base) ? base : {};
  const keys = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
  return Object.fromEntries(
    [...keys].flatMap((key) => {
      const value = merged(from[key], mine[key], theirs[key], [...path, key], way);
      return value === undefined ? [] : [[key, value]];
    }),
  );
}

function mergedLists(base: Thing[], mine: Thing[], theirs: Thing[], path: FieldPath, way: MergeWay): Json {
  const find = (list: Thing[], id: string) => list.find((thing) => thing.id === id);
  return [...mine, ...theirs.filter(({ id }) => find(mine, id) === undefined)].flatMap((thing) => {
    const [from, here, there] = [find(base, thing.id), find(mine, thing.id), find(theirs, thing.id)];
    const at = [...path, thing.id];
    if (here !== undefined && there !== undefined) return [merged(from, here, there, at, way)];
    // gone on one side and not changed on the other: gone; changed on the other: kept
    const kept = here ?? there;
    if (from !== undefined && sameValue(from, kept)) return [];
    if (from !== undefined) way.onCollision?.({ path: at, base: from, mine: here, theirs: there });
    return [kept];
  });
}

const indexIn = (list: Json[], key: string | number): number =>
  typeof key === 'number' ? key : list.findIndex((thing) => isRecord(thing) && thing['id'] === key);

/** What stands at a place in a document; `undefined` where there is nothing. */
export function valueAt(document: Json, path: FieldPath): Json {
  return path.reduce<Json>((node, key) => {
    if (Array.isArray(node)) return node[indexIn(node, key)];
    return isRecord(node) ? node[String(key)] : undefined;
  }, document);
}

/** A copy with another value at a place; `undefined` takes a thing out of its list, or adds one that was out. */
export function withValueAt(document: Json, path: FieldPath, value: Json): Json {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (isArray(document)) {
    const index = indexIn(document, key);
    if (index < 0) return rest.length === 0 && value !== undefined ? [...document, value] : document;
    const inside = withValueAt(document[index], rest, value);
    return document.flatMap((one, place) => (place !== index ? [one] : inside === undefined ? [] : [inside]));
  }
  if (!isRecord(document)) return document;
  return { ...document, [key]: withValueAt(document[String(key)], rest, value) };
}

/** A field that differs between two states of a document. */
export interface Difference {
  path: FieldPath;
  from: Json;
  to: Json;
}

/** Every field that differs between two states of one document, as deep as `mergeByField` looks. */
export function differences(before: Json, after: Json, path: FieldPath = []): Difference[] {
  if (sameValue(before, after)) return [];
  if (isRecord(before) && isRecord(after))
    return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key) =>
      differences(before[key], after[key], [...path, key]),
    );
  if (isList(before) && isList(after)) {
    const ids = new Set([...before, ...after].map(({ id }) => id));
    return [...ids].flatMap((id) => differences(valueAt(before, [id]), valueAt(after, [id]), [...path, id]));
  }
  return [{ path, from: before, to: after }];
}
