import type { Balance } from '../balance';
import type { CameraGear, CameraSolution } from '../exposure';
import type { Kit } from '../gear';
import { INCREMENT_STOPS, roundToStep } from '../photometry';
import {
  heightAt,
  HOLD_BACK_RANGE,
  type Light,
  lightPath,
  LOOK_RANGES,
  type Setting,
  type SettingPath,
  type Setup,
} from '../setup';
import type { Way } from './wayOut';

/** Something that may help: tried on the setup before it is listed. */
export interface Candidate {
  id: string;
  way: Way;
  settings: Setting[];
}

/** The dials of a gear with the settings now, as far as candidates need them. */
export interface Place {
  setup: Setup;
  kit: Kit;
  now: Balance;
  camera: CameraSolution;
  gear: CameraGear;
  step: number;
  needStops: number;
}

const PIN_PATHS = [
  ['av', 'camera.pins.av'],
  ['tv', 'camera.pins.tv'],
  ['sv', 'camera.pins.sv'],
] as const satisfies readonly (readonly [string, SettingPath])[];
const DIAL_OF = { av: 'aperture', tv: 'shutter', sv: 'iso' } as const;

/** The lens's ends, else the body's. */
export const aperturesOf = ({ gear: { lens, body } }: Place) => ({
  widest: lens?.widestAv ?? body.widestAv,
  smallest: lens?.smallestAv ?? body.smallestAv,
});

/** A typed aperture takes the place of a pin and of the people's depth. */
export const apertureSettings = ({ setup }: Place, av: number): Setting[] => [
  { path: 'camera.wantedAv', value: av },
  ...(setup.camera.depth === null ? [] : [{ path: 'camera.depth' as const, value: null }]),
  ...(setup.camera.pins.av === null ? [] : [{ path: 'camera.pins.av' as const, value: null }]),
];

/** Letting go of what is pinned, dial by dial. */
export const unpinCandidates = ({ setup, camera }: Place): Candidate[] =>
  PIN_PATHS.flatMap(([dial, path]): Candidate[] =>
    setup.camera.pins[dial] === null
      ? []
      : [
          {
            id: `unpin-${dial}`,
            way: {
              kind: 'unpin',
              dial: DIAL_OF[dial],
              pinnedText: dial === 'av' ? camera.text.aperture : dial === 'tv' ? camera.text.shutter : camera.text.iso,
            },
            settings: [{ path, value: null }],
          },
        ],
  );

/** Another look: darker or brighter ambient by so many stops, by what the exposure is set by. */
export function lookCandidate({ setup: { look } }: Place, byStops: number): Candidate[] {
  const darker = byStops > 0;
  const within = (value: number, { least, most }: { least: number; most: number }) =>
    Math.min(most, Math.max(least, roundToStep(value, 0.1)));
  const id = darker ? 'more-hold-back' : 'less-hold-back';
  if (look.exposeBy === 'face') {
    const value = within(look.holdBackStops + byStops, HOLD_BACK_RANGE);
    return [
      {
        id,
        way: { kind: 'hold-back', stops: value, darker },
        settings: [{ path: 'look.holdBackStops', value }],
      },
    ];
  }
  if (look.exposeBy === 'background') {
    const value = within(look.backgroundStops - byStops, LOOK_RANGES.background);
    return [
      {
        id,
        way: { kind: 'place-background', stops: value, byStops: -byStops },
        settings: [{ path: 'look.backgroundStops', value }],
      },
    ];
  }
  const value = within(look.headroomStops + byStops, LOOK_RANGES.headroom);
  return [
    {
      id,
      way: { kind: 'leave-headroom', stops: value, byStops: -byStops },
      settings: [{ path: 'look.headroomStops', value }],
    },
  ];
}

/** The place in which candidates are thought of; null before there are camera settings. */
export const placeOf = (setup: Setup, kit: Kit, now: Balance, needStops: number): Place | null =>
  now.camera === null || now.gear === null
    ? null
    : {
        setup,
        kit,
        now,
        camera: now.camera,
        gear: now.gear,
        step: INCREMENT_STOPS[now.gear.body.increment],
        needStops,
      };

/** A light nearer or farther: it keeps its elevation, as far as stands reach. */
export const movedTo = (light: Light, index: number, distanceM: number): Setting[] => [
  { path: lightPath(index, 'distanceM'), value: distanceM },
  { path: lightPath(index, 'heightM'), value: heightAt(light, distanceM) },
];

/** More things than these are not stacked in every way. */
const MOST_STACKED = 8;

/** Of what takes light away: the stack that takes least and still enough, else the one that takes most. @param most pieces */
export function lightestStack<T extends { lossStops: number }>(
  things: readonly T[],
  most: number,
  needStops: number,
): readonly T[] {
  const some = things.slice(0, MOST_STACKED);
  const sum = (stack: readonly T[]) => stack.reduce((total, { lossStops }) => total + lossStops, 0);
  const stacks = Array.from({ length: 2 ** some.length - 1 }, (_, index) =>
    some.filter((_thing, bit) => ((index + 1) >> bit) & 1),
  ).filter(({ length }) => length <= most);
  const enough = stacks.filter((stack) => sum(stack) > needStops + 1e-6);
  const best = (list: readonly (readonly T[])[], better: (a: number, b: number) => boolean) =>
    list.reduce<readonly T[] | undefined>(
      (found, stack) => (found === undefined || better(sum(stack), sum(found)) ? stack : found),
      undefined,
    );
  return best(enough, (a, b) => a < b) ?? best(stacks, (a, b) => a > b) ?? [];
}
