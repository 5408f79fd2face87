import { startPostgres } from '../scripts/postgres.mjs';
import { Stack } from './stack';

/** One throw-away PostgreSQL for the run; every test makes a database of its own in it. Returns how to stop it. */
export default async function database(): Promise<() => Promise<void>> {
  const postgres = await startPostgres({ throwAway: true });
  process.env['E2E_DATABASE_URL'] = postgres.url;
  await Stack.makeTemplates();
  return postgres.stop;
}
