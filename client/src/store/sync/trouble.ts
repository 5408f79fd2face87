import type { SyncStatus } from '../deviceSlice';
import { OtherVersion, OutOfReach } from './server';

/** A write that found no room; browsers end the transaction with one or the other. */
export const isNoRoom = (error: unknown): boolean =>
  error instanceof DOMException && (error.name === 'QuotaExceededError' || error.name === 'AbortError');

/** What an exchange that failed says of where the device stands. */
export const statusOf = (error: unknown): SyncStatus => {
  if (error instanceof OutOfReach) return 'offline';
  if (error instanceof OtherVersion) return error.newer ? 'newer-server' : 'older-server';
  if (isNoRoom(error)) return 'full';
  return 'trouble';
};
