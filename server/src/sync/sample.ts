import type { DataSource } from 'typeorm';

import type { By } from '@sphene/core/documents';
import { SAMPLE_DOCUMENTS } from '@sphene/core/sample';
import { demoAccountId } from '../accounts/session';
import { look, Work } from './push';

/** Who the sample comes from. */
const SAMPLE: By = { id: '019c9c00-0000-7000-8000-0000000000fe', name: 'Sample' };
const SAMPLE_MADE = '2026-02-27T12:00:00.000Z';

/** Gives the demo account the sample shoot, once: what was changed or deleted since is left as it is. */
export async function seedSample(dataSource: DataSource): Promise<void> {
  await dataSource.transaction(async (transaction) => {
    const accountId = await demoAccountId(transaction);
    const pusher = { accountId, by: SAMPLE, cursor: 0 };
    // the document's own id serves as the mutation's key, so that a second start finds it done
    const mutations = SAMPLE_DOCUMENTS.map(
      (document) => ({ op: 'put', key: document.id, baseVersion: 0, at: SAMPLE_MADE, document }) as const,
    );
    const work = await Work.of(transaction, pusher, await look(transaction, pusher, mutations), mutations);
    await work.keep(transaction);
  });
}
