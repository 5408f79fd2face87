import { catalogue } from '@/language/language';
import { words } from '@/language/words';
import type { FreshNames } from '@/store/shootActions';

const text = catalogue({
  firstSpot: 'First spot',
  spot: (number: number) => `Spot ${number}`,
  setup: (number: number) => `Setup ${number}`,
});

/** What a fresh spot and setup are called, counted after those that are there. */
export const freshNames = (spots: number, setups: number): FreshNames => ({
  spot: spots === 0 ? text.firstSpot : text.spot(spots + 1),
  setup: text.setup(setups + 1),
  face: words.pointRole('face').name,
  background: words.pointRole('background').name,
});
