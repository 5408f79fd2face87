import type { Balance, PointSolution } from '../balance';
import type { CameraSolution, ExposureTarget } from '../exposure';
import type { LightSolution } from '../lights';

/** What a step of a reason is. Texts are as dials print them. */
export type WhyTerm =
  | {
      kind:
        | 'hold-back'
        | 'final-place'
        | 'feel'
        | 'background-place'
        | 'highlight-headroom'
        | 'dial-rounding'
        | 'level'
        | 'ambient-there'
        | 'flash-adds'
        | 'tone'
        | 'flash-against-final'
        | 'light-beside-others'
        | 'guide-number'
        | 'distance'
        | 'modifier'
        | 'accessories'
        | 'high-speed-sync'
        | 'aside'
        | 'reading'
        | 'learned'
        | 'unit-rounding'
        | 'flash-on-face'
        | 'ambient-on-face';
    }
  | { kind: 'ambient-at'; pointId: string | null }
  | { kind: 'missing'; what: CameraSolution['missing'] }
  | { kind: 'out-of-reach'; direction: 'too-weak' | 'too-strong' }
  | { kind: 'aperture' | 'shutter' | 'iso' | 'filters'; text: string }
  | { kind: 'place-of'; pointId: string };

/** One signed step of a reason, in stops. */
export interface WhyLine {
  term: WhyTerm;
  stops: number;
}

/** Which figure is explained, and as what its sum is read. */
export type WhySubject =
  | { kind: 'level' }
  | { kind: 'shutter' | 'aperture' | 'iso'; text: string }
  | { kind: 'point'; pointId: string; placedStops: number }
  | { kind: 'power'; powerText: string | null }
  | { kind: 'share'; share: number }
  | { kind: 'meter'; meterText: string | null };

/** Why a figure is what it is: lines that add up to it. */
export interface WhyChain {
  subject: WhySubject;
  lines: WhyLine[];
  /** the sum of the lines */
  totalStops: number;
}

/** Chains by the figure that they explain; a point's under `point:` and its id. */
export type WhyChains = Record<string, WhyChain>;

const DUST = 1e-9;
const line = (kind: PlainTerm, stops: number): WhyLine => ({ term: { kind }, stops });
type PlainTerm = Exclude<
  WhyTerm['kind'],
  'ambient-at' | 'missing' | 'out-of-reach' | 'aperture' | 'shutter' | 'iso' | 'filters' | 'place-of'
>;

/** A chain; a line that adds nothing says nothing and is left out. */
function chain(subject: WhySubject, lines: WhyLine[]): WhyChain {
  const kept = lines.filter(({ stops }) => Math.abs(stops) > DUST);
  return { subject, lines: kept, totalStops: kept.reduce((sum, { stops }) => sum + stops, 0) };
}

/** The reasons of all figures of a solution: camera, power, meter, share and where every tone lands. */
export function whyChains(now: Balance): WhyChains {
  const { camera, target } = now;
  if (camera === null || now.gear === null || target === null) return {};
  return {
    level: levelChain(now, camera, target),
    ...cameraChains(camera),
    ...Object.fromEntries(now.points.flatMap((point) => pointChain(point, camera))),
    ...Object.fromEntries(now.lights.flatMap((light) => powerChain(light, camera))),
    ...faceChains(now, camera),
  };
}

/** Why this level becomes mid grey: the point that the exposure is led by, the wish, and the steps of the dials. */
function levelChain({ look, points }: Balance, camera: CameraSolution, target: ExposureTarget): WhyChain {
  const led = points.find(({ role, pointId }) =>
    look.by === 'highlight' ? pointId === look.highlight?.pointId : role === look.by,
  );
  const ledEv = led?.ambientEv100 ?? target.ev100;
  const wish: WhyLine[] =
    look.by === 'face'
      ? [
          line('hold-back', target.ev100 - ledEv + look.finalStops),
          line('final-place', -(look.finalStops - look.feelStops)),
        ]
      : [
          line(
            look.by === 'background' ? 'background-place' : 'highlight-headroom',
            target.ev100 - ledEv + look.feelStops,
          ),
        ];
  const left: WhyTerm = camera.met ? { kind: 'dial-rounding' } : { kind: 'missing', what: camera.missing };
  return chain({ kind: 'level' }, [
    { term: { kind: 'ambient-at', pointId: led?.pointId ?? null }, stops: ledEv },
    ...wish,
    line('feel', -look.feelStops),
    { term: left, stops: camera.ev100 - target.ev100 },
  ]);
}

/** A dial's value as a term, in stops as given. */
const dial = (kind: 'aperture' | 'shutter' | 'iso', { text }: CameraSolution, stops: number): WhyLine => ({
  term: { kind, text: text[kind] },
  stops,
});
const filters = ({ text }: CameraSolution, stops: number): WhyLine => ({
  term: { kind: 'filters', text: text.filters ?? '' },
  stops,
});

function cameraChains(camera: CameraSolution): WhyChains {
  const { av, tv, sv, ndStops, ev100 } = camera;
  return {
    shutter: chain({ kind: 'shutter', text: camera.text.shutter }, [
      line('level', ev100),
      dial('aperture', camera, -av),
      dial('iso', camera, sv),
      filters(camera, -ndStops),
    ]),
    aperture: chain({ kind: 'aperture', text: camera.text.aperture }, [
      line('level', ev100),
      dial('shutter', camera, -tv),
      dial('iso', camera, sv),
      filters(camera, -ndStops),
    ]),
    iso: chain({ kind: 'iso', text: camera.text.iso }, [
      dial('aperture', camera, av),
      dial('shutter', camera, tv),
      filters(camera, ndStops),
      line('level', -ev100),
    ]),
  };
}

/** Why a tone lands where it does. */
function pointChain(point: PointSolution, camera: CameraSolution): [string, WhyChain][] {
  const { pointId, ambientEv100, placedStops, totalStops, ambientStops } = point;
  if (ambientEv100 === null || placedStops === null || totalStops === null || ambientStops === null) return [];
  const lines = [
    line('ambient-there', ambientEv100),
    line('level', -camera.ev100),
    line('flash-adds', totalStops - ambientStops),
    line('tone', placedStops - totalStops),
  ];
  return [[`point:${pointId}`, chain({ kind: 'point', pointId, placedStops }, lines)]];
}

/** Why a light's power is what it is. */
function powerChain(light: LightSolution, camera: CameraSolution): [string, WhyChain][] {
  const { parts, exactPowerStops, powerStops, flashStops } = light;
  if (parts === null || exactPowerStops === null || powerStops === null || flashStops === null) return [];
  const end: WhyTerm =
    light.outOfRange === null
      ? { kind: 'unit-rounding' }
      : { kind: 'out-of-reach', direction: light.outOfRange.direction };
  const lines = [
    dial('aperture', camera, camera.av),
    dial('iso', camera, -camera.sv),
    filters(camera, camera.ndStops),
    line(light.othersStops === null ? 'flash-against-final' : 'light-beside-others', parts.wantedFlashStops),
    line('guide-number', -parts.guideNumberAv),
    line('distance', parts.distanceStops),
    line('modifier', parts.modifierLossStops),
    line('accessories', parts.otherLossStops),
    line('high-speed-sync', light.syncLossStops),
    line('aside', -parts.asideStops),
    line(light.basis === 'reading' ? 'reading' : 'learned', -parts.learnedStops),
    { term: end, stops: powerStops - exactPowerStops },
  ];
  return [[`power:${light.lightId}`, chain({ kind: 'power', powerText: light.powerText }, lines)]];
}

/** Flash share of the face, and what the meter should read there. */
function faceChains({ face, light }: Balance, camera: CameraSolution): WhyChains {
  const solution = light?.solution;
  if (solution?.flashStops == null || face?.ambientStops == null) return {};
  if (face.flashStops === null || face.totalStops === null) return {};
  const { av, ndStops } = camera;
  const { meter, aimPointId } = solution;
  return {
    share: chain({ kind: 'share', share: 1 - 2 ** (face.ambientStops - face.totalStops) }, [
      line('flash-on-face', face.flashStops),
      line('ambient-on-face', -face.ambientStops),
    ]),
    meter: chain({ kind: 'meter', meterText: meter?.totalText ?? null }, [
      dial('aperture', camera, av),
      filters(camera, ndStops),
      { term: { kind: 'place-of', pointId: aimPointId }, stops: (meter?.totalAv ?? 0) - av - ndStops },
    ]),
  };
}
