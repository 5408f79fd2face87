import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/** What decimals on a meter mean is remembered: documents are brought up to date where they lie. */
export class DecimalMeans1780001100000 implements MigrationInterface {
  name = 'DecimalMeans1780001100000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
