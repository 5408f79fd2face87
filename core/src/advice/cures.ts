import { type Balance, balance } from '../balance';
import { clipsAboveAt } from '../exposure';
import type { Kit } from '../gear';
import { type Fact, meterScene } from '../metering';
import { HOLD_BACK_RANGE, LOOK_RANGES, type SceneChangeKind, type Setting, type Setup, withSettings } from '../setup';
import type { DialTexts } from './action';
import type { Documents } from './documents';

/** What people see in a picture that is not right yet. */
export const SYMPTOMS = [
  'background-dark',
  'background-bright',
  'face-flat',
  'dress-clipped',
  'eyes-dark',
  'grey-backdrop',
] as const;
export type Symptom = (typeof SYMPTOMS)[number];

/** What a change of the look does, tried on the setup. */
export interface TriedLook {
  dials: DialTexts;
  fromStops: number;
  toStops: number;
  /** where the flash then holds the face; null: no flash does */
  face: { stops: number; powerText: string } | null;
}

/** One control that moves the thing, with its figures. */
export type CureKind =
  | { kind: 'ambient-in' | 'ambient-down'; byStops: number; tried: TriedLook }
  | { kind: 'expose-for-cloth' | 'ambient-makes-white'; tried: TriedLook }
  | { kind: 'light-background'; byStops: number }
  | { kind: 'flash-off-dress'; byStops: number | null }
  | { kind: 'face-lower'; byStops: number; powerText: string }
  | { kind: 'light-backdrop'; byStops: number }
  | {
      kind:
        | 'key-off-background'
        | 'key-to-side'
        | 'turn-face'
        | 'black-on-shadow'
        | 'lower-key'
        | 'chin-up'
        | 'white-from-below'
        | 'bring-nearer';
    };

/** Every kind of cure. */
export const CURE_KINDS = [
  'ambient-in',
  'ambient-down',
  'expose-for-cloth',
  'ambient-makes-white',
  'light-background',
  'flash-off-dress',
  'face-lower',
  'light-backdrop',
  'key-off-background',
  'key-to-side',
  'turn-face',
  'black-on-shadow',
  'lower-key',
  'chin-up',
  'white-from-below',
  'bring-nearer',
] as const satisfies readonly Cure['kind'][];

export type Cure = CureKind & {
  /** what one tap changes; empty where hands must do it */
  settings: Setting[];
  /** the change of the scene that it is, after which readings are taken again */
  asks: SceneChangeKind | null;
};

/** Where the thing stands by what was metered; levels are stops from mid grey, null is not metered. */
export type Finding =
  | { kind: 'background'; atStops: number | null }
  | { kind: 'contrast'; contrastStops: number | null; wantedStops: number }
  | { kind: 'cloth'; atStops: number | null; clipsStops: number | null; holds: boolean }
  | { kind: 'sockets' }
  | { kind: 'backdrop'; atStops: number | null; whiteStops: number };

/** The answer to a symptom: how far off it is, and cures, the cheapest first. */
export interface Diagnosis {
  symptom: Symptom;
  /** how far the thing is to be moved, stops; null where nothing metered says it */
  byStops: number | null;
  found: Finding;
  cures: Cure[];
}

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
  }
}

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
