/** A PostgreSQL server with nothing in it: its address, ways to trouble it, and how to end it; undefined where there is none. */
export declare function startPostgres(
  port?: number,
): { url: string; restart(): void; pause(ms: number): Promise<void>; stop(): void } | undefined
