import { trueSolution } from '@sphene/core/devices';
import type { Kit } from '@sphene/core/gear';
import type { ExposureSettings } from '@sphene/core/photometry';
import { type PictureOf, pictureOf, weightsOf } from '@sphene/core/picture';
import {
  bakeSculpture,
  Composer,
  frameScene,
  type Framing,
  modelOf,
  renderSoft,
  renderSource,
  type Sculpture,
} from '@sphene/core/renderer';
import type { Reading, Setup } from '@sphene/core/setup';
import { solve } from '@sphene/core/solution';
import type { Pop } from './simulatedRadio';

/** Who and what stands before the camera, as the application says. */
export interface Staged {
  setup: Setup;
  kit: Kit;
  readings: Reading[];
}

/** Pixels of a picture, RGBA. */
export interface Photograph {
  data: Uint8Array;
  width: number;
  height: number;
}

const SEED = 7;
/** A test frame is looked at small: coarser than the picture in the application, and ready while one waits. */
const [CELL_CM, SIZE] = [0.5, 1 / 2];
/** Lets the device answer who asks whether it is still there. */
const breathe = () =>
  new Promise<void>((resolve) => {
    setImmediate(resolve);
  });
async function finished<T>(steps: Generator<void, T>): Promise<T> {
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
    await breathe();
  }
}

/**
 * Photographs a stage with the renderer of the application, in the light that is truly there. What was rendered
 * is kept for the next picture.
 */
export class Photographer {
  private sculpture: { key: string; model: Sculpture } | null = null;
  private framing: { key: string; framing: Framing; composer: Composer } | null = null;
  private readonly layers = new Map<string, Float32Array>();

  /** @returns null while the application has no settings for this setup: then nothing is known to light it by */
  async photograph(
    { setup, kit, readings }: Staged,
    settings: ExposureSettings,
    flashAv: Pop,
  ): Promise<Photograph | null> {
    const foretold = solve(setup, kit, readings, new Date(Math.max(0, ...readings.map(({ at }) => Date.parse(at)))));
    const solution = trueSolution(foretold, settings, flashAv);
    if (solution === null) return null;
    const picture = pictureOf(setup, kit, solution);
    const { framing, composer } = await this.frame(picture);
    const layers: Float32Array[] = [];
    for (const { key, source } of picture.layers) {
      await breathe();
      const known =
        this.layers.get(key) ??
        (source === null ? renderSoft(framing, 'draft') : await finished(renderSource(framing, source, 'draft', SEED)));
      this.layers.set(key, known);
      layers.push(known);
    }
    const weights = weightsOf(setup, kit, solution, picture);
    if (weights === null) return null;
    const { clipsAboveStops, noiseBelowStops } = solution.latitude ?? { clipsAboveStops: 3, noiseBelowStops: -5 };
    const { rgba, width, height } = composer.compose(layers, weights, {
      clipsAboveStops,
      noiseBelowStops: Math.abs(noiseBelowStops),
      marks: false,
    });
    return { data: new Uint8Array(rgba), width, height };
  }

  private async frame({
    scene,
    lensTilt,
    lookKey,
    sceneKey,
    ...picture
  }: PictureOf): Promise<{ framing: Framing; composer: Composer }> {
    const [width, height] = [Math.round(picture.width * SIZE), Math.round(picture.height * SIZE)];
    if (this.sculpture?.key !== lookKey) this.sculpture = { key: lookKey, model: bakeSculpture(scene.look, CELL_CM) };
    if (this.framing?.key === sceneKey) return this.framing;
    this.layers.clear();
    await breathe();
    const framing = frameScene(
      scene,
      modelOf(this.sculpture.model, scene),
      width,
      height,
      { from: 0, to: height },
      lensTilt,
    );
    const composer = new Composer(width, height);
    composer.setFraming(framing.view.material, [framing.edges]);
    this.framing = { key: sceneKey, framing, composer };
    return this.framing;
  }
}
