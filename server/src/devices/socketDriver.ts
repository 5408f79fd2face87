import { once } from 'node:events';
import WebSocket from 'ws';

import { type DeviceKind, deviceMessageSchemas } from '@sphene/core/devices';
import type { DeviceDriver, DriverEvents } from './driver';

/** A device may say so much within so long; a hand cannot press faster. */
const MOST_MESSAGES = 40;
const WITHIN_MS = 2000;
/** After so much rubbish a device is put aside. */
const MOST_RUBBISH = 5;
const MAX_TEXT_BYTES = 4096;
const MAX_BYTES = 40_000_000;
const OPEN_MS = 3000;
const ALIVE_EVERY_MS = 5000;
/** A device may be busy with a picture and answer nothing meanwhile; one that is unplugged closes its socket. */
const SILENT_MS = 30_000;

/** Reads what a device sends: JSON messages, and the bytes that a picture announced. Anything else is rubbish. */
export function deviceReader(
  kind: DeviceKind,
  events: Pick<DriverEvents, 'message' | 'trouble'>,
  putAside: (text: string) => void,
  now: () => number = Date.now,
) {
  const times: number[] = [];
  let rubbish = 0;
  let announced: Parameters<DriverEvents['message']>[0] | null = null;
  const refuse = (text: string) => {
    rubbish += 1;
    if (rubbish >= MOST_RUBBISH)
      putAside('It sent too much that cannot be read, so it was disconnected. Check the device and connect it again.');
    else events.trouble(text);
  };
  return (data: Uint8Array, isBinary: boolean): void => {
    times.push(now());
    while (times[0] !== undefined && times[0] < now() - WITHIN_MS) times.shift();
    if (times.length > MOST_MESSAGES)
      return putAside(
        'It sent far more than a hand can press, so it was disconnected. Check the device and connect it again.',
      );
    if (isBinary) {
      const picture = announced;
      announced = null;
      if (picture?.type !== 'picture' || picture.bytes !== data.length)
        return refuse('It sent a picture that it had not announced, or not whole. Take it again.');
      return events.message(picture, data);
    }
    if (data.length > MAX_TEXT_BYTES) return refuse('It sent a message that is too long. Nothing of it was taken.');
    let raw: unknown;
    try {
      raw = JSON.parse(Buffer.from(data).toString());
    } catch {
      return refuse('It sent something that is no message. Nothing of it was taken; press again.');
    }
    const message = deviceMessageSchemas[kind].safeParse(raw);
    if (!message.success)
      return refuse('It sent a reading that cannot be right. Nothing of it was taken; press again.');
    if (message.data.type === 'picture') announced = message.data;
    else events.message(message.data);
  };
}

/** The driver for devices that speak docs/devices.md over a socket on this machine. */
export const socketDriver = (kind: DeviceKind): DeviceDriver => ({
  kind,
  async open(address, _hello, events) {
    const socket = new WebSocket(`${address.replace(/^http/, 'ws').replace(/\/$/, '')}/session`, {
      maxPayload: MAX_BYTES,
      handshakeTimeout: OPEN_MS,
    });
    let over = false;
    const end = (text: string) => {
      if (over) return;
      over = true;
      clearInterval(beating);
      socket.terminate();
      events.gone(text);
    };
    let heardAt = Date.now();
    const beating = setInterval(() => {
      if (Date.now() - heardAt > SILENT_MS) return end('It stopped answering. Switch it on again and connect it.');
      socket.ping();
    }, ALIVE_EVERY_MS);
    socket.on('pong', () => {
      heardAt = Date.now();
    });
    socket.on('error', () => end('The connection broke.'));
    socket.on('close', () => end('It went away. What it had sent is kept; connect it again when it is back.'));
    const read = deviceReader(kind, events, end);
    socket.on('message', (data, isBinary) => {
      heardAt = Date.now();
      if (!over) read(data as Buffer, isBinary);
    });
    try {
      await once(socket, 'open');
    } catch (error) {
      over = true;
      clearInterval(beating);
      throw error;
    }
    return {
      send: (command) => {
        if (!over) socket.send(JSON.stringify(command));
      },
      close: () => {
        over = true;
        clearInterval(beating);
        socket.close(1000);
      },
    };
  },
});
