import { useAppSelector } from '@/store/store';
import { type ReactNode, useDeferredValue } from 'react';

import { SetupProvider, useSetupView } from './setupContext';

/**
 * Parts that come a moment after what is being dragged: until it rests they see the setup as it was when the page last had
 * time. Nothing else is put off, so that no button ever acts on what has passed. Its children are memoised components, or
 * nothing is won.
 */
export function LaterSetup({ children }: { children: ReactNode }) {
  const view = useSetupView();
  const later = useDeferredValue(view);
  const dragged = useAppSelector((state) => state.documents.draft !== null);
  return <SetupProvider view={dragged ? later : view}>{children}</SetupProvider>;
}
