import { z } from 'zod';

import { sheetSchema } from './sheet';

/** The sheets of one setup that can be handed on by a link. */
export const CARD_SHEETS = ['assistant', 'second'] as const;
export type CardSheetKind = (typeof CARD_SHEETS)[number];

/** How long a link may last, hours. */
export const CARD_HOURS = { least: 1, most: 336, usual: 24 } as const;

const linkSchema = z.strictObject({
  key: z.string().min(16).max(64),
  sheet: z.enum(CARD_SHEETS),
  expiresAt: z.iso.datetime({ offset: true }),
});
/** A key by which somebody without an account reads one sheet of one setup until a time. */
export type CardLink = z.infer<typeof linkSchema>;
export const cardLinkSchema = linkSchema;

/** The links of a setup that are in use; `publicUrl` null: only this machine can open them. */
export const cardLinksSchema = z.strictObject({ links: z.array(linkSchema), publicUrl: z.string().nullable() });
export type CardLinks = z.infer<typeof cardLinksSchema>;

/** What a key opens. */
export const openCardSchema = z.strictObject({ sheet: sheetSchema, expiresAt: z.iso.datetime({ offset: true }) });
export type OpenCard = z.infer<typeof openCardSchema>;
