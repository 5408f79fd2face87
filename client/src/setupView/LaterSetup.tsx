import { type ReactNode, startTransition, useEffect, useState } from 'react';

import { SetupProvider, useDragged, useSetupView } from './setupContext';

/** A thumb that rests for this long lets the other parts catch up. */
const REST_MS = 200;

/**
 * Parts that stay as they are while something is dragged elsewhere, and catch up when the thumb rests: what is dragged has
 * the page to itself. Nothing else is put off, so that no button ever acts on what has passed. Its children are memoised
 * components, or nothing is won.
 */
export function LaterSetup({ children }: { children: ReactNode }) {
  const view = useSetupView();
  const dragged = useDragged();
  const [rested, setRested] = useState(view);
  if (!dragged && rested !== view) setRested(view);
  useEffect(() => {
    if (!dragged) return;
    const timer = setTimeout(() => startTransition(() => setRested(view)), REST_MS);
    return () => clearTimeout(timer);
  }, [view, dragged]);
  return <SetupProvider view={dragged ? rested : view}>{children}</SetupProvider>;
}
