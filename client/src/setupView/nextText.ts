import { words } from '@/language/language';
import { selectSetup } from '@/store/selectors';
import type { RootState } from '@/store/store';
import { selectAdvice, selectKit } from './selectSolution';

/** What is to be done next at a setup, in a line for a list. */
export function nextText(state: RootState, setupId: string): string | undefined {
  const setup = selectSetup(state, setupId);
  const advice = selectAdvice(state, setupId);
  if (setup === undefined || advice === undefined) return undefined;
  return words.nextAction(advice.nextAction, { setup, kit: selectKit(state) }).text;
}
