import { useCallback, useEffect, useState } from 'react';
import { z } from 'zod';

import { type OpenCard, openCardSchema } from '@sphene/core/sheets';
import { openCard } from './links';

/** A card as this device has it. */
export interface KeptCard {
  open: OpenCard;
  /** when it came, ms */
  keptMs: number;
}
/** `live`: the server is followed; `offline`: what is shown was kept before; `over`: nobody reads it any more. */
export type CardState = 'opening' | 'live' | 'offline' | 'over' | 'unreadable';

const keptSchema = z.strictObject({ open: openCardSchema, keptMs: z.number() });
const placeOf = (key: string): string => `sphene.card.${key}`;

/** The card as it was kept, while its time is not over. */
function keptCard(key: string): KeptCard | null {
  try {
    const read = keptSchema.safeParse(JSON.parse(localStorage.getItem(placeOf(key)) ?? 'null'));
    if (!read.success) return null;
    if (Date.parse(read.data.open.expiresAt) > Date.now()) return read.data;
    localStorage.removeItem(placeOf(key));
    return null;
  } catch {
    return null; // storage is blocked: nothing was kept then
  }
}

/** Keeps a card for when there is no network; null forgets it. */
function keep(key: string, card: KeptCard | null): void {
  try {
    if (card === null) localStorage.removeItem(placeOf(key));
    else localStorage.setItem(placeOf(key), JSON.stringify(card));
  } catch {
    // storage is blocked or full: the card is shown while the page is open
  }
}

/** A card by its key: asked for, followed, and kept on this device for when there is no network. */
export function useOpenCard(key: string): { card: KeptCard | null; state: CardState; again: () => void } {
  const [card, setCard] = useState<KeptCard | null>(() => keptCard(key));
  const [state, setState] = useState<CardState>('opening');
  const look = useCallback(async () => {
    const asked = await openCard(key);
    if (asked.ok) {
      const kept = { open: asked.value, keptMs: Date.now() };
      keep(key, kept);
      setCard(kept);
      setState('live');
    } else if (asked.fault.kind === 'gone') {
      keep(key, null);
      setCard(null);
      setState('over');
    } else setState(asked.fault.kind === 'unreadable' ? 'unreadable' : 'offline');
  }, [key]);
  // so that the page itself opens without a network too
  useEffect(() => void navigator.serviceWorker?.register('/sw.js').catch(() => undefined), []);
  useEffect(() => {
    const events = new EventSource(`/api/cards/open/${encodeURIComponent(key)}/events`);
    // at every beginning, so that nothing is missed between two of them
    events.onopen = () => void look();
    events.onmessage = () => void look();
    // the first failure says why: no network, or over
    events.onerror = () => void look();
    return () => events.close();
  }, [key, look]);
  return { card, state, again: () => void look() };
}
