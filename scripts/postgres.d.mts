export function startPostgres(options?: { throwAway?: boolean }): Promise<{ url: string; stop: () => Promise<void> }>;
export function freePort(wanted?: number): Promise<number>;
