import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/** Looks have lamps and panels: documents are brought up to date where they lie. */
export class LooksWithLamps1780001500000 implements MigrationInterface {
  name = 'LooksWithLamps1780001500000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
