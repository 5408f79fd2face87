import type { Document } from '@sphene/core/documents';
import type { CameraRoll } from '@sphene/core/record';

/** What can be found, in the order in which it is listed. */
export const FOUND_KINDS = ['shoot', 'spot', 'setup', 'look', 'note', 'photo', 'frame', 'reading', 'kit'] as const;
export type FoundKind = (typeof FOUND_KINDS)[number];

/** Something that fits a search. */
export interface Found {
  id: string;
  kind: FoundKind;
  title: string;
  /** what it was found by, where that is not its title */
  by: string;
  /** the shoot that it belongs to; null: none */
  shootId: string | null;
  setupId: string | null;
}

interface Told {
  kind: FoundKind;
  title: string;
  /** all else that is searched */
  more: string[];
}

/** What points of setups are called, by setup and point. */
type PointNames = ReadonlyMap<string, string>;

function pointNames(documents: Iterable<Document>): PointNames {
  const names = new Map<string, string>();
  for (const document of documents)
    if (document.type === 'setup') for (const { id, name } of document.points) names.set(`${document.id} ${id}`, name);
  return names;
}

/** What of a document is searched; null: nothing is. */
function told(document: Document, points: PointNames): Told | null {
  switch (document.type) {
    case 'shoot':
      return { kind: 'shoot', title: document.title, more: [document.place, document.date] };
    case 'spot':
      return { kind: 'spot', title: document.title, more: [document.note] };
    case 'setup':
      return {
        kind: 'setup',
        title: document.title,
        more: [document.note, ...document.points.map(({ name }) => name), ...document.variants.map(({ name }) => name)],
      };
    case 'look':
      return { kind: 'look', title: document.name, more: [...document.tags, document.words] };
    case 'note':
      return document.text === '' ? null : { kind: 'note', title: document.text, more: [] };
    case 'photo':
      return document.title === '' ? null : { kind: 'photo', title: document.title, more: [] };
    case 'reading': {
      const { setupId, pointId, text, at } = document;
      const point = points.get(`${setupId} ${pointId}`) ?? '';
      return document.struckAt === null ? { kind: 'reading', title: `${point} ${text}`.trim(), more: [at] } : null;
    }
    case 'frame':
      return { kind: 'frame', title: document.name, more: [] };
    default:
      return 'retired' in document && 'name' in document ? { kind: 'kit', title: document.name, more: [] } : null;
  }
}

/** Frames of a camera whose names hold all words. */
const framesIn = (
  { id, shootId, camera, frames }: CameraRoll,
  words: readonly string[],
): (Found & { rank: number })[] =>
  frames
    .filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)))
    .slice(0, MOST_FRAMES_FOUND)
    .map(({ name }) => ({
      id: `${id} ${name}`,
      kind: 'frame',
      title: name,
      by: camera,
      shootId,
      setupId: null,
      rank: 1,
    }));

/** Of frames there are thousands: a few are enough to go on with. */
const MOST_FRAMES_FOUND = 12;
/** More than these nobody reads. */
const MOST_FOUND = 80;

/** How well words fit: all in the title, better at its beginning; or somewhere else; null where one is nowhere. */
function fit({ title, more }: Told, words: readonly string[]): { rank: number; by: string } | null {
  const name = title.toLowerCase();
  if (words.every((word) => name.includes(word))) return { rank: name.startsWith(words[0] ?? '') ? 0 : 1, by: '' };
  const rest = words.filter((word) => !name.includes(word));
  const by = more.find((text) => text.toLowerCase().includes(rest[0] ?? ''));
  const all = more.join(' ').toLowerCase();
  return by !== undefined && rest.every((word) => all.includes(word)) ? { rank: 2, by } : null;
}

/**
 * Everything on this device that holds all words of a search, by kind and how well it fits. Nothing is asked of a server.
 * @param text what was typed; empty finds nothing
 */
export function find(documents: Iterable<Document>, text: string): Found[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const found: (Found & { rank: number })[] = [];
  const all = [...documents];
  const points = pointNames(all);
  const setupOf = new Map<string, string>();
  for (const document of all) {
    if (document.type === 'setup') setupOf.set(document.id, document.shootId);
    if (document.type === 'cameraRoll') found.push(...framesIn(document, words));
    const its = told(document, points);
    const fits = its === null ? null : fit(its, words);
    if (its === null || fits === null) continue;
    found.push({
      id: document.id,
      kind: its.kind,
      title: its.title,
      ...fits,
      shootId: 'shootId' in document ? document.shootId : document.type === 'shoot' ? document.id : null,
      setupId: 'setupId' in document ? document.setupId : document.type === 'setup' ? document.id : null,
    });
  }
  return found
    .sort(
      (a, b) =>
        FOUND_KINDS.indexOf(a.kind) - FOUND_KINDS.indexOf(b.kind) || a.rank - b.rank || a.title.localeCompare(b.title),
    )
    .slice(0, MOST_FOUND)
    .map(({ rank: _rank, ...one }) => ({ ...one, shootId: one.shootId ?? setupOf.get(one.setupId ?? '') ?? null }));
}
