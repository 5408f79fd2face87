import {
  AS_IT_STANDS,
  flashAt,
  lampAt,
  lightConfig,
  receivedFrom,
  type Receiver,
  receiverOf,
  standing,
  type Standing,
  withoutSending,
} from '../gain';
import type { Kit } from '../gear';
import { direction } from '../scene';
import type { Light, MeteringPoint, PlacedLamp, Setup } from '../setup';
import type { SolutionNumbers } from '../solution';

/** What comes by way of a panel, linear against mid grey: of the light that is there, and of each light and lamp. */
export interface ByPanel {
  ambient: number;
  by: Map<string, number>;
}

/** The level of a light or lamp at a receiver among panels, stops; null for nothing. */
type LevelAt = (receiver: Receiver, panels: readonly Standing[]) => number | null;

/** A card gets of a panel at least this share of what a dome does, or grazing light leads it astray. */
const LEAST_ON_CARD = 0.05;

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
    return stops === undefined ? null : stops + this.openedAt(point, this.ofLight(light));
  }

  /** A lamp at the point that it is meant for with nothing in its way, stops against mid grey; null where it is off or not there. */
  lampAt(lamp: PlacedLamp): number | null {
    const solved = this.solution.lamps.find(({ id }) => id === lamp.id);
    const { camera } = this.solution;
    if (!lamp.on || solved === undefined || camera === null) return null;
    const point = this.setup.points.find(({ id }) => id === lamp.pointId);
    const opened = point === undefined ? 0 : this.openedAt(point, this.ofLamp(lamp));
    return solved.ev100 - camera.ev100 + opened;
  }

  /**
   * What a panel sends to the face, as a dome there reads it. A picture draws a panel evenly bright, and near foil is not: what
   * it throws is levelled on a card that the camera sees, where one gets anything of the panel.
   * @param face its point  @param ambientStops the ambient there, against mid grey
   */
  byPanel(panelId: string, face: MeteringPoint, ambientStops: number): ByPanel {
    const muted = withoutSending(this.panels, panelId);
    const { camera, points, lamps, stage } = this.solution;
    const share = stage.ambient.panels.find((one) => one.panelId === panelId)?.share ?? 0;
    const by = new Map<string, number>();
    const dome = receiverOf(face, this.setup);
    const levelled = this.levelledOn(panelId, dome);
    const put = (id: string, stops: number, its: LevelAt | null) => {
      const all = its === null || dome === null ? null : its(dome, this.panels);
      if (its === null || all === null || levelled === null) return;
      const linear = (panels: readonly Standing[]) => {
        const level = its(levelled.receiver, panels);
        return level === null ? 0 : 2 ** (stops + level - all);
      };
      by.set(id, Math.max(0, linear(this.panels) - linear(muted)) * levelled.onDome);
    };
    for (const { lightId, stops } of points.find(({ pointId }) => pointId === face.id)?.sources ?? []) {
      const light = this.setup.lights.find(({ id }) => id === lightId);
      if (light !== undefined) put(lightId, stops, this.ofLight(light));
    }
    for (const lamp of this.setup.lamps) {
      const solved = lamps.find(({ id }) => id === lamp.id);
      if (lamp.on && solved !== undefined && camera !== null && lamp.pointId === face.id)
        put(lamp.id, solved.ev100 - camera.ev100, this.ofLamp(lamp));
    }
    return { ambient: share * 2 ** ambientStops, by };
  }

  /** What a panel's light is levelled on, and what a dome reads of an evenly bright panel for what that gets. */
  private levelledOn(panelId: string, dome: Receiver | null): { receiver: Receiver; onDome: number } | null {
    const standing = this.panels.find(({ panel }) => panel.id === panelId);
    if (dome === null || standing === undefined) return null;
    const card: Receiver = { at: dome.at, faces: direction(0), answers: 'card' };
    const [onCard, onDome] = [receivedFrom(standing.flat, card), receivedFrom(standing.flat, dome)];
    const isSeen = standing.panel.kind === 'reflector' && onCard > LEAST_ON_CARD * onDome;
    return isSeen ? { receiver: card, onDome: onDome / onCard } : { receiver: dome, onDome: 1 };
  }

  /** A light's level at a receiver by its stated figures, as it hangs on panels; null where its gear is not known. */
  private ofLight(light: Light): LevelAt | null {
    const config = lightConfig(this.kit, light);
    if (config === null) return null;
    return (receiver, panels) => flashAt(light, config, 0, receiver, this.setup, panels);
  }

  private readonly ofLamp =
    (lamp: PlacedLamp): LevelAt =>
    (receiver, panels) =>
      lampAt(lamp, this.kit, receiver, this.setup, panels);

  /** What nothing in its way adds to a level at a point, stops. */
  private openedAt(point: MeteringPoint, its: LevelAt | null): number {
    const receiver = receiverOf(point, this.setup);
    if (its === null || receiver === null) return 0;
    const [all, open] = [its(receiver, this.panels), its(receiver, [])];
    return all === null || open === null ? 0 : open - all;
  }
}
