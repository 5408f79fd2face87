import { formatDistance, formatStopCount, formatStops } from '../notation';
import type {
  ContrastWay,
  PanelAtPoint,
  PanelOnEyes,
  PanelPartOf,
  PanelSolution,
  PlacedReflector,
  ReflectorPlace,
} from '../panels';
import { PANEL_FACTS, type Panel } from '../setup';
import { unitOf, type WordsContext } from '../words';
import { sentence, stopsOf } from './count';
import { lampNamed, lightInText, panelName } from './gear';
import { dimText } from './stage';

const WORTH_SAYING_STOPS = 0.05;
const effect = (stops: number): string =>
  Math.abs(stops) < WORTH_SAYING_STOPS ? 'nothing' : `${stopsOf(stops)} ${stops < 0 ? 'darker' : 'brighter'}`;

/** What one flat thing does to the light on the face. */
export function panel(one: PanelSolution): string {
  const { widthM, tallM, round } = one.size;
  const size = round ? `${Math.round(widthM * 100)} cm` : `${widthM.toFixed(1)} × ${tallM.toFixed(1)} m`;
  const what = PANEL_FACTS[one.kind].opening
    ? `face ${effect(one.faceStops)} than the room alone`
    : `dark side ${effect(one.shadowStops)}, face ${effect(one.faceStops)}`;
  const contrast =
    one.contrastBeforeStops === null || one.contrastAfterStops === null
      ? 'Meter face and shadow side: then the contrast stands here.'
      : `Contrast from ${formatStopCount(one.contrastBeforeStops)} to ${stopsOf(one.contrastAfterStops)}` +
        (one.contrastWithFlashStops === null ? '.' : `, with flash ${formatStopCount(one.contrastWithFlashStops)}.`);
  const sure = `± ${formatStopCount(one.sdStops)}${one.assumed ? ', assumed: no reading has told it yet' : ''}`;
  return `${panelName(one)}, ${size}: ${what}, ${sure}. ${contrast}`;
}

/** A tint that is told, mired. */
const WORTH_SAYING_MIRED = 1;

function partName(of: PanelPartOf, context: WordsContext): string {
  if (of.kind === 'ambient') return 'ambient';
  if (of.kind === 'lamp') return lampNamed(of.lampId, context);
  const light = context.setup.lights.find(({ id }) => id === of.lightId);
  return light === undefined ? 'a light' : lightInText(light);
}

/** What a panel throws back or takes, source by source: a line a side; none where it is the ambient alone, untinted. */
export function panelParts({ face, shadow }: Pick<PanelSolution, 'face' | 'shadow'>, context: WordsContext): string[] {
  const line = (side: string, at: PanelAtPoint | null): string[] => {
    if (at === null) return [];
    const byOthers = at.parts.some(({ of }) => of.kind !== 'ambient');
    const isTinted = at.tintMired >= WORTH_SAYING_MIRED;
    if (!byOthers && !isTinted) return [];
    const parts = at.parts.map(({ of, stops }) => `${partName(of, context)} ${formatStops(stops)}`);
    const together = at.parts.length > 1 ? [`together ${formatStops(at.togetherStops)}`] : [];
    const tint = isTinted ? [`${at.tintMired.toFixed(0)} mired warmer`] : [];
    return [`${side}: ${[...parts, ...together, ...tint].join(', ')}.`];
  };
  return [...line('Dark side', shadow), ...line('Face', face)];
}

/** How a panel shows in the eyes, and what light from below looks like. */
export function panelOnEyes({ catchLightHour, fromBelow }: PanelOnEyes, surface: Panel['surface'] | null): string {
  const catchLight =
    catchLightHour === null ? 'It does not show in the eyes.' : `It shows in the eyes at ${catchLightHour} o’clock.`;
  if (!fromBelow) return catchLight;
  const metal = surface === 'silver' || surface === 'gold' || surface === 'striped';
  return `${catchLight} Light from below${metal ? ': white looks natural from there, metal theatrical' : ''}.`;
}

const REFLECTOR_PLACES: Record<ReflectorPlace, { title: string; because: string }> = {
  'low-front': { title: 'Low in front', because: 'Opens sockets and chin; the shape of the face stays.' },
  'low-opposite': { title: 'Low opposite to the light', because: 'Opens the dark side.' },
  'high-light-side': {
    title: 'High on the light’s own side',
    because: 'Imitates a lamp: more light, the shape stays.',
  },
};

export const reflectorPlaceName = (place: ReflectorPlace): string => REFLECTOR_PLACES[place].title;

/** A starting place of a reflector: what it does from there. */
export function reflectorPlace(
  { place, stand, faceStops, shadowStops, contrastStops, ...onEyes }: PlacedReflector,
  surface: Panel['surface'],
  context: WordsContext,
): { title: string; lines: string[] } {
  const { title, because } = REFLECTOR_PLACES[place];
  const lift =
    faceStops === null || shadowStops === null ? [] : [`Dark side ${effect(shadowStops)}, face ${effect(faceStops)}`];
  const contrast = contrastStops === null ? [] : [`contrast ${stopsOf(contrastStops)}`];
  const does = [...lift, ...contrast].join(', ');
  return {
    title: `${title}, ${formatDistance(stand.distanceM, unitOf(context))}`,
    lines: [because, ...(does === '' ? [] : [`${sentence(does)}.`]), panelOnEyes(onEyes, surface)],
  };
}

/** A way to the contrast that is wished. */
export function contrastWay(
  { way, contrastStops, met }: ContrastWay,
  context: WordsContext,
): { title: string; line: string } {
  const after = `Then ${stopsOf(contrastStops)} between the sides of the face${met ? '' : ': nearer, not there'}. Meter again.`;
  return { title: contrastTitle(way, context), line: after };
}

function contrastTitle(way: ContrastWay['way'], context: WordsContext): string {
  switch (way.kind) {
    case 'turn':
      return `Turn the face ${Math.abs(way.byDeg)}° to the camera’s ${way.byDeg < 0 ? 'left' : 'right'}`;
    case 'step': {
      const opening = context.setup.panels.find(({ id }) => id === way.panelId);
      const name = opening === undefined ? 'opening' : panelName(opening).toLowerCase();
      return `Stand ${formatDistance(way.distanceM, unitOf(context))} from the ${name}`;
    }
    case 'reflector': {
      const own = context.kit.reflectors.find(({ id }) => id === way.reflectorId);
      return own === undefined ? `A ${way.surface} reflector` : `${own.name}, ${way.surface}`;
    }
    case 'diffuser':
      return 'A diffuser between sun and face';
    case 'black':
      return 'Black on the shadow side';
    case 'lamp': {
      const name = context.kit.lamps.find(({ id }) => id === way.lampId)?.name ?? 'A lamp';
      return `${name} on the shadow side, ${dimText(way.dimStops)}`;
    }
  }
}
