import { createContext, type RefObject, useContext } from 'react';

import type { Camera, Kit, Lens } from '@sphene/core/gear';
import type { Setting, SettingPath, Setup } from '@sphene/core/setup';
import type { Solution } from '@sphene/core/solution';

/** What every part of a setup's screen reads: the documents and the one solution made of them. */
export interface SetupView {
  setup: Setup;
  kit: Kit;
  solution: Solution;
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
