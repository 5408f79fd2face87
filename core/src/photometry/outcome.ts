/** Either a value, or why there is none: a typed reason with its figures, which `words` makes a sentence of. */
export type Outcome<T, Reason> = { ok: true; value: T } | Failure<Reason>;
export interface Failure<Reason> {
  ok: false;
  reason: Reason;
}

/** Wraps a value as a success. */
export const success = <T>(value: T): { ok: true; value: T } => ({ ok: true, value });

/** Wraps a reason as a failure. */
export const failure = <Reason>(reason: Reason): Failure<Reason> => ({ ok: false, reason });
