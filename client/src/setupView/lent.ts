import { words } from '@/language/words';
import { selectSetup } from '@/store/selectors';
import { readSetupFile, type SetupFile } from '@sphene/core/formats';
import { failure, type Outcome } from '@sphene/core/photometry';
import type { RootState } from '@/store/store';

import { selectAdvice, selectKit } from './selectSolution';

/** What is to be done next at a setup, in a line for a list. */
export function nextText(state: RootState, setupId: string): string | undefined {
  const setup = selectSetup(state, setupId);
  const advice = selectAdvice(state, setupId);
  if (setup === undefined || advice === undefined) return undefined;
  return words.nextAction(advice.nextAction, { setup, kit: selectKit(state) }).text;
}

/** A setup file read, for a screen that has no words of its own for what may be wrong with it. */
export function readSetup(text: string): Outcome<SetupFile, string> {
  const read = readSetupFile(text);
  return read.ok ? read : failure(words.setupFileFault(read.reason));
}
