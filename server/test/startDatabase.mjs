import { startPostgres } from '../../scripts/postgres.mjs';

/** A throw-away PostgreSQL for the whole run; every test file makes a database of its own in it. */
export default async function startDatabase() {
  const postgres = await startPostgres({ throwAway: true });
  process.env.TEST_DATABASE_URL = postgres.url;
  globalThis.testPostgres = postgres;
}
