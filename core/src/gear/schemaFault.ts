import type { z } from 'zod';

import { FAULT_IDS, type FaultId } from '../photometry';

/** What a schema expects at a place and does not find. */
export interface SchemaIssue {
  path: (string | number)[];
  /** one of our own rules; null: a type, range or form that Zod knows */
  rule: FaultId | null;
  /** Zod's code with its figures, such as `too_big` with `maximum` */
  code: z.core.$ZodIssue['code'];
  figures: Record<string, unknown>;
}

/** A value that its schema refuses. */
export interface SchemaFault {
  kind: 'schema';
  /** the first of them */
  issues: SchemaIssue[];
  /** how many there are in all */
  count: number;
}

/** No one reads on after so many. */
const MOST_ISSUES = 20;

const ruleOf = (message: string): FaultId | null => FAULT_IDS.find((id) => id === message) ?? null;

/** What is wrong with a value, without a sentence. */
export const schemaFault = ({ issues }: Pick<z.ZodError, 'issues'>): SchemaFault => ({
  kind: 'schema',
  count: issues.length,
  issues: issues.slice(0, MOST_ISSUES).map(({ path, code, message, ...figures }) => ({
    path: path.map((key) => (typeof key === 'number' ? key : String(key))),
    rule: ruleOf(message),
    code,
    figures,
  })),
});
