import { AS_IT_STANDS, EYES, flashAt, type LightConfig, type Receiver, standing, type Standing } from '../gain';
import type { Kit } from '../gear';
import { direction, FRAME_CORNERS, type FrameView, onPlaneBehind } from '../scene';
import type { Light, Setup } from '../setup';

/** Shoes are lit where they are seen, over the ground, m. */
const SHOES_M = 0.1;

/** How each light falls off down a standing body and across the background, beam and panels included. */
export class Falls {
  private readonly panels: readonly Standing[];

  constructor(
    private readonly setup: Setup,
    kit: Kit,
    private readonly view: FrameView,
  ) {
    this.panels = standing(setup, kit, AS_IT_STANDS);
  }

  private at(light: Light, config: LightConfig, receiver: Receiver): number | null {
    return flashAt(light, config, 0, receiver, this.setup, this.panels);
  }

  /** At the feet against the face, stops; null where the light does not reach one of them. */
  feetStops(light: Light, config: LightConfig): number | null {
    const { eyesM, turnDeg } = this.setup.stage.subject;
    const facing = { faces: direction(turnDeg), answers: 'dome' } as const;
    const [face, feet] = [EYES, { x: 0, y: SHOES_M - eyesM, z: 0 }].map((at) =>
      this.at(light, config, { ...facing, at }),
    );
    return face == null || feet == null ? null : feet - face;
  }

  /** Brightest over darkest of the background's middle and corners in the frame, stops; null where it does not reach all. */
  cornersStops(light: Light, config: LightConfig): number | null {
    const { backgroundM } = this.setup;
    if (backgroundM === null) return null;
    const levels = [[0, 0] as const, ...FRAME_CORNERS].map((corner) => {
      const at = onPlaneBehind(this.view, backgroundM, corner);
      return this.at(light, config, { at, faces: direction(0), answers: 'card' });
    });
    const reached = levels.filter((level) => level !== null);
    return reached.length < levels.length ? null : Math.max(...reached) - Math.min(...reached);
  }
}
