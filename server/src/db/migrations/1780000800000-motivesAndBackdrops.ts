import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/** Motivated lights say what they stand for, backdrops how large they are: documents are brought up to date where they lie. */
export class MotivesAndBackdrops1780000800000 implements MigrationInterface {
  name = 'MotivesAndBackdrops1780000800000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
