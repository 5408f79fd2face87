import type { LookFigures, LookLight, LookPicture, LookTarget } from '../record';
import { PLAIN_LOOK } from '../setup';

/** Looks that ship: the usual ones of the schools, under our own names. What each is for and its price say `words`. */
export const SHIPPED_LOOK_IDS = [
  'quiet-lift',
  'even-hand',
  'evening-made',
  'closed-room',
  'sun-behind',
  'wrapped',
  'deep-side',
  'two-and-rim',
  'warm-at-dusk',
] as const;
export type ShippedLookId = (typeof SHIPPED_LOOK_IDS)[number];

const NOTHING_MEASURED: LookFigures = {
  faceStops: 0,
  holdBackStops: null,
  flashShare: null,
  backgroundStops: null,
  backgroundHoldBackStops: null,
  faceRatioStops: null,
  keyOverFillStops: null,
  rimOverKeyStops: null,
  depthM: null,
  keyOverAmbientMired: null,
  whiteBalanceMired: null,
};

/** A large source at about arm's length and a half. */
const SOFT_KEY: LookLight = {
  role: 'key',
  standsFor: null,
  aims: 'face',
  noseDeg: 40,
  riseDeg: 18,
  featherDeg: 0,
  sizeDeg: 36,
  distanceM: 1.4,
  halfBeamDeg: null,
  gelMired: 0,
};
const FILL: LookLight = { ...SOFT_KEY, role: 'fill', aims: 'shadow', noseDeg: 0, riseDeg: 8, distanceM: 2.2 };
const RIM: LookLight = {
  ...SOFT_KEY,
  role: 'rim',
  aims: 'highlight',
  noseDeg: -145,
  riseDeg: 22,
  sizeDeg: 18,
  distanceM: 1.8,
};
const OPEN_DARK_SIDE: LookTarget = { role: 'shadow', kind: 'ratio', stops: 1.5, weight: 1 };

interface Told {
  holdBackStops: number;
  wish?: Partial<LookPicture['wish']>;
  figures?: Partial<LookFigures>;
  keySide?: LookPicture['keySide'];
  lights?: LookLight[];
  colour?: LookPicture['colour'];
  wantedAv?: number;
}

const { targets: _, highlightPointId: __, ...PLAIN_WISH } = PLAIN_LOOK;

/** A look from what it is known by; all else is plain. */
const look = ({
  holdBackStops,
  wish,
  figures,
  keySide = null,
  lights = [SOFT_KEY],
  colour,
  wantedAv = 3,
}: Told): LookPicture => ({
  wish: { ...PLAIN_WISH, holdBackStops, targets: [], ...wish },
  wantedAv,
  colour: colour ?? { relation: 'asIs', warmerMired: 30 },
  keySide,
  lights,
  lamps: [],
  panels: [],
  figures: { ...NOTHING_MEASURED, holdBackStops, flashShare: 1 - 2 ** -holdBackStops, ...figures },
});

/** Sources: the schools of location portrait, by hold-back, side of the key and softness. */
export const SHIPPED_LOOKS: Record<ShippedLookId, LookPicture> = {
  'quiet-lift': look({ holdBackStops: 0.45 }),
  'even-hand': look({ holdBackStops: 1 }),
  'evening-made': look({
    holdBackStops: 2.2,
    wish: { exposeBy: 'background', backgroundStops: -1.5 },
    figures: { holdBackStops: null, flashShare: null, backgroundStops: -1.5 },
  }),
  'closed-room': look({ holdBackStops: 5, wantedAv: 6 }),
  'sun-behind': look({ holdBackStops: 0.8, keySide: 'other', lights: [{ ...SOFT_KEY, noseDeg: 30 }] }),
  wrapped: look({
    holdBackStops: 0.7,
    keySide: 'ambient',
    lights: [{ ...SOFT_KEY, noseDeg: 55, sizeDeg: 48, distanceM: 1 }],
  }),
  'deep-side': look({
    holdBackStops: 2,
    wish: { faceContrastStops: 4 },
    lights: [{ ...SOFT_KEY, noseDeg: 75, riseDeg: 12, sizeDeg: 24 }],
  }),
  'two-and-rim': look({
    holdBackStops: 1.6,
    wish: { targets: [OPEN_DARK_SIDE, { role: 'highlight', kind: 'ratio', stops: 0, weight: 1 }] },
    lights: [SOFT_KEY, FILL, RIM],
  }),
  'warm-at-dusk': look({
    holdBackStops: 1.3,
    colour: { relation: 'coolSky', warmerMired: 30 },
    lights: [{ ...SOFT_KEY, gelMired: 109 }],
  }),
};
