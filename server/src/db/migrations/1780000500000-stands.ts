import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/** Readings write down where their lights stood: documents are brought up to date where they lie. */
export class Stands1780000500000 implements MigrationInterface {
  name = 'Stands1780000500000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
