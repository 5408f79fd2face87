import {
  AS_IT_STANDS,
  flashAt,
  lampAt,
  lightConfig,
  receiverOf,
  standing,
  type Standing,
  withoutSending,
} from '../gain';
import type { Kit } from '../gear';
import type { Light, MeteringPoint, PlacedLamp, Setup } from '../setup';
import type { SolutionNumbers } from '../solution';

/** What comes by way of a panel, linear against mid grey: of the light that is there, and of each light and lamp. */
export interface ByPanel {
  ambient: number;
  by: Map<string, number>;
}

/**
 * What each layer of a picture gives a point, as the numbers have it. A light is meant with nothing in its way, because the
 * renderer draws what stands there; what a panel sends is the panel's own.
 */
export class LayerLevels {
  private readonly panels: readonly Standing[];

  constructor(
    private readonly setup: Setup,
    private readonly kit: Kit,
    private readonly solution: SolutionNumbers,
  ) {
    this.panels = standing(setup, kit, AS_IT_STANDS);
  }

  /** A light at a point with nothing in its way, stops against mid grey; null where it gives nothing there. */
  lightAt(light: Light, point: MeteringPoint): number | null {
    const solved = this.solution.points.find(({ pointId }) => pointId === point.id);
    const stops = solved?.sources.find(({ lightId }) => lightId === light.id)?.stops;
    const its = this.ofLight(light, point);
    if (stops === undefined) return null;
    const [all, open] = its === null ? [null, null] : [its(this.panels), its([])];
    return all === null || open === null ? stops : stops + open - all;
  }

  /** A lamp at the point that it is meant for with nothing in its way, stops against mid grey; null where it is off or not there. */
  lampAt(lamp: PlacedLamp): number | null {
    const solved = this.solution.lamps.find(({ id }) => id === lamp.id);
    const { camera } = this.solution;
    if (!lamp.on || solved === undefined || camera === null) return null;
    const point = this.setup.points.find(({ id }) => id === lamp.pointId);
    const its = point === undefined ? null : this.ofLamp(lamp, point);
    const [all, open] = its === null ? [null, null] : [its(this.panels), its([])];
    return solved.ev100 - camera.ev100 + (all === null || open === null ? 0 : open - all);
  }

  /** What a panel sends to the face. @param face its point  @param ambientStops the ambient there, against mid grey */
  byPanel(panelId: string, face: MeteringPoint, ambientStops: number): ByPanel {
    const muted = withoutSending(this.panels, panelId);
    const { camera, points, lamps, stage } = this.solution;
    const share = stage.ambient.panels.find((one) => one.panelId === panelId)?.share ?? 0;
    const by = new Map<string, number>();
    const put = (id: string, stops: number, its: ((panels: readonly Standing[]) => number | null) | null) => {
      const [all, rest] = its === null ? [null, null] : [its(this.panels), its(muted)];
      if (all !== null) by.set(id, 2 ** stops * (1 - (rest === null ? 0 : 2 ** (rest - all))));
    };
    for (const { lightId, stops } of points.find(({ pointId }) => pointId === face.id)?.sources ?? []) {
      const light = this.setup.lights.find(({ id }) => id === lightId);
      if (light !== undefined) put(lightId, stops, this.ofLight(light, face));
    }
    for (const lamp of this.setup.lamps) {
      const solved = lamps.find(({ id }) => id === lamp.id);
      if (lamp.on && solved !== undefined && camera !== null && lamp.pointId === face.id)
        put(lamp.id, solved.ev100 - camera.ev100, this.ofLamp(lamp, face));
    }
    return { ambient: share * 2 ** ambientStops, by };
  }

  /** A light's level at a point by its stated figures, as it hangs on panels; null where its gear or the place is not known. */
  private ofLight(light: Light, point: MeteringPoint): ((panels: readonly Standing[]) => number | null) | null {
    const config = lightConfig(this.kit, light);
    const receiver = receiverOf(point, this.setup);
    if (config === null || receiver === null) return null;
    return (panels) => flashAt(light, config, 0, receiver, this.setup, panels);
  }

  private ofLamp(lamp: PlacedLamp, point: MeteringPoint): ((panels: readonly Standing[]) => number | null) | null {
    const receiver = receiverOf(point, this.setup);
    return receiver === null ? null : (panels) => lampAt(lamp, this.kit, receiver, this.setup, panels);
  }
}
