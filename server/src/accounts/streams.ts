import { HTTPException } from 'hono/http-exception';

const MOST_STREAMS = 6;

/** Counts the streams that a session holds open: a browser needs a few, and nobody needs hundreds. */
export class Streams {
  private readonly open = new Map<string, number>();

  /** Takes one for a session. Throws 429 when it has as many as it may. Returns what gives it back. */
  take(sessionId: string): () => void {
    const now = this.open.get(sessionId) ?? 0;
    if (now >= MOST_STREAMS)
      throw new HTTPException(429, {
        message: `A session may follow ${MOST_STREAMS} streams at once. Close a tab of Sphene and try again.`,
      });
    this.open.set(sessionId, now + 1);
    let given = false;
    return () => {
      if (given) return;
      given = true;
      const left = (this.open.get(sessionId) ?? 1) - 1;
      if (left === 0) this.open.delete(sessionId);
      else this.open.set(sessionId, left);
    };
  }
}
