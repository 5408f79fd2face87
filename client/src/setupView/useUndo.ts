import { catalogue } from '@/language/language';
import { words } from '@/language/words';
import type { Undone } from '@/store/actions';
import { useActions } from '@/store/application';
import { noticed } from '@/store/deviceSlice';
import { useAppDispatch } from '@/store/store';

const text = catalogue({
  correction: (readingText: string) => `Correction taken back: the reading is ${readingText} again.`,
  struck: (what: string) => `${what} struck out. Restore it in the log.`,
  reading: (readingText: string) => `Reading ${readingText}`,
  frame: (name: string) => `Frame ${name}`,
  change: 'Last change taken back.',
  changeStays: 'The last change cannot be taken back: what it changed is not there any more.',
  nothing: 'There is nothing to take back.',
});

function factName(fact: Extract<Undone, { kind: 'struck' }>['fact']): string {
  switch (fact.type) {
    case 'reading':
      return text.reading(fact.text);
    case 'frame':
      return text.frame(fact.name);
    case 'sceneChange':
      return words.sceneChange(fact.what).label;
  }
}

function sayUndone(undone: Undone): string {
  switch (undone.kind) {
    case 'struck':
      return text.struck(factName(undone.fact));
    case 'correction':
      return text.correction(undone.readingText);
    case 'change':
      return text.change;
    case 'change-stays':
      return text.changeStays;
    case 'nothing':
      return text.nothing;
  }
}

/** Takes the last thing of a setup back and tells what it was. */
export function useUndo(setupId: string): () => void {
  const actions = useActions();
  const dispatch = useAppDispatch();
  return () => void dispatch(noticed({ text: sayUndone(actions.undo(setupId)) }));
}
