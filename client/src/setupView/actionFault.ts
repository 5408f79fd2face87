import { catalogue } from '@/language/language';
import { words } from '@/language/words';
import type { ActionFault } from '@/store/actions';

const text = catalogue({
  setupGone: 'This setup is gone.',
  noFlashInKit: 'There is no flash in the kit. Add one in the kit first.',
});

/** Why something was not done, as it is told. */
export function sayActionFault(fault: ActionFault): string {
  switch (fault.kind) {
    case 'setup-gone':
      return text.setupGone;
    case 'no-flash-in-kit':
      return text.noFlashInKit;
    default:
      return words.settingFault(fault);
  }
}
