import { z } from 'zod';

/**
 * An id made by a client (UUID, version 7 as a rule). Read in either case and kept in lower case, as databases give it
 * back: one thing has one name.
 */
export const idSchema = z.uuid().toLowerCase();
