import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/** Spots say where they lie, setups have a place in the plan, clouds say which way: documents are brought up to date where they lie. */
export class PlacesAndPlans1780001200000 implements MigrationInterface {
  name = 'PlacesAndPlans1780001200000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
