import type { Kit } from '../gear';
import type { MeteredScene } from '../metering';
import type { Setup } from '../setup';

/** What advice is tried on. */
export interface Documents {
  setup: Setup;
  kit: Kit;
  scene: MeteredScene;
}
