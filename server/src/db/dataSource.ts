import type { Logger } from 'pino';
import { DataSource, type EntityManager } from 'typeorm';

import { entities } from './entities';
import { SqlLogger } from './logger';
import { Start1780000000000 } from './migrations/1780000000000-start';
import { Metering1780000100000 } from './migrations/1780000100000-metering';
import { Look1780000200000 } from './migrations/1780000200000-look';
import { Lights1780000300000 } from './migrations/1780000300000-lights';
import { Sync1780000400000 } from './migrations/1780000400000-sync';
import { Stands1780000500000 } from './migrations/1780000500000-stands';
import { HowItStood1780000600000 } from './migrations/1780000600000-howItStood';
import { LampsAreLights1780000700000 } from './migrations/1780000700000-lampsAreLights';
import { MotivesAndBackdrops1780000800000 } from './migrations/1780000800000-motivesAndBackdrops';
import { CameraAsItStands1780000900000 } from './migrations/1780000900000-cameraAsItStands';
import { Variants1780001000000 } from './migrations/1780001000000-variants';
import { DecimalMeans1780001100000 } from './migrations/1780001100000-decimalMeans';
import { PlacesAndPlans1780001200000 } from './migrations/1780001200000-placesAndPlans';
import { WeatherAndPower1780001300000 } from './migrations/1780001300000-weatherAndPower';
import { CardLinks1780001400000 } from './migrations/1780001400000-cardLinks';
import { LooksWithLamps1780001500000 } from './migrations/1780001500000-looksWithLamps';

/** Anything that SQL can be asked of: the pool, or one transaction. */
export type Queryable = Pick<EntityManager, 'query'>;

/** The connection pool; call `initialize` before use. */
export function createDataSource(url: string, log: Logger): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities,
    migrations: [
      Start1780000000000,
      Metering1780000100000,
      Look1780000200000,
      Lights1780000300000,
      Sync1780000400000,
      Stands1780000500000,
      HowItStood1780000600000,
      LampsAreLights1780000700000,
      MotivesAndBackdrops1780000800000,
      CameraAsItStands1780000900000,
      Variants1780001000000,
      DecimalMeans1780001100000,
      PlacesAndPlans1780001200000,
      WeatherAndPower1780001300000,
      CardLinks1780001400000,
      LooksWithLamps1780001500000,
    ],
    migrationsTransactionMode: 'each',
    installExtensions: false,
    uuidExtension: 'pgcrypto',
    synchronize: false,
    logging: ['error', 'warn', 'migration'],
    logger: new SqlLogger(log),
    maxQueryExecutionTime: 1000,
    poolSize: 10,
    applicationName: 'sphene',
    connectTimeoutMS: 5_000,
    poolErrorHandler: (error: Error) => log.error({ err: error.message }, 'an idle database connection failed'),
    extra: {
      // who waits longer for a connection is told to come again
      connectionTimeoutMillis: 10_000,
      statement_timeout: 15_000,
      idle_in_transaction_session_timeout: 15_000,
      lock_timeout: 5_000,
    },
  });
}

const MIGRATION_LOCK = 5_374_901;

/** Brings the schema up to date. Several servers may start at once and TypeORM takes no lock of its own, so this does. */
export async function migrate(dataSource: DataSource): Promise<void> {
  const runner = dataSource.createQueryRunner();
  await runner.connect();
  try {
    await runner.query('set lock_timeout = 0');
    await runner.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    await dataSource.runMigrations();
  } finally {
    await runner.query('select pg_advisory_unlock($1)', [MIGRATION_LOCK]);
    await runner.query('reset lock_timeout');
    await runner.release();
  }
}
