import type { Identity } from '@sphene/core/documents';
import { type Storage, valueOf } from './storage';

/**
 * True when data of one session belongs to the account of another: the same account of the same database, or, on a
 * server that was set up anew, the account of the same name.
 */
export const belongs = (known: Identity, session: Identity): boolean =>
  known.lineage === session.lineage
    ? known.account.id === session.account.id
    : known.account.name === session.account.name;

/**
 * The name of the storage of an account on this device: the first one, where that is its own or nobody's yet, else one
 * under its id.
 * @param open opens a storage by name
 */
export async function storageOf(
  identity: Identity,
  open: (name: string) => Promise<Storage>,
  first: string,
): Promise<string> {
  const storage = await open(first);
  const owner = await valueOf(storage, 'identity');
  storage.close();
  return owner === undefined || belongs(owner, identity) ? first : `${first}-${identity.account.id}`;
}
