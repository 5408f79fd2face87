import { DEFAULT_PREFERENCES, FULL_FRAME_DIAGONAL_MM } from '../gear';
import {
  LIGHT_ROLE_FACTS,
  PLAIN_CAMERA,
  PLAIN_LIGHTING,
  PLAIN_LOOK,
  PLAIN_READING,
  ROLE_FACTS,
  USUAL_METHOD,
} from '../setup';

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
    points: points.map((point) =>
      isRaw(point)
        ? {
            ...point,
            toneStops: ROLE_FACTS[point['role'] === 'background' ? 'background' : 'face'].toneStops,
            standsIn: null,
          }
        : point,
    ),
    meter: { ...(isRaw(old['meter']) ? old['meter'] : {}), av: 5, read: 'aperture', method: USUAL_METHOD },
    look: { ...(isRaw(old['look']) ? old['look'] : {}), faceBy: 'camera', faceContrastStops: 2 },
    confirmed: [],
  };
}

/**
 * Version 3 says the whole look, and knows the lens, the people's movement, pins and preferences. Before, a camera was
 * held in the hand, and nothing but its own figure limited the shutter: people who move the least keep that.
 */
const setupToV3 = (old: Raw): Raw => ({
  ...old,
  version: 3,
  look: { ...PLAIN_LOOK, ...(isRaw(old['look']) ? old['look'] : {}) },
  camera: { ...PLAIN_CAMERA, motion: 'none', ...(isRaw(old['camera']) ? old['camera'] : {}) },
  versions: [],
});

/** Version 4 knows lights by role and place, targets at other points, the people, the pace and colours. Before, there was one key aimed at the face. */
function setupToV4(old: Raw): Raw {
  const face = (Array.isArray(old['points']) ? (old['points'] as unknown[]) : []).find(
    (point): point is Raw => isRaw(point) && point['role'] === 'face',
  );
  const { sideDeg, heightM } = LIGHT_ROLE_FACTS.key.stand;
  const light = (one: unknown) =>
    isRaw(one)
      ? {
          outlet: null,
          zoomMm: null,
          gridId: null,
          gelIds: [],
          standId: null,
          aimPointId: face?.['id'] ?? 'face',
          sideDeg,
          heightM,
          featherDeg: 0,
          group: 'A',
          channel: 1,
          locked: false,
          ...one,
        }
      : one;
  const look = (one: unknown) => (isRaw(one) ? { ...one, targets: [] } : one);
  return {
    ...PLAIN_LIGHTING,
    ...old,
    version: 4,
    look: look(old['look']),
    lights: Array.isArray(old['lights']) ? old['lights'].map(light) : [],
    versions: Array.isArray(old['versions'])
      ? old['versions'].map((version: unknown) =>
          isRaw(version) ? { ...version, look: look(version['look']) } : version,
        )
      : [],
  };
}

/** Version 3 of a reading names every light that fired; before, it was one, metered at the face where it aimed. */
function readingToV3(old: Raw): Raw {
  const { fired } = old;
  return {
    ...old,
    version: 3,
    fired: isRaw(fired)
      ? [
          {
            gridId: null,
            gelIds: [],
            outlet: null,
            zoomMm: null,
            featherDeg: 0,
            atAim: old['pointId'] === 'face',
            ...fired,
          },
        ]
      : [],
  };
}

/** Gear may be retired; flash units know their charge and outlets, modifiers their cloth and beam. */
const retirable =
  (version: number) =>
  (old: Raw): Raw => ({ ...old, version, retired: false });
function flashUnitToV3(old: Raw): Raw {
  const { output } = old;
  return {
    ...old,
    version: 3,
    retired: false,
    popsFull: null,
    outlets: [],
    output: isRaw(output) && output['by'] === 'guideNumber' ? { ...output, zoomMm: null } : output,
  };
}
function modifierToV2(old: Raw): Raw {
  const point = isRaw(old['shape']) && old['shape']['kind'] === 'point';
  return {
    ...old,
    version: 2,
    retired: false,
    layers: point ? 0 : 1,
    beam: point ? { kind: 'cone', fullDeg: 60 } : { kind: 'diffuse' },
  };
}

/** Version 2 of the kit: what high-speed sync, extended ISO, depth of field, flash duration and recycling need. */
const cameraToV2 = (old: Raw): Raw => ({
  ...old,
  version: 2,
  highSpeedSync: true,
  extendedLowSv: null,
  extendedHighSv: null,
  sensorDiagonalMm: FULL_FRAME_DIAGONAL_MM,
});
const filterToV2 = (old: Raw): Raw => ({ ...old, version: 2, kind: 'nd' });
const flashUnitToV2 = (old: Raw): Raw => ({ ...old, version: 2, t01FullS: null, recycleFullS: null });
const { lookWay, keepOrder, mainsHz } = DEFAULT_PREFERENCES;
const preferencesToV2 = (old: Raw): Raw => ({ ...old, version: 2, lookWay, keepOrder, mainsHz });

/** By type and version: how a document of that version becomes the next. */
const STEPS: Record<string, (old: Raw) => Raw> = {
  'reading 1': readingToV2,
  'setup 1': setupToV2,
  'setup 2': setupToV3,
  'setup 3': setupToV4,
  'reading 2': readingToV3,
  'camera 1': cameraToV2,
  'filter 1': filterToV2,
  'flashUnit 1': flashUnitToV2,
  'preferences 1': preferencesToV2,
  'preferences 2': (old) => ({ ...old, version: 3, paces: false, forgotten: {} }),
  'camera 2': retirable(3),
  'lens 1': retirable(2),
  'filter 2': retirable(3),
  'flashUnit 2': flashUnitToV3,
  'modifier 1': modifierToV2,
};

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
