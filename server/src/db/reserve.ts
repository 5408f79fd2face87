import pg from 'pg';

/** One connection of its own, so that health is answered however busy the others are. */
export class Reserve {
  private readonly pool: pg.Pool;
  constructor(url: string) {
    this.pool = new pg.Pool({ connectionString: url, max: 1, connectionTimeoutMillis: 2000, query_timeout: 2000 });
    // an idle connection that breaks is replaced when it is asked for again
    this.pool.on('error', () => undefined);
  }
  async isWell(): Promise<boolean> {
    try {
      await this.pool.query('select 1');
      return true;
    } catch {
      return false;
    }
  }
  close = (): Promise<void> => this.pool.end();
}
