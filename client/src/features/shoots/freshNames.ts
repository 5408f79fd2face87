import { catalogue } from '@/language/language';
import type { FreshNames } from '@/store/shootActions';

const text = catalogue({
  firstSpot: 'First spot',
  spot: (number: number) => `Spot ${number}`,
  setup: (number: number) => `Setup ${number}`,
  // said here too: the first page does not wait for all sentences because of two names
  face: 'Face',
  background: 'Background',
});

/** What a fresh spot and setup are called, counted after those that are there. */
export const freshNames = (spots: number, setups: number): FreshNames => ({
  spot: spots === 0 ? text.firstSpot : text.spot(spots + 1),
  setup: text.setup(setups + 1),
  face: text.face,
  background: text.background,
});
