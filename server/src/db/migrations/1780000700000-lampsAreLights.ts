import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/** Lamps have a role and a dimmer, a stage its open side, a face its better one: documents are brought up to date where they lie. */
export class LampsAreLights1780000700000 implements MigrationInterface {
  name = 'LampsAreLights1780000700000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
