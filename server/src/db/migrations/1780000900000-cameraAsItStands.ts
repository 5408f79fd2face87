import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/** What is dialled on the camera, how each point is metered: documents are brought up to date where they lie. */
export class CameraAsItStands1780000900000 implements MigrationInterface {
  name = 'CameraAsItStands1780000900000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
