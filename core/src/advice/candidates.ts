import type { Candidate, Place } from './candidate';
import { tooBright, tooDark } from './brightAndDark';
import { noFlash, power } from './powerCandidates';
import type { Trouble } from './trouble';

/** What may help against a trouble, in the usual order of preference. */
export function candidatesFor(trouble: Trouble, place: Place): Candidate[] {
  switch (trouble.kind) {
    case 'too-bright':
      return tooBright(place);
    case 'too-dark':
      return tooDark(place);
    case 'no-flash':
      return noFlash(place);
    default:
      return power(place, trouble.kind === 'too-weak');
  }
}
