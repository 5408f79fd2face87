import { type ReactNode, useDeferredValue } from 'react';

import { SetupContext, useSetupView } from './setupContext';

/**
 * Parts that may come a moment after what is under the thumb: they see the setup as it was until the page has time.
 * Its children are memoised components, or nothing is won.
 */
export function LaterSetup({ children }: { children: ReactNode }) {
  const later = useDeferredValue(useSetupView());
  return <SetupContext.Provider value={later}>{children}</SetupContext.Provider>;
}
