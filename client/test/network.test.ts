/** @jest-environment node */
import { Clock } from '@/store/ids';
import { BackOff, BatchSize } from '@/store/sync/backOff';
import { bytesOfImage, imageOfBytes } from '@/store/sync/pictures';
import { InTrouble, NoSession, NotTheSame, OtherVersion, OutOfReach, Server } from '@/store/sync/server';
import { ServerClock } from '@/store/sync/serverClock';
import { statusOf } from '@/store/sync/trouble';
import fc from 'fast-check';

import { PROTOCOL } from '@sphene/core/documents';

const DAY_MS = 24 * 3600_000;

describe("the server's time", () => {
  const device = () => {
    const time = { own: 1_000_000 };
    const clock = new Clock(() => time.own);
    return { time, clock, server: new ServerClock(clock) };
  };

  it('puts a clock that is a day off right within half the way of the answer', () => {
    fc.assert(
      fc.property(fc.integer({ min: -DAY_MS, max: DAY_MS }), fc.nat(5000), fc.nat(5000), (off, there, back) => {
        const { time, clock, server } = device();
        const before = clock.now();
        const told = time.own + there + off;
        time.own += there + back;
        server.heard(told, before);
        expect(Math.abs(clock.now() - (time.own + off))).toBeLessThanOrEqual((there + back) / 2 + 1);
      }),
    );
  });

  it('believes a quick answer more than a slow one that came later', () => {
    const { time, clock, server } = device();
    const ask = (offMs: number, there: number, back: number) => {
      const before = clock.now();
      const told = time.own + there + offMs;
      time.own += there + back;
      server.heard(told, before);
      return clock.skew;
    };
    expect(ask(60_000, 10, 10)).toBe(60_000);
    // all of this way was there, and none back: it would be 400 ms wrong
    expect(ask(60_000, 800, 0)).toBe(60_000);
    // the device's clock was set anew: that is no way's doing
    expect(Math.round(ask(-60_000, 800, 800) / 1000)).toBe(-60);
  });

  it('ids go on in order when the clock is put back', () => {
    const { time, clock } = device();
    const ids = Array.from({ length: 200 }, (_, index) => {
      if (index === 50) clock.setSkew(-DAY_MS);
      if (index % 7 === 0) time.own += 1;
      return clock.newId();
    });
    expect([...ids].sort()).toEqual(ids);
    expect(new Set(ids).size).toBe(ids.length);
  });
});

describe('trying again', () => {
  it('waits longer after every failure, never twice the same, never over half a minute, and at once after a success', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 12, maxLength: 12 }),
        (random) => {
          let index = 0;
          const backOff = new BackOff(() => random[index++ % random.length] ?? 0);
          const waits = Array.from({ length: 10 }, () => backOff.next());
          for (const [failure, wait] of waits.entries()) {
            const most = Math.min(30_000, 1000 * 2 ** failure);
            expect(wait).toBeGreaterThanOrEqual(most / 2);
            expect(wait).toBeLessThanOrEqual(most);
          }
          backOff.reset();
          expect(backOff.next()).toBeLessThanOrEqual(1000);
        },
      ),
    );
  });

  it('carries about 200 kB at first, more while it is quick, less when nothing arrives, always something', () => {
    const size = new BatchSize();
    expect(size.letters).toBe(200_000);
    size.arrived(100);
    expect(size.letters).toBe(400_000);
    size.arrived(10_000);
    expect(size.letters).toBe(400_000);
    for (let failure = 0; failure < 30; failure += 1) size.failed();
    expect(size.letters).toBeGreaterThan(1000);
    for (let quick = 0; quick < 30; quick += 1) size.arrived(1);
    expect(size.letters).toBeLessThan(1_000_000);
  });
});

describe('what an answer means', () => {
  const answering = (status: number, body: unknown) =>
    new Server(() => Promise.resolve({ status, body: typeof body === 'string' ? body : JSON.stringify(body) }));
  const request = {
    protocol: PROTOCOL,
    account: '019c9c00-0000-7000-8000-000000000001',
    lineage: '019c9c00-0000-7000-8000-000000000002',
    device: { id: '019c9c00-0000-7000-8000-000000000003', name: 'Phone' },
    seen: null,
    cursor: 0,
    mutations: [],
  };

  it.each([
    [401, {}, NoSession, 'trouble'],
    [409, { code: 'other-account' }, NotTheSame, 'trouble'],
    [409, { code: 'other-history' }, NotTheSame, 'trouble'],
    [426, { code: 'protocol', protocol: PROTOCOL + 1 }, OtherVersion, 'newer-server'],
    [426, { code: 'protocol', protocol: PROTOCOL - 1 }, OtherVersion, 'older-server'],
    [500, {}, InTrouble, 'trouble'],
    [502, '<html>', InTrouble, 'trouble'],
    [200, { results: 'none' }, InTrouble, 'trouble'],
  ] as const)('%i %j', async (status, body, fault, called) => {
    const error: unknown = await answering(status, body)
      .sync(request)
      .catch((thrown: unknown) => thrown);
    expect(error).toBeInstanceOf(fault);
    expect(statusOf(error)).toBe(called);
  });

  it('only where no answer comes is the server out of reach', async () => {
    const server = new Server(() => Promise.reject(new TypeError('no answer')));
    const error: unknown = await server.sync(request).catch((thrown: unknown) => thrown);
    expect(error).toBeInstanceOf(OutOfReach);
    expect(statusOf(error)).toBe('offline');
  });
});

it('pictures are the same bytes as text and back, of any size', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 20_000 }), (bytes) => {
      expect(bytesOfImage(imageOfBytes(bytes))).toEqual(bytes);
    }),
    { numRuns: 50 },
  );
});
