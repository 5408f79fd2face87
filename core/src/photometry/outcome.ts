/** Either a value, or a message for the person that says what would have been right. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; message: string };

/** Wraps a value as a success. */
export const success = <T>(value: T): Outcome<T> => ({ ok: true, value });

/** Wraps a message as a failure; the message is shown to the person as it is. */
export const failure = (message: string): { ok: false; message: string } => ({ ok: false, message });
