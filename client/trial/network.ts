import type { Answered, Send, Sent } from '@/store/sync/server';

/** How bad a network is. */
export interface Badness {
  /** share of requests, and of answers, that never arrive */
  loss: number;
  /** share of requests that arrive twice */
  duplicates: number;
  /** most delay of one way, milliseconds; ways overtake each other */
  delayMs: number;
  /** bits a second; the way there and back together */
  bitsPerSecond: number;
}

export const PERFECT: Badness = { loss: 0, duplicates: 0, delayMs: 0, bitsPerSecond: Infinity };

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

const sizeOf = (body: string | Uint8Array | undefined): number => body?.length ?? 0;

/** A network between one device and the server, with a cookie of its own. */
export class Network {
  private cookie = '';
  /** bytes that went over it */
  bytes = 0;
  requests = 0;

  constructor(
    private readonly url: string,
    private readonly random: () => number,
    public badness: Badness,
  ) {}

  private happens = (share: number): boolean => this.random() < share;

  private async way(bytes: number): Promise<void> {
    this.bytes += bytes;
    const { delayMs, bitsPerSecond, loss } = this.badness;
    const wholeMs = this.random() * delayMs + (bytes * 8000) / bitsPerSecond;
    // a longer way breaks more easily: lost somewhere on it, not only at its end
    const parts = Math.max(1, Math.ceil(bytes / 50_000));
    for (let part = 0; part < parts; part += 1) {
      if (wholeMs > 0) await pause(wholeMs / parts);
      if (this.happens(loss)) throw new Error('lost on the way');
    }
  }

  private async ask({ method, path, body }: Sent): Promise<Answered> {
    const response = await fetch(this.url + path, {
      method,
      headers: {
        'content-type': typeof body === 'string' ? 'application/json' : 'application/octet-stream',
        ...(this.cookie === '' ? {} : { cookie: this.cookie }),
      },
      ...(body === undefined ? {} : { body: body as BodyInit }),
      signal: AbortSignal.timeout(20_000),
    });
    const [set] = response.headers.getSetCookie();
    if (set !== undefined) this.cookie = set.split(';')[0] ?? '';
    return { status: response.status, body: await response.text() };
  }

  readonly send: Send = async (sent) => {
    this.requests += 1;
    await this.way(sizeOf(sent.body));
    // arrives twice, and the second one late: the answer to it goes nowhere
    if (this.happens(this.badness.duplicates))
      void pause(this.random() * this.badness.delayMs * 3).then(() => this.ask(sent).catch(() => undefined));
    const answered = await this.ask(sent);
    await this.way(answered.body.length);
    return answered;
  };
}
