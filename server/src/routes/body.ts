import type { Context } from 'hono';
import { HTTPException } from 'hono/http-exception';
import { z } from 'zod';

import { isWithinDepth } from '@sphene/core/formats';

/** Nobody reads on after so many. */
const MOST_ISSUES = 20;

/** What is wrong, the first of it. */
export const prettified = ({ issues }: z.ZodError): string =>
  z.prettifyError(new z.ZodError(issues.slice(0, MOST_ISSUES)));

/** Nothing that is sent lies deeper. */
const MOST_DEEP = 32;

/**
 * The body of a request, as a schema wants it. How deep it is nested is looked at before it is parsed: a few megabytes
 * of brackets would cost seconds.
 */
export async function bodyOf<T>(context: Context, schema: z.ZodType<T>): Promise<T> {
  const text = await context.req.text();
  if (!isWithinDepth(text, MOST_DEEP))
    throw new HTTPException(400, { message: `The request is nested over ${MOST_DEEP} deep. Nothing of it was taken.` });
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    throw new HTTPException(400, { message: 'The request is not JSON. Nothing of it was taken.' });
  }
  const parsed = schema.safeParse(raw);
  if (!parsed.success)
    throw new HTTPException(400, {
      message: `The request does not keep to its form.\n${prettified(parsed.error)}`,
    });
  return parsed.data;
}
