import { createContext, type RefObject, useContext } from 'react';

import type { Camera, Kit, Lens } from '@sphene/core/gear';
import type { Setting, SettingPath, Setup } from '@sphene/core/setup';
import type { SolutionAdvice, SolutionNumbers } from '@sphene/core/solution';
import type { WordsContext } from '@sphene/core/words';

/** What every part of a setup's screen reads: the documents and the one answer made of them, in its two breaths. */
export interface SetupView {
  setup: Setup;
  kit: Kit;
  /** the numbers: they follow a thumb */
  solution: SolutionNumbers;
  /** what is worked out when hands rest; while something is under the thumb it stays as it was */
  advice: SolutionAdvice;
  /** what sentences about this setup are made from */
  context: WordsContext;
  cameraBody: Camera | undefined;
  lens: Lens | undefined;
  /** changes settings and logs them */
  change: (...settings: Setting[]) => void;
  /** the point that is metered next; chosen by hand, else the first that has no reading */
  activePointId: string;
  activatePoint: (id: string | null) => void;
  /** where the readings of the active point stand on screen */
  readingsPlace: RefObject<HTMLElement | null>;
  changeOne: <P extends SettingPath>(path: P, value: Setting['value']) => void;
}

export const SetupContext = createContext<SetupView | null>(null);

/** The setup on screen. */
export function useSetupView(): SetupView {
  const view = useContext(SetupContext);
  if (view === null) throw new Error('useSetupView wants a setup on screen');
  return view;
}
