import type { Context } from 'hono';
import { type SSEStreamingApi, streamSSE } from 'hono/streaming';

import type { Streams } from '../accounts/streams';

const KEEP_ALIVE_MS = 15_000;

/** Does not hold the server up when it stops. */
const aWhile = () => new Promise((done) => setTimeout(done, KEEP_ALIVE_MS).unref());

interface Following {
  streams: Streams;
  /** who follows: a session, or whoever has a key */
  who: string;
  /** false once they may not any more */
  mayStill: () => Promise<boolean>;
  /** settles when the server stops */
  closed: Promise<void>;
  /** begins to write; returns what stops it */
  start: (stream: SSEStreamingApi) => () => void;
}

/**
 * A stream of events that ends with the page, with what allows it, or with the server: whichever comes first.
 */
export function follow(context: Context, { streams, who, mayStill, closed, start }: Following): Response {
  const giveBack = streams.take(who);
  return streamSSE(context, async (stream) => {
    const stop = start(stream);
    const end = () => {
      stop();
      giveBack();
    };
    stream.onAbort(end);
    let isClosing = false;
    void closed.then(() => {
      isClosing = true;
    });
    // headers are on their way before anything happens
    await stream.writeSSE({ event: 'alive', data: '' });
    while (!stream.aborted && !stream.closed && !isClosing) {
      await Promise.race([aWhile(), closed]);
      if (isClosing || !(await mayStill().catch(() => true))) break;
      await stream.writeSSE({ event: 'alive', data: '' });
    }
    end();
  });
}
