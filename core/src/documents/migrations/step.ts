/** A document as it was stored, of a version that nobody writes any more. */
export type Raw = Record<string, unknown>;

/** Tells a stored object from a list, a text, a figure or nothing. */
export type IsRaw = (value: unknown) => value is Raw;

/**
 * How a document of one version becomes the next. A step is frozen: what old documents mean does not change with what
 * is usual today, so its figures are written out and it imports nothing but types.
 */
export type Step = (old: Raw, isRaw: IsRaw) => Raw;
