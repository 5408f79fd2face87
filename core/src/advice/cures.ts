import { type Balance, balance } from '../balance';
import { clipsAboveAt } from '../exposure';
import type { Kit } from '../gear';
import { type Fact, type MeteredScene, meterScene } from '../metering';
import { formatStopCount, formatStops } from '../notation';
import { HOLD_BACK_RANGE, LOOK_RANGES, type SceneChangeKind, type Setting, type Setup, withSettings } from '../setup';

/** What people see in a picture that is not right yet, each with the name it is asked by. */
export const SYMPTOMS = {
  'background-dark': 'Background too dark',
  'background-bright': 'Background too bright',
  'face-flat': 'Face flat',
  'dress-clipped': 'Dress clipped',
  'eyes-dark': 'Eyes dark',
  'grey-backdrop': 'Backdrop grey, not white',
} as const;
export type Symptom = keyof typeof SYMPTOMS;

/** One control that moves the thing, by how much, and what else it touches. */
export interface Cure {
  title: string;
  how: string;
  /** what one tap changes; empty where hands must do it */
  settings: Setting[];
  /** the change of the scene that it is, after which readings are taken again */
  asks: SceneChangeKind | null;
}

/** The answer to a symptom: how far off it is, and cures, the cheapest first. */
export interface Diagnosis {
  symptom: Symptom;
  /** how far the thing is to be moved, stops; null where nothing metered says it */
  byStops: number | null;
  found: string;
  cures: Cure[];
}

/** A backdrop is white from here on: white cloth lit correctly. */
const WHITE_STOPS = 7 / 3;
/** A background that is called too dark or too bright without more is moved by this. */
const ONE_NUDGE_STOPS = 0.5;
const SAFE_HEADROOM_STOPS = 1 / 3;

interface Documents {
  setup: Setup;
  kit: Kit;
  scene: MeteredScene;
}

const hands = (title: string, how: string, asks: SceneChangeKind | null = null): Cure => ({
  title,
  how,
  settings: [],
  asks,
});
const count = (stops: number) => `${formatStopCount(stops)} stops`;

/** A change of the look, tried: what it really does to background and face; null when it is out of range or changes nothing. */
function byLook({ setup, kit, scene }: Documents, now: Balance, title: string, settings: Setting[]): Cure | null {
  const changed = withSettings(setup, settings);
  if (!changed.ok) return null;
  const after = balance(changed.value, kit, scene);
  const place = (state: Balance) => state.points.find(({ role }) => role === 'background')?.placedStops ?? null;
  const [from, to] = [place(now), place(after)];
  if (after.camera === null || !after.camera.met || from === null || to === null || Math.abs(to - from) < 0.05)
    return null;
  const solution = after.light?.solution;
  if (solution?.outOfRange || (solution && solution.powerText === null)) return null;
  const { shutter, aperture, iso } = after.camera.text;
  const face = solution
    ? `The face stays at ${formatStops(after.face?.totalStops ?? 0)}: set the flash to ${solution.powerText ?? ''}.`
    : 'The face moves along: no flash holds it.';
  return {
    title,
    how: `${shutter}, ${aperture}, ${iso}; background from ${formatStops(from)} to ${formatStops(to)}. ${face}`,
    settings,
    asks: null,
  };
}

/** The ambient as a whole, brighter or darker, while the flash holds the face. */
function ambientSettings({ look }: Setup, now: Balance, brighterStops: number): Setting[] {
  const { holdBackStops, backgroundStops } = now.look;
  if (look.exposeBy === 'background')
    return [{ path: 'look.backgroundStops', value: look.backgroundStops + brighterStops }];
  if (look.exposeBy === 'face')
    return [
      {
        path: 'look.holdBackStops',
        value: Math.min(
          HOLD_BACK_RANGE.most,
          Math.max(HOLD_BACK_RANGE.least, (holdBackStops ?? look.holdBackStops) - brighterStops),
        ),
      },
    ];
  return [
    { path: 'look.exposeBy', value: 'background' },
    {
      path: 'look.backgroundStops',
      value: Math.min(
        LOOK_RANGES.background.most,
        Math.max(LOOK_RANGES.background.least, (backgroundStops ?? 0) + brighterStops),
      ),
    },
  ];
}

const kept = (cures: (Cure | null)[]): Cure[] => cures.filter((cure): cure is Cure => cure !== null);

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
  const documents = { setup, kit, scene };
  const now = balance(setup, kit, scene);
  const point = (role: string) => now.points.find((one) => one.role === role);
  const background = point('background')?.placedStops ?? null;
  const at =
    background === null ? 'The background is not metered yet.' : `The background stands at ${formatStops(background)}.`;
  switch (symptom) {
    case 'background-dark':
    case 'background-bright': {
      const dark = symptom === 'background-dark';
      const need = byStops ?? ONE_NUDGE_STOPS;
      const settings = ambientSettings(setup, now, dark ? need : -need);
      return {
        symptom,
        byStops: need,
        found: at,
        cures: kept([
          byLook(
            documents,
            now,
            `Let the ambient ${dark ? 'in' : 'down'} by ${count(need)}, the flash holds the face`,
            settings,
          ),
          dark
            ? hands(
                'Light the background alone',
                `A light on it that adds ${count(need)} there moves nothing else. Keep it off the face.`,
              )
            : hands(
                'Keep the key off the background',
                'Feather the key forward, grid it, or move people and key away from the background: at twice the distance it gets 2 stops less of the key.',
              ),
        ]),
      };
    }
    case 'face-flat': {
      const shadow = point('shadow');
      const contrast =
        now.face?.totalStops == null || shadow?.totalStops == null ? null : now.face.totalStops - shadow.totalStops;
      return {
        symptom,
        byStops: byStops ?? (contrast === null ? null : Math.max(0, setup.look.faceContrastStops - contrast)),
        found:
          contrast === null
            ? 'Meter the shadow side to know its contrast.'
            : `The shadow side lies ${count(contrast)} under the face; the look allows ${count(setup.look.faceContrastStops)}.`,
        cures: [
          hands(
            'Walk the key to the side',
            'To 45° from the nose line, at the same distance: shape comes back, and power and background stay. Under 20° every face is flat.',
          ),
          hands(
            'Turn the face towards the key',
            'So that its far side faces the camera. Power stays; meter the shadow side again.',
            'head-turned',
          ),
          hands(
            'Black on the shadow side',
            'The black reflector an arm away takes up to a stop off that side alone. Meter it again.',
            'reflector',
          ),
        ],
      };
    }
    case 'dress-clipped': {
      const white = point('white');
      const clips =
        now.cameraBody === null ? null : clipsAboveAt(now.cameraBody, now.camera?.sv ?? now.cameraBody.baseSv);
      const over =
        white?.placedStops == null || clips === null ? null : white.placedStops - clips + SAFE_HEADROOM_STOPS;
      const need = byStops ?? (over === null ? null : Math.max(0, over));
      const lower = need === null || need <= 0 ? null : byFace(documents, need);
      return {
        symptom,
        byStops: need,
        found:
          white?.placedStops == null
            ? 'Meter the white cloth at its brightest fold to know by how much.'
            : `The white cloth stands at ${formatStops(white.placedStops)}, clipping lies at ${formatStops(clips ?? 0)}${over !== null && over <= 0 ? ': it holds' : ''}.`,
        cures: kept([
          hands(
            'Keep the flash off the dress',
            `Raise the key and feather it up, or flag its lower edge${need === null || need <= 0 ? '' : `: the cloth needs ${count(need)} less`}. The face stays. The cloth nearest to the light burns first.`,
          ),
          lower,
          white?.ambientEv100 == null
            ? null
            : byLook(documents, now, 'Expose for the cloth, the flash lifts the face', [
                { path: 'look.exposeBy', value: 'highlight' },
                { path: 'look.highlightPointId', value: white.pointId },
                { path: 'look.headroomStops', value: SAFE_HEADROOM_STOPS },
              ]),
        ]),
      };
    }
    case 'eyes-dark':
      return {
        symptom,
        byStops: null,
        found: 'Sockets go dark when the key stands high, sooner with deep-set eyes or a hat brim.',
        cures: [
          hands(
            'Lower the key',
            'Until its centre is a hand’s breadth over the eyes, at the same distance: power and background stay.',
          ),
          hands('Chin up towards the key', 'A little is enough. Meter the face again.', 'head-turned'),
          hands(
            'White reflector from below',
            'At the waist, white side up: 1½ to 2 stops under the key opens the sockets. Silver from below looks theatrical.',
            'reflector',
          ),
        ],
      };
    case 'grey-backdrop': {
      const need = byStops ?? (background === null ? null : Math.max(0, WHITE_STOPS - background));
      return {
        symptom,
        byStops: need,
        found: background === null ? at : `${at} White wants ${formatStops(WHITE_STOPS)}.`,
        cures: kept([
          need === null || need <= 0
            ? null
            : hands(
                'Light the backdrop alone',
                `${count(need)} more on it make it white; no more than ⅓ over that, or its light wraps the hair. Nothing else moves.`,
              ),
          need === null || need <= 0
            ? null
            : byLook(documents, now, 'Let the ambient make it white', [
                { path: 'look.exposeBy', value: 'background' },
                { path: 'look.backgroundStops', value: Math.min(LOOK_RANGES.background.most, WHITE_STOPS) },
              ]),
          hands(
            'Bring people and key nearer to it',
            'At half the distance from key to backdrop it gets 2 stops more of the key. Mind the shadow on it.',
            'subject-moved',
          ),
        ]),
      };
    }
  }
}

/** The whole face lower by the final place: everything in its light follows. */
function byFace({ setup, kit, scene }: Documents, need: number): Cure | null {
  const value = setup.look.faceStops - need;
  const changed = withSettings(setup, [{ path: 'look.faceStops', value }]);
  if (!changed.ok) return null;
  const after = balance(changed.value, kit, scene);
  const power = after.light?.solution?.powerText ?? null;
  return power === null
    ? null
    : {
        title: `Place the face ${count(need)} lower`,
        how: `Face, cloth and all of the ambient go down together; set the flash to ${power}, lift the face later.`,
        settings: [{ path: 'look.faceStops', value }],
        asks: null,
      };
}
