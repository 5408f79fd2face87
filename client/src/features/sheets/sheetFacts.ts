import { selectAround, selectKit, selectNumbers } from '@/setupView/selectSolution';
import { selectDocument } from '@/store/selectors';
import type { RootState } from '@/store/store';

import type { SheetFacts } from '@sphene/core/sheets';

/** A solved setup with what stands round it; null while it or its place is not there. */
export function sheetFactsOf(state: RootState, setupId: string): SheetFacts | null {
  if (!state.documents.factsReady) return null;
  const setup = selectDocument(state, 'setup', setupId);
  const spot = setup && selectDocument(state, 'spot', setup.spotId);
  const shoot = setup && selectDocument(state, 'shoot', setup.shootId);
  const numbers = selectNumbers(state, setupId);
  if (setup === undefined || spot === undefined || shoot === undefined || numbers === undefined) return null;
  return {
    shoot,
    spot,
    setup,
    numbers,
    kit: selectKit(state, setupId),
    around: selectAround(state, setupId),
    atMs: state.device.clockMs,
  };
}
