import type { DataSource } from 'typeorm';

import { SAMPLE_DOCUMENTS } from '@sphene/core/sample';
import { demoAccountId } from '../accounts/session';
import { push } from './push';

/** Gives the demo account the sample shoot, once: what was changed or deleted since is left as it is. */
export async function seedSample(dataSource: DataSource): Promise<void> {
  await dataSource.transaction(async (transaction) => {
    const accountId = await demoAccountId(transaction);
    // the document's own id serves as the mutation's key, so that a second start finds it done
    await push(
      transaction,
      accountId,
      SAMPLE_DOCUMENTS.map((document) => ({ op: 'put', key: document.id, baseVersion: 0, document })),
    );
  });
}
