import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/**
 * Setups know several lights, readings every light that fired, and the kit what charges, grids and gels need:
 * documents are brought up to date where they lie.
 */
export class Lights1780000300000 implements MigrationInterface {
  name = 'Lights1780000300000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner, ['frame']);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
