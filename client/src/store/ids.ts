import { v7 } from 'uuid';

/** A new document's id: made on this device, in the order of time. */
export const newId = (): string => v7();

/** The present moment as documents keep it. */
export const timestamp = (): string => new Date().toISOString();
