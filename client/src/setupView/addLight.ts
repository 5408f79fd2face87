import { words } from '@/language/words';
import type { ActionFault, Actions } from '@/store/actions';
import { newId } from '@/store/ids';
import { selectDocument, selectFacts } from '@/store/selectors';
import type { Store } from '@/store/store';

import { lightToAdd } from '@sphene/core/advice';
import { failure, type Outcome } from '@sphene/core/photometry';
import { LIGHT_ROLE_FACTS, type LightRole } from '@sphene/core/setup';
import { selectKit } from './selectSolution';

/** Adds a light of a role where such a light usually stands; reads the setup as it is now, so that quick taps add one after the other. */
export function addLight(store: Store, actions: Actions, setupId: string, role: LightRole): Outcome<null, ActionFault> {
  const state = store.getState();
  const setup = selectDocument(state, 'setup', setupId);
  if (setup === undefined) return failure({ kind: 'setup-gone' });
  const clock = new Date(state.device.clockMs);
  const settings = lightToAdd(setup, selectKit(state, setupId), selectFacts(state, setupId), clock, role, {
    lightId: newId(),
    pointId: newId(),
    pointName: words.pointRole(LIGHT_ROLE_FACTS[role].aims).name,
  });
  return settings === null ? failure({ kind: 'no-flash-in-kit' }) : actions.changeSettings(setupId, settings);
}
