import { failure, type Outcome, success } from '../photometry';
import { isWithinDepth } from './depth';

/** Nothing in a document lies deeper. */
const MOST_DEEP = 24;

/** Why a text is not read as JSON. */
export interface JsonFault {
  kind: 'not-json' | 'too-large' | 'too-deep';
}

/** A text as JSON, of bounded size and depth. @param mostLetters larger ones are refused unread */
export function jsonWithin(text: string, mostLetters: number): Outcome<unknown, JsonFault> {
  if (text.length > mostLetters) return failure({ kind: 'too-large' });
  if (!isWithinDepth(text, MOST_DEEP)) return failure({ kind: 'too-deep' });
  try {
    return success(JSON.parse(text) as unknown);
  } catch {
    return failure({ kind: 'not-json' });
  }
}
