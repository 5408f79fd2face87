import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/**
 * Setups say the whole look, and the kit what lenses, filters and flash durations need: documents are brought up
 * to date where they lie.
 */
export class Look1780000200000 implements MigrationInterface {
  name = 'Look1780000200000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner, ['frame']);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
