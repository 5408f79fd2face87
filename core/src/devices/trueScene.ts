import { addLight, discResponse, domeResponse, ev100, ev100FromLux, type ExposureSettings } from '../photometry';
import { type PointRole, ROLE_FACTS } from '../setup';
import type { Solution } from '../solution';

/** One source as it reaches a place: where it comes from, and what it gives square on. */
export interface TrueSource {
  name: string;
  /** from the line to the camera, degrees */
  angleDeg: number;
  lux: number;
}

/** The light at one place of a simulated scene. */
export interface TrueLight {
  sources: readonly TrueSource[];
  /** light from all round, such as open sky and snow: every head sees it whole */
  fillLux: number;
}

/** How the head of a meter is held: dome to the camera, dome to the strongest source, or flat disc to it. */
export type MeterHead = 'camera' | 'light' | 'disc';

/**
 * The couple on the terrace at Orlabach, low sun behind them over the ridge, snow on the ground: what the stand-ins
 * meter and photograph. Invented, with the levels of a clear February afternoon.
 */
export const TERRACE_LIGHT: Record<PointRole, TrueLight> = {
  face: {
    sources: [
      { name: 'sun-behind', angleDeg: 165, lux: 18_000 },
      { name: 'snow-in-front', angleDeg: 40, lux: 2_600 },
    ],
    fillLux: 3_000,
  },
  shadow: { sources: [{ name: 'snow-in-front', angleDeg: 95, lux: 1_400 }], fillLux: 2_000 },
  background: { sources: [{ name: 'sun', angleDeg: 70, lux: 22_000 }], fillLux: 7_000 },
  sky: { sources: [], fillLux: 42_000 },
  highlight: { sources: [{ name: 'sun-behind', angleDeg: 150, lux: 30_000 }], fillLux: 3_000 },
  white: { sources: [{ name: 'snow-in-front', angleDeg: 30, lux: 2_800 }], fillLux: 3_300 },
  dark: { sources: [{ name: 'snow-in-front', angleDeg: 50, lux: 2_200 }], fillLux: 2_800 },
  grey: { sources: [{ name: 'snow-in-front', angleDeg: 40, lux: 2_600 }], fillLux: 3_000 },
  own: { sources: [], fillLux: 5_000 },
};

/** The true EV100 that a faultless meter would show with its head held so. */
export function trueEv100({ sources, fillLux }: TrueLight, head: MeterHead): number {
  const strongest = sources.reduce<TrueSource | undefined>(
    (best, source) => (best === undefined || source.lux > best.lux ? source : best),
    undefined,
  );
  const axisDeg = head === 'camera' || strongest === undefined ? 0 : strongest.angleDeg;
  const response = head === 'disc' ? discResponse : domeResponse;
  const luxSeen = sources.reduce((sum, source) => sum + source.lux * response(source.angleDeg - axisDeg), fillLux);
  return ev100FromLux(luxSeen, head === 'disc' ? 'disc' : 'dome');
}

/** Where the tone at a place lands in a picture taken at these settings, stops from mid grey, by the light that is there. */
export const truePlacementStops = (role: PointRole, cameraEv100: number): number =>
  // a rim throws the light from behind at the camera, so it shows what falls on it square
  trueEv100(TERRACE_LIGHT[role], role === 'highlight' ? 'light' : 'camera') + ROLE_FACTS[role].toneStops - cameraEv100;

/**
 * A solution with the light that is truly there in place of what was metered and foretold: what a camera records, whatever
 * the application believes.
 * @param flashAv light of the flash that fires, as aperture values at ISO 100, by kind of point; kinds that are missing get none
 * @returns null before the application has camera settings
 */
export function trueSolution(
  solution: Solution,
  settings: ExposureSettings,
  flashAv: Partial<Record<PointRole, number>>,
): Solution | null {
  const { camera } = solution;
  if (camera === null) return null;
  const cameraEv100 = ev100(settings);
  return {
    ...solution,
    camera: { ...camera, ...settings, ev100: cameraEv100 },
    points: solution.points.map((point) => {
      const placed = truePlacementStops(point.role, cameraEv100);
      const flash = flashAv[point.role];
      const [first] = solution.stage.lights;
      // where none was foretold it comes from the first light that stands there
      const known =
        point.sources.length > 0 || first === undefined
          ? point.sources
          : [{ lightId: first.lightId, stops: 0, share: 0, basis: 'geometry' as const }];
      const foretold = known.length === 0 ? 0 : addLight(...known.map(({ stops }) => stops));
      // which light gives how much is as foretold; all of it together is as it truly is
      const sources =
        flash === undefined
          ? []
          : known.map((source) => ({ ...source, stops: source.stops + flash + settings.sv - settings.av - foretold }));
      return { ...point, ambientStops: placed - ROLE_FACTS[point.role].toneStops, placedAmbientStops: placed, sources };
    }),
  };
}
