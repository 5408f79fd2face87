import { english } from '@sphene/core/english';
import { FAULT_IDS } from '@sphene/core/photometry';
import { pseudo, type Words } from '@sphene/core/words';

import { isPseudo } from './language';

/** Every sentence about figures, in the language of the page. What the first page needs does not import it: it is large. */
export const words: Words = isPseudo ? pseudo(english) : english;

/** What a form says where a schema of ours refuses a value: its message is the id of the rule. */
export function sayRule(message: string | undefined): string {
  const id = FAULT_IDS.find((one) => one === message);
  if (id === undefined) throw new Error(`A form shows a field whose schema gives no rule of ours: ${message}`);
  return words.rule(id);
}
