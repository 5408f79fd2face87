import { type Context, createContext, type ReactNode, type RefObject, useContext } from 'react';

import type { Camera, Kit, Lens } from '@sphene/core/gear';
import type { Setting, SettingPath, Setup } from '@sphene/core/setup';
import type { SolutionAdvice, SolutionNumbers } from '@sphene/core/solution';
import type { WordsContext } from '@sphene/core/words';

/** The setup as it stands. */
export interface OpenSetup {
  setup: Setup;
  /** what sentences about this setup are made from */
  context: WordsContext;
  cameraBody: Camera | undefined;
  lens: Lens | undefined;
}

/** What changes the setup; the same while the setup is open. */
export interface Hands {
  /** changes settings and logs them */
  change: (...settings: Setting[]) => void;
  changeOne: <P extends SettingPath>(path: P, value: Setting['value']) => void;
  /** shows settings while a control is being moved, as fast as the page can draw them; null: it was let go without a change */
  draft: (settings: Setting[] | null) => void;
  activatePoint: (id: string | null) => void;
  /** where the readings of the active point stand on screen */
  readingsPlace: RefObject<HTMLElement | null>;
}

/** What every part of a setup's screen reads: the documents and the one answer made of them, in its two breaths. */
export interface SetupView {
  open: OpenSetup;
  kit: Kit;
  /** the numbers: they follow a thumb */
  numbers: SolutionNumbers;
  /** what is worked out when hands rest; while something is under the thumb it stays as it was */
  advice: SolutionAdvice;
  hands: Hands;
  /** the point that is metered next; chosen by hand, else the first that has no reading */
  activePointId: string;
  /** whether something is under the thumb */
  dragged: boolean;
}

const ViewContext = createContext<SetupView | null>(null);
const OpenContext = createContext<OpenSetup | null>(null);
const KitContext = createContext<Kit | null>(null);
const NumbersContext = createContext<SolutionNumbers | null>(null);
const AdviceContext = createContext<SolutionAdvice | null>(null);
const HandsContext = createContext<Hands | null>(null);
const PointContext = createContext<string | null>(null);
const DraggedContext = createContext<boolean | null>(null);

function useOf<T>(context: Context<T | null>): T {
  const value = useContext(context);
  if (value === null) throw new Error('this part wants a setup on screen');
  return value;
}

/** The whole view, to hand it on. A part takes the narrow hooks: it is then drawn anew only when what it reads changes. */
export const useSetupView = (): SetupView => useOf(ViewContext);
/** The setup: every change of it draws anew. */
export const useSetup = (): OpenSetup => useOf(OpenContext);
/** The kit: still while something is dragged. */
export const useKit = (): Kit => useOf(KitContext);
/** The numbers, at every frame of a drag. */
export const useNumbers = (): SolutionNumbers => useOf(NumbersContext);
/** The advice: still while something is dragged. */
export const useAdvice = (): SolutionAdvice => useOf(AdviceContext);
/** What changes the setup: always the same. */
export const useChange = (): Hands => useOf(HandsContext);
/** The point that is metered next. */
export const useActivePoint = (): string => useOf(PointContext);
/** Whether something is under the thumb. */
export const useDragged = (): boolean => useOf(DraggedContext);

/** Puts a setup on screen: each hook above reads its own part of the view. */
export function SetupProvider({ view, children }: { view: SetupView; children: ReactNode }) {
  return (
    <ViewContext value={view}>
      <OpenContext value={view.open}>
        <KitContext value={view.kit}>
          <NumbersContext value={view.numbers}>
            <AdviceContext value={view.advice}>
              <HandsContext value={view.hands}>
                <PointContext value={view.activePointId}>
                  <DraggedContext value={view.dragged}>{children}</DraggedContext>
                </PointContext>
              </HandsContext>
            </AdviceContext>
          </NumbersContext>
        </KitContext>
      </OpenContext>
    </ViewContext>
  );
}
