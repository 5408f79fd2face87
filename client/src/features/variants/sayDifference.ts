import { words } from '@/language/words';

import type { VariantDifference } from '@sphene/core/explain';
import { sunStand } from '@sphene/core/gain';
import type { Kit } from '@sphene/core/gear';
import type { Setup } from '@sphene/core/setup';

/** One thing in which a variant differs, in a line. @param setup the variant as a setup */
export const sayDifference = ({ settings }: VariantDifference, setup: Setup, kit: Kit): string =>
  words.change({ settings }, { setup, kit }, (sun) => sunStand({ sun }));
