import { PLAIN_READING, ROLE_FACTS, USUAL_METHOD } from '../balance';

type Raw = Record<string, unknown>;
const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Version 2 knows how a reading was taken; before, every one was taken with the dome to the camera and read as an aperture. */
function readingToV2(old: Raw): Raw {
  const { read, method, meterMode, assumed, origin, corrects } = PLAIN_READING;
  return { ...old, version: 2, read, method, meterMode, assumed, origin, corrects };
}

/** Version 2 has points of every kind, and remembers how the meter was used. */
function setupToV2(old: Raw): Raw {
  const points = Array.isArray(old['points']) ? (old['points'] as unknown[]) : [];
  return {
    ...old,
    version: 2,
    points: points.map((point) => (isRaw(point) ? { ...point, toneStops: ROLE_FACTS[point['role'] === 'background' ? 'background' : 'face'].toneStops, standsIn: null } : point)),
    meter: { ...(isRaw(old['meter']) ? old['meter'] : {}), av: 5, read: 'aperture', method: USUAL_METHOD },
    look: { ...(isRaw(old['look']) ? old['look'] : {}), faceBy: 'camera', faceContrastStops: 2 },
    confirmed: [],
  };
}

/** By type and version: how a document of that version becomes the next. */
const STEPS: Record<string, (old: Raw) => Raw> = { 'reading 1': readingToV2, 'setup 1': setupToV2 };

/** The types that have had another shape before; what a database looks through once. */
export const MIGRATED_TYPES = [...new Set(Object.keys(STEPS).map((step) => step.split(' ')[0] ?? ''))];

/** A document of any earlier version as one of the present version; anything else comes back as it is, for the schema to judge. */
export function migrateDocument(document: unknown): unknown {
  let current = document;
  for (;;) {
    const step = isRaw(current) ? STEPS[`${String(current['type'])} ${String(current['version'])}`] : undefined;
    if (step === undefined || !isRaw(current)) return current;
    current = step(current);
  }
}
