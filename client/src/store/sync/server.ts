import type { z } from 'zod';

import {
  commonResponseSchema,
  type HistoryMark,
  PROTOCOL,
  type SessionResponse,
  sessionResponseSchema,
  syncProblemSchema,
  type SyncRequest,
  type SyncResponse,
  syncResponseSchema,
} from '@sphene/core/documents';

/** The server could not be reached: no network, or it is not running. Everything goes on without it. */
export class OutOfReach extends Error {}
/** The server answered, and not as it should; it is asked again later. */
export class InTrouble extends Error {
  constructor(
    message: string,
    readonly status = 0,
  ) {
    super(message);
  }
}
/** There is no session, or it is over. */
export class NoSession extends Error {}
/** The session is another account's, or the server's history another one. */
export class NotTheSame extends Error {}
/** The server speaks another version of the protocol. */
export class OtherVersion extends Error {
  constructor(readonly newer: boolean) {
    super();
  }
}

export interface Sent {
  method: 'GET' | 'POST' | 'PUT';
  path: string;
  body?: string | Uint8Array;
  /** the most time without a byte moving, in milliseconds */
  silenceMs?: number;
}
export interface Answered {
  status: number;
  body: string;
}
/** Carries a request to the server. Rejects where no answer came. */
export type Send = (sent: Sent) => Promise<Answered>;

const PROBLEMS = new Set([409, 426]);

/** The server, as it is asked. */
export class Server {
  constructor(private readonly send: Send) {}

  private async ask<T>(sent: Sent, schema: z.ZodType<T>): Promise<T> {
    let answered: Answered;
    try {
      answered = await this.send(sent);
    } catch {
      throw new OutOfReach();
    }
    const { status } = answered;
    const body = parsed(answered.body);
    if (status === 401) throw new NoSession();
    if (PROBLEMS.has(status)) {
      const problem = syncProblemSchema.safeParse(body);
      if (problem.data?.code === 'protocol') throw new OtherVersion(problem.data.protocol > PROTOCOL);
      if (problem.success) throw new NotTheSame();
    }
    const read = schema.safeParse(body);
    if (status < 300 && read.success) return read.data;
    throw new InTrouble(`The server answered ${status}.`, status);
  }

  /** The session of this browser; one is started where there is none. */
  async session(): Promise<SessionResponse> {
    const session = await this.ask(
      { method: 'POST', path: '/api/session', body: JSON.stringify({ protocol: PROTOCOL }) },
      sessionResponseSchema.partial(),
    );
    // a server from before the protocol had a version does not tell one
    if (session.protocol === undefined) throw new OtherVersion(false);
    if (session.protocol !== PROTOCOL) throw new OtherVersion(session.protocol > PROTOCOL);
    return sessionResponseSchema.parse(session);
  }

  sync(request: SyncRequest): Promise<SyncResponse> {
    return this.ask({ method: 'POST', path: '/api/sync', body: JSON.stringify(request) }, syncResponseSchema);
  }

  /** The newest of these places that the server's history has too; 0: none. */
  async common(marks: readonly HistoryMark[]): Promise<number> {
    const body = JSON.stringify({ marks });
    return (await this.ask({ method: 'POST', path: '/api/sync/common', body }, commonResponseSchema)).common;
  }

  /** Sends a part of a picture. Returns how many bytes the server has now; null: it does not want the picture. */
  async sendPicture(id: string, from: number, size: number, part: Uint8Array): Promise<number | null> {
    const path = `/api/pictures/${id}?from=${from}&size=${size}`;
    const answered = await this.send({ method: 'PUT', path, body: part }).catch(() => null);
    if (answered === null) throw new OutOfReach();
    if (answered.status === 401) throw new NoSession();
    if (answered.status === 404 || answered.status === 410) return null;
    const have = (parsed(answered.body) as { have?: unknown } | null)?.have;
    if (answered.status >= 300 || typeof have !== 'number') throw new InTrouble('no part of a picture');
    return have;
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
