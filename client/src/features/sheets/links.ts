import type { z } from 'zod';

import {
  type CardLink,
  type CardLinks,
  cardLinkSchema,
  cardLinksSchema,
  type CardSheetKind,
  type OpenCard,
  openCardSchema,
} from '@sphene/core/sheets';

const ASK_MS = 15_000;

/** Why the server did not do what it was asked. */
export type LinkFault =
  { kind: 'offline' } | { kind: 'gone' } | { kind: 'unreadable' } | { kind: 'refused'; why: string };
export type Asked<T> = { ok: true; value: T } | { ok: false; fault: LinkFault };

async function ask<T>(path: string, schema: z.ZodType<T>, init: RequestInit = {}): Promise<Asked<T>> {
  const response = await fetch(path, { ...init, signal: AbortSignal.timeout(ASK_MS) }).catch(() => null);
  if (response === null) return { ok: false, fault: { kind: 'offline' } };
  if (response.status === 404) return { ok: false, fault: { kind: 'gone' } };
  const body: unknown = await response.json().catch(() => null);
  if (!response.ok) {
    const why = typeof body === 'object' && body !== null && 'error' in body ? String(body.error) : '';
    return { ok: false, fault: { kind: 'refused', why } };
  }
  const read = schema.safeParse(body);
  return read.success ? { ok: true, value: read.data } : { ok: false, fault: { kind: 'unreadable' } };
}

const json = (body: object): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** The links of a setup that are in use. */
export const linksOf = (setupId: string): Promise<Asked<CardLinks>> =>
  ask(`/api/cards?setupId=${setupId}`, cardLinksSchema);

export const makeLink = (setupId: string, sheet: CardSheetKind, hours: number): Promise<Asked<CardLink>> =>
  ask('/api/cards', cardLinkSchema, json({ setupId, sheet, hours }));

/** Takes a link back. @returns false where the server could not be reached; one that is gone already is taken back */
export async function withdrawLink(key: string): Promise<boolean> {
  const response = await fetch(`/api/cards/${key}`, { method: 'DELETE' }).catch(() => null);
  return response !== null && (response.ok || response.status === 404);
}

/** The sheet that a key opens. */
export const openCard = (key: string): Promise<Asked<OpenCard>> =>
  ask(`/api/cards/open/${encodeURIComponent(key)}`, openCardSchema);

/** Where a card is opened. @param publicUrl null: by this page's own address */
export const addressOf = (key: string, publicUrl: string | null): string =>
  `${publicUrl ?? globalThis.location.origin}/card/${key}`;
