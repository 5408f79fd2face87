import { BRING_BACK_DAYS, type DocumentType } from '@sphene/core/documents';
import type { BatchSize } from './backOff';
import { InTrouble, type Server } from './server';
import type { Storage } from './storage';

const PREFIX = 'data:image/jpeg;base64,';

/** The bytes of a picture that is kept as a data address. */
export function bytesOfImage(image: string): Uint8Array {
  const binary = atob(image.slice(PREFIX.length));
  return Uint8Array.from(binary, (letter) => letter.charCodeAt(0));
}

/** So many bytes a letter are made text at once; a call takes no more arguments than a stack holds. */
const AT_ONCE = 8192;

/** A picture's bytes as a data address. */
export function imageOfBytes(bytes: Uint8Array): string {
  let binary = '';
  for (let at = 0; at < bytes.length; at += AT_ONCE) binary += String.fromCharCode(...bytes.subarray(at, at + AT_ONCE));
  return PREFIX + btoa(binary);
}

/**
 * Sends the next part of the next picture that the server does not have. Parts are small, and what arrived is not sent
 * again, so that pictures get through a slow network that breaks.
 * @returns false when there is nothing to send
 */
export async function sendNextPart(storage: Storage, server: Server, size: BatchSize): Promise<boolean> {
  const [upload] = await storage.getAll('uploads', null, 1);
  if (upload === undefined) return false;
  const { id, have } = upload;
  const image = (await storage.get('pictures', id))?.image;
  if (image === undefined) {
    await storage.delete('uploads', id);
    return true;
  }
  const bytes = bytesOfImage(image);
  const now = await server.sendPicture(id, have, bytes.length, bytes.subarray(have, have + size.letters));
  if (now !== null && now < bytes.length && now === have) throw new InTrouble('a picture does not go on');
  if (now === null || now >= bytes.length) await storage.delete('uploads', id);
  else await storage.put('uploads', { id, have: now });
  return true;
}

const DAY_MS = 24 * 3600_000;

/** Erases pictures in what was deleted so long ago that it cannot be brought back any more. */
export async function erasePictures(storage: Storage, now: number): Promise<void> {
  const rows = async (type: DocumentType) => storage.getAllFromIndex('documents', 'type', type);
  const inside = [
    ...(await rows('shoot')),
    ...(await rows('spot')),
    ...(await rows('setup')),
    ...(await rows('photo')),
    ...(await rows('look')),
  ];
  const gone = new Set(
    inside
      .filter(({ deletedAt }) => deletedAt !== null && now - Date.parse(deletedAt) > BRING_BACK_DAYS * DAY_MS)
      .map(({ id }) => id),
  );
  if (gone.size === 0) return;
  for (const { id, document } of inside)
    if (document?.type === 'setup' && (gone.has(document.shootId) || gone.has(document.spotId))) gone.add(id);
  for (const { id } of await rows('look')) if (gone.has(id)) await storage.delete('pictures', id);
  for (const { id, document } of await rows('frame'))
    if (document?.type === 'frame' && gone.has(document.setupId)) await storage.delete('pictures', id);
  for (const { id, document } of await rows('photo')) {
    if (document?.type !== 'photo') continue;
    const { shootId, spotId, setupId } = document;
    if ([id, shootId, spotId, setupId].some((one) => one !== null && gone.has(one)))
      await storage.delete('pictures', id);
  }
}

/** Pictures on this device that the server has as well: their copies here can go. */
export async function freeablePictures(storage: Storage): Promise<{ ids: string[]; letters: number }> {
  const unsent = new Set(await storage.getAllKeys('uploads'));
  const ids: string[] = [];
  let letters = 0;
  for (const { id, image } of await storage.getAll('pictures')) {
    if (unsent.has(id)) continue;
    ids.push(id);
    letters += image.length;
  }
  return { ids, letters };
}

/** Lets the copies of pictures go that the server has as well. */
export async function freePictures(storage: Storage): Promise<number> {
  const { ids } = await freeablePictures(storage);
  for (const id of ids) await storage.delete('pictures', id);
  return ids.length;
}
