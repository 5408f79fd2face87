import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/** Variants hold everything that may be another: documents are brought up to date where they lie. */
export class Variants1780001000000 implements MigrationInterface {
  name = 'Variants1780001000000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
