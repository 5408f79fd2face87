import type { Logger } from 'pino';
import type { Logger as TypeOrmLogger } from 'typeorm';

const short = (sql: string): string => (sql.length > 300 ? `${sql.slice(0, 300)}…` : sql);

/** TypeORM's own loggers print every bound parameter, people's data among them. This one prints none. */
export class SqlLogger implements TypeOrmLogger {
  constructor(private readonly sink: Logger) {}
  logQuery(query: string): void {
    this.sink.trace({ sql: short(query) }, 'sql');
  }
  logQueryError(error: string | Error, query: string): void {
    this.sink.warn({ err: error instanceof Error ? error.message : error, sql: short(query) }, 'sql failed');
  }
  logQuerySlow(time: number, query: string): void {
    this.sink.warn({ ms: time, sql: short(query) }, 'slow sql');
  }
  logSchemaBuild(message: string): void {
    this.sink.debug(message);
  }
  logMigration(message: string): void {
    this.sink.info(message);
  }
  log(level: 'log' | 'info' | 'warn', message: unknown): void {
    this.sink[level === 'log' ? 'debug' : level](String(message));
  }
}
