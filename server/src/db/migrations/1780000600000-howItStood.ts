import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/** Readings write down how things stood, and changes of the scene which thing it was: documents are brought up to date where they lie. */
export class HowItStood1780000600000 implements MigrationInterface {
  name = 'HowItStood1780000600000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
