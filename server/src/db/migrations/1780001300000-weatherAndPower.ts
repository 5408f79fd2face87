import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/**
 * Spots have weather, units and lamps a battery in the cold, stands booms and wheels, preferences bounds of their own: documents
 * are brought up to date where they lie.
 */
export class WeatherAndPower1780001300000 implements MigrationInterface {
  name = 'WeatherAndPower1780001300000';

  async up(runner: QueryRunner): Promise<void> {
    await upgradeDocuments(runner);
  }

  async down(): Promise<void> {
    // what was written in the new form is read by it alone: there is nothing to take back
  }
}
