import { type Balance, balance, colourSolution, solveLamps } from '../balance';
import { clipsAboveAt } from '../exposure';
import type { Kit } from '../gear';
import { groupLight } from '../lights';
import { type Fact, meterScene } from '../metering';
import {
  HOLD_BACK_RANGE,
  lightPath,
  LOOK_RANGES,
  type SceneChangeKind,
  type Setting,
  type Setup,
  withSettings,
} from '../setup';
import { solveStage, type StageSolution } from '../stage';
import type { Documents } from './documents';
import type { Cure, CureKind, Diagnosis, Symptom, TriedLook } from './symptom';

/** A backdrop is white from here on: white cloth lit correctly. */
const WHITE_STOPS = 7 / 3;
/** A background that is called too dark or too bright without more is moved by this. */
const ONE_NUDGE_STOPS = 0.5;
const SAFE_HEADROOM_STOPS = 1 / 3;

interface Case extends Documents {
  now: Balance;
  byStops: number | null;
}

const hands = (cure: CureKind, asks: SceneChangeKind | null = null): Cure => ({ ...cure, settings: [], asks });
const placed = (state: Balance, role: 'background' | 'white'): number | null =>
  state.points.find((point) => point.role === role)?.placedStops ?? null;

/** A change of the look, tried: what it really does to background and face; null when it is out of range or changes nothing. */
function tryLook({ setup, kit, scene }: Documents, now: Balance, settings: Setting[]): TriedLook | null {
  const changed = withSettings(setup, settings);
  if (!changed.ok) return null;
  const after = balance(changed.value, kit, scene);
  const [fromStops, toStops] = [placed(now, 'background'), placed(after, 'background')];
  if (after.camera === null || !after.camera.met || fromStops === null || toStops === null) return null;
  if (Math.abs(toStops - fromStops) < 0.05) return null;
  const solution = after.light?.solution;
  if (solution != null && (solution.outOfRange !== null || solution.powerText === null)) return null;
  const { shutter, aperture, iso } = after.camera.text;
  return {
    dials: { shutter, aperture, iso },
    fromStops,
    toStops,
    face: solution == null ? null : { stops: after.face?.totalStops ?? 0, powerText: solution.powerText ?? '' },
  };
}

/** A cure by a change of the look, where trying it works. */
function byLook(one: Case, settings: Setting[], cure: (tried: TriedLook) => CureKind): Cure[] {
  const tried = tryLook(one, one.now, settings);
  return tried === null ? [] : [{ ...cure(tried), settings, asks: null }];
}

const within = (value: number, { least, most }: { least: number; most: number }): number =>
  Math.min(most, Math.max(least, value));

/** The ambient as a whole, brighter or darker, while the flash holds the face. */
function ambientSettings({ look }: Setup, now: Balance, brighterStops: number): Setting[] {
  const { holdBackStops, backgroundStops } = now.look;
  if (look.exposeBy === 'background')
    return [{ path: 'look.backgroundStops', value: look.backgroundStops + brighterStops }];
  if (look.exposeBy === 'face')
    return [
      {
        path: 'look.holdBackStops',
        value: within((holdBackStops ?? look.holdBackStops) - brighterStops, HOLD_BACK_RANGE),
      },
    ];
  return [
    { path: 'look.exposeBy', value: 'background' },
    { path: 'look.backgroundStops', value: within((backgroundStops ?? 0) + brighterStops, LOOK_RANGES.background) },
  ];
}

/**
 * From a symptom to its single cure: the one control that moves only that, by how much, the cheapest first: what a step
 * or a dial does before what wants another light. Settings are tried on the setup and listed only where they work.
 * @param byStops how far to move it; null: as far as the readings say
 */
export function diagnose(
  symptom: Symptom,
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  byStops: number | null = null,
): Diagnosis {
  const scene = meterScene(setup, kit, facts, clock);
  const one: Case = { setup, kit, scene, now: balance(setup, kit, scene), byStops };
  switch (symptom) {
    case 'background-dark':
    case 'background-bright':
      return wrongBackground(symptom, one);
    case 'face-flat':
      return flatFace(one);
    case 'dress-clipped':
      return clippedDress(one);
    case 'eyes-dark':
      return {
        symptom,
        byStops: null,
        found: { kind: 'sockets' },
        cures: [
          hands({ kind: 'lower-key' }),
          hands({ kind: 'chin-up' }, 'head-turned'),
          hands({ kind: 'white-from-below' }, 'reflector'),
        ],
      };
    case 'grey-backdrop':
      return greyBackdrop(one);
    case 'outline-merges':
      return mergedOutline(one);
    case 'hot-spot':
      return { symptom, byStops: null, found: { kind: 'hot-spot' }, cures: HOT_SPOT_CURES };
    case 'two-shadows':
      return twoShadows(one);
    case 'mixed-colour':
      return mixedColour(one);
    case 'flare':
      return flare(one);
  }
}

const HOT_SPOT_CURES: Cure[] = [
  hands({ kind: 'turn-from-shine' }, 'head-turned'),
  hands({ kind: 'feather-key' }),
  hands({ kind: 'larger-source' }),
  hands({ kind: 'powder' }),
];

function wrongBackground(symptom: 'background-dark' | 'background-bright', one: Case): Diagnosis {
  const dark = symptom === 'background-dark';
  const need = one.byStops ?? ONE_NUDGE_STOPS;
  const settings = ambientSettings(one.setup, one.now, dark ? need : -need);
  return {
    symptom,
    byStops: need,
    found: { kind: 'background', atStops: placed(one.now, 'background') },
    cures: [
      ...byLook(one, settings, (tried) => ({ kind: dark ? 'ambient-in' : 'ambient-down', byStops: need, tried })),
      hands(dark ? { kind: 'light-background', byStops: need } : { kind: 'key-off-background' }),
    ],
  };
}

function flatFace({ setup, now, byStops }: Case): Diagnosis {
  const shadow = now.points.find(({ role }) => role === 'shadow');
  const contrast =
    now.face?.totalStops == null || shadow?.totalStops == null ? null : now.face.totalStops - shadow.totalStops;
  const wantedStops = setup.look.faceContrastStops;
  return {
    symptom: 'face-flat',
    byStops: byStops ?? (contrast === null ? null : Math.max(0, wantedStops - contrast)),
    found: { kind: 'contrast', contrastStops: contrast, wantedStops },
    cures: [
      hands({ kind: 'key-to-side' }),
      hands({ kind: 'turn-face' }, 'head-turned'),
      hands({ kind: 'black-on-shadow' }, 'reflector'),
    ],
  };
}

function clippedDress(one: Case): Diagnosis {
  const { now, byStops } = one;
  const white = now.points.find(({ role }) => role === 'white');
  const clips = now.cameraBody === null ? null : clipsAboveAt(now.cameraBody, now.camera?.sv ?? now.cameraBody.baseSv);
  const over = white?.placedStops == null || clips === null ? null : white.placedStops - clips + SAFE_HEADROOM_STOPS;
  const need = byStops ?? (over === null ? null : Math.max(0, over));
  const some = need === null || need <= 0 ? null : need;
  const forCloth: Setting[] =
    white?.ambientEv100 == null
      ? []
      : [
          { path: 'look.exposeBy', value: 'highlight' },
          { path: 'look.highlightPointId', value: white.pointId },
          { path: 'look.headroomStops', value: SAFE_HEADROOM_STOPS },
        ];
  return {
    symptom: 'dress-clipped',
    byStops: need,
    found: {
      kind: 'cloth',
      atStops: white?.placedStops ?? null,
      clipsStops: clips,
      holds: over !== null && over <= 0,
    },
    cures: [
      hands({ kind: 'flash-off-dress', byStops: some }),
      ...(some === null ? [] : byFace(one, some)),
      ...(forCloth.length === 0 ? [] : byLook(one, forCloth, (tried) => ({ kind: 'expose-for-cloth', tried }))),
    ],
  };
}

function greyBackdrop(one: Case): Diagnosis {
  const atStops = placed(one.now, 'background');
  const need = one.byStops ?? (atStops === null ? null : Math.max(0, WHITE_STOPS - atStops));
  const white: Setting[] = [
    { path: 'look.exposeBy', value: 'background' },
    { path: 'look.backgroundStops', value: Math.min(LOOK_RANGES.background.most, WHITE_STOPS) },
  ];
  return {
    symptom: 'grey-backdrop',
    byStops: need,
    found: { kind: 'backdrop', atStops, whiteStops: WHITE_STOPS },
    cures: [
      ...(need === null || need <= 0
        ? []
        : [
            hands({ kind: 'light-backdrop', byStops: need }),
            ...byLook(one, white, (tried) => ({ kind: 'ambient-makes-white', tried })),
          ]),
      hands({ kind: 'bring-nearer' }, 'subject-moved'),
    ],
  };
}

/** The whole face lower by the final place: everything in its light follows. */
function byFace({ setup, kit, scene }: Documents, byStops: number): Cure[] {
  const value = setup.look.faceStops - byStops;
  const settings: Setting[] = [{ path: 'look.faceStops', value }];
  const changed = withSettings(setup, settings);
  if (!changed.ok) return [];
  const powerText = balance(changed.value, kit, scene).light?.solution?.powerText ?? null;
  return powerText === null ? [] : [{ kind: 'face-lower', byStops, powerText, settings, asks: null }];
}

/** Less than this between a dark shoulder and what is behind it is one shape, stops. */
const OUTLINE_STOPS = 1;

function mergedOutline(one: Case): Diagnosis {
  const { now, byStops } = one;
  const dark = now.points.find(({ role }) => role === 'dark')?.placedStops ?? null;
  const behind = placed(now, 'background');
  const apartStops = dark === null || behind === null ? null : behind - dark;
  const need = byStops ?? (apartStops === null ? ONE_NUDGE_STOPS : Math.max(0, OUTLINE_STOPS - apartStops));
  const settings = need > 0 ? ambientSettings(one.setup, now, need) : [];
  return {
    symptom: 'outline-merges',
    byStops: need,
    found: { kind: 'outline', apartStops, wantedStops: OUTLINE_STOPS },
    cures: [
      ...byLook(one, settings, (tried) => ({ kind: 'ambient-in', byStops: need, tried })),
      hands({ kind: 'rim-behind' }),
      ...(need > 0 ? [hands({ kind: 'light-background', byStops: need })] : []),
      hands({ kind: 'other-ground' }, 'subject-moved'),
    ],
  };
}

/** A light this far under the key throws no shadow that is seen, stops. */
const NO_SHADOW_STOPS = 2;
const MOST_TARGET_STOPS = 5;

function twoShadows(one: Case): Diagnosis {
  const { lights, watches, meant } = stageOf(one);
  const shadow = [...watches, ...meant].find(({ kind }) => kind === 'second-shadow');
  const weaker = lights.find(({ lightId }) => lightId === shadow?.lightId);
  const key = lights.find(
    ({ lightId }) =>
      shadow?.kind === 'second-shadow' && shadow.bothIds.includes(lightId) && lightId !== weaker?.lightId,
  );
  const underStops = key?.faceStops == null || weaker?.faceStops == null ? null : key.faceStops - weaker.faceStops;
  return {
    symptom: 'two-shadows',
    byStops: null,
    found: { kind: 'two-shadows', lightId: weaker?.lightId ?? null, underStops },
    cures: [
      ...(weaker === undefined || underStops === null
        ? []
        : lowerFill(one, weaker.lightId, NO_SHADOW_STOPS - underStops)),
      hands({ kind: 'fill-to-axis' }),
      hands({ kind: 'away-from-wall' }, 'subject-moved'),
    ],
  };
}

/** What a light that is not the face's own is set for, lower by so many stops. */
function lowerFill({ setup, now }: Case, lightId: string, byStops: number): Cure[] {
  const pointId = setup.lights.find(({ id }) => id === lightId)?.aimPointId;
  const point = now.points.find((one) => one.pointId === pointId);
  if (point?.totalStops == null || now.face?.totalStops == null || point.pointId === now.face.pointId) return [];
  const stops = Math.min(MOST_TARGET_STOPS, now.face.totalStops - point.totalStops + byStops);
  const others = setup.look.targets.filter((target) => target.pointId !== point.pointId);
  const settings: Setting[] = [
    { path: 'look.targets', value: [...others, { pointId: point.pointId, kind: 'ratio', stops, weight: 1 }] },
  ];
  return withSettings(setup, settings).ok ? [{ kind: 'fill-down', lightId, byStops, settings, asks: null }] : [];
}

/** The stage as it stands. */
const stageOf = ({ setup, kit, scene, now }: Case): StageSolution =>
  solveStage(setup, kit, scene, now, groupLight(setup, kit, now.usable));

function mixedColour(one: Case): Diagnosis {
  const { setup, kit, scene, now } = one;
  const lamps = solveLamps(setup, kit, scene, now, null);
  const matched: Setup = { ...setup, colour: { ...setup.colour, relation: 'match' } };
  const { mixed } = colourSolution(setup, kit, now.usable, now.lights, now.points, lamps);
  const { advice } = colourSolution(matched, kit, now.usable, now.lights, now.points, lamps);
  const gels = advice.map(({ lightId, gelIds, gelNames, missMired }): Cure => {
    const index = setup.lights.findIndex(({ id }) => id === lightId);
    return {
      kind: 'gel-light',
      lightId,
      gelNames,
      missMired,
      settings: [
        { path: 'colour.relation', value: 'match' },
        { path: lightPath(index, 'gelIds'), value: gelIds },
      ],
      asks: null,
    };
  });
  return {
    symptom: 'mixed-colour',
    byStops: ONE_NUDGE_STOPS * 2,
    found: { kind: 'colours', mixed },
    cures: [
      ...gels,
      ...byLook(one, ambientSettings(setup, now, -(one.byStops ?? 1)), (tried) => ({
        kind: 'ambient-down',
        byStops: one.byStops ?? 1,
        tried,
      })),
      hands({ kind: 'lamps-off' }, 'lamp'),
    ],
  };
}

function flare(one: Case): Diagnosis {
  const { watches, meant } = stageOf(one);
  const seen = [...watches, ...meant];
  const lightIds = seen.flatMap(({ kind, lightId }) => (kind === 'into-lens' && lightId !== null ? [lightId] : []));
  return {
    symptom: 'flare',
    byStops: null,
    found: { kind: 'flare', lightIds, sun: seen.some(({ kind }) => kind === 'sun-into-lens') },
    cures: [
      hands({ kind: 'flag-lens' }),
      ...(lightIds.length > 0 ? [hands({ kind: 'grid-on-back' })] : []),
      hands({ kind: 'step-aside' }, 'camera-moved'),
    ],
  };
}
