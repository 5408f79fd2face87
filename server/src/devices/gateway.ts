import { randomUUID } from 'node:crypto';

import {
  type DeviceCommand,
  type DeviceEvent,
  type DeviceHello,
  deviceHelloSchema,
  type DeviceKind,
  type DeviceView,
  type MeterState,
  type RadioState,
} from '@sphene/core/devices';
import { textUpTo } from '../textUpTo';
import type { DeviceDriver, DeviceLink } from './driver';

interface Known {
  address: string;
  hello: DeviceHello;
  link: DeviceLink | null;
  /** the page that connected it: its readings go there and nowhere else */
  page: Page | null;
  meter: MeterState | null;
  radio: RadioState | null;
  waiting: NodeJS.Timeout | null;
}

/** A page of an account, by the id that it gave itself. */
export interface Page {
  accountId: string;
  clientId: string;
}

interface Listening {
  page: Page;
  tell: (event: DeviceEvent) => void;
}

const samePage = (a: Page, b: Page): boolean => a.accountId === b.accountId && a.clientId === b.clientId;

const ASK_MS = 3000;
/** A press or a release is answered within this, or the device is said not to have answered. */
const ANSWER_MS = 6000;
/** A camera exposes for seconds where it is dark, and then writes. */
const PICTURE_MS = 30_000;
const PICTURES_KEPT = 8;
/** Who a device is fits in so much; one that goes on is none. */
const MOST_HELLO_BYTES = 2000;

/** Finds devices at their addresses, connects them, and passes on what they say to the page that connected them. */
export class DeviceGateway {
  private readonly known = new Map<string, Known>();
  private readonly listeners = new Set<Listening>();
  private readonly pictures = new Map<string, { bytes: Uint8Array; accountId: string }>();

  isClosed = false;
  private endStreams: () => void = () => undefined;
  /** settles when the gateway closes, so that streams can end */
  readonly closed = new Promise<void>((done) => {
    this.endStreams = done;
  });

  constructor(
    private readonly addresses: readonly string[],
    private readonly drivers: Record<DeviceKind, DeviceDriver>,
  ) {}

  /**
   * Asks every address who is there. Those that do not answer are left out, unless they are connected, and so are
   * those that another account has. Who listens is told too: their stream is in order, an answer beside it is not.
   */
  async list(accountId: string): Promise<DeviceView[]> {
    await Promise.all(
      this.addresses.map(async (address) => {
        const hello = await this.ask(address);
        const before = [...this.known.values()].find((one) => one.address === address);
        if (hello === null) {
          if (before !== undefined && before.link === null) this.known.delete(before.hello.id);
        } else if (before?.hello.id !== hello.id)
          this.known.set(hello.id, {
            address,
            hello,
            link: null,
            page: null,
            meter: null,
            radio: null,
            waiting: null,
          });
      }),
    );
    this.tellAll();
    return this.views(accountId);
  }

  /** Connects a device for a page. Rejects with a message when it cannot. */
  async connect(id: string, page: Page): Promise<void> {
    const device = this.deviceOf(id, page.accountId);
    if (device === undefined) throw new Error('This device is not there any more. Look for devices again.');
    if (device.link !== null) this.drop(device);
    device.page = page;
    try {
      device.link = await this.drivers[device.hello.kind].open(device.address, device.hello, {
        message: (message, bytes) => {
          this.answered(device);
          if (message.type === 'state') {
            device.meter = message;
            this.tellAll();
          } else if (message.type === 'radio') {
            device.radio = message;
            this.tellAll();
          } else if (message.type === 'problem') this.trouble(device, message.text);
          else if (message.type === 'reading')
            this.tell(device, {
              type: 'reading',
              deviceId: id,
              name: device.hello.name,
              simulated: device.hello.simulated,
              reading: message,
            });
          else if (bytes !== undefined)
            this.tell(device, {
              type: 'picture',
              deviceId: id,
              name: device.hello.name,
              simulated: device.hello.simulated,
              pictureId: this.keepPicture(bytes, page.accountId),
              picture: message,
            });
        },
        trouble: (text) => {
          this.answered(device);
          this.trouble(device, text);
        },
        gone: (text) => {
          this.trouble(device, text);
          this.drop(device);
        },
      });
    } catch {
      throw new Error(`${device.hello.name} does not answer. Switch it on and look for devices again.`);
    }
    this.tellAll();
  }

  /** A device that is free, or this account's: nobody sees or touches what another account has connected. */
  private deviceOf(id: string, accountId: string): Known | undefined {
    const device = this.known.get(id);
    const isOthers = device?.link != null && device.page?.accountId !== accountId;
    return isOthers ? undefined : device;
  }

  disconnect(id: string, accountId: string): void {
    const device = this.deviceOf(id, accountId);
    if (device !== undefined) this.drop(device);
  }

  /** Passes a command on. Throws with a message when the device is not connected. */
  command(id: string, accountId: string, command: DeviceCommand): void {
    const device = this.deviceOf(id, accountId);
    if (device?.link == null) throw new Error('This device is not connected. Connect it first.');
    device.link.send(command);
    if (command.type !== 'press' && command.type !== 'shoot') return;
    this.answered(device);
    device.waiting = setTimeout(
      () => this.trouble(device, 'It did not answer. Press again, or look for devices anew.'),
      command.type === 'shoot' ? PICTURE_MS : ANSWER_MS,
    );
  }

  /** A picture that a device of this account took. */
  picture(id: string, accountId: string): Uint8Array | undefined {
    const picture = this.pictures.get(id);
    return picture?.accountId === accountId ? picture.bytes : undefined;
  }

  /** Tells a page what happens, from now until the function that comes back is called. */
  listen(page: Page, tell: (event: DeviceEvent) => void): () => void {
    const listening = { page, tell };
    // a page that comes again takes the place of what it was
    for (const one of this.listeners) if (samePage(one.page, page)) this.listeners.delete(one);
    this.listeners.add(listening);
    tell({ type: 'devices', devices: this.views(page.accountId) });
    return () => void this.listeners.delete(listening);
  }

  close(): void {
    for (const device of this.known.values()) this.drop(device);
    this.listeners.clear();
    this.isClosed = true;
    this.endStreams();
  }

  private views = (accountId: string): DeviceView[] =>
    [...this.known.values()]
      .filter(({ link, page }) => link === null || page?.accountId === accountId)
      .map(({ hello, link, page, meter, radio }) => ({
        ...hello,
        connectedBy: link === null ? null : (page?.clientId ?? null),
        meter: link === null ? null : meter,
        radio: link === null ? null : radio,
      }));

  private async ask(address: string): Promise<DeviceHello | null> {
    try {
      const response = await fetch(`${address.replace(/\/$/, '')}/device`, {
        signal: AbortSignal.timeout(ASK_MS),
        redirect: 'error',
      });
      const text = await textUpTo(response, MOST_HELLO_BYTES);
      return text === null ? null : (deviceHelloSchema.safeParse(JSON.parse(text)).data ?? null);
    } catch {
      return null;
    }
  }

  private keepPicture(bytes: Uint8Array, accountId: string): string {
    const id = randomUUID();
    this.pictures.set(id, { bytes, accountId });
    const [oldest] = this.pictures.keys();
    if (this.pictures.size > PICTURES_KEPT && oldest !== undefined) this.pictures.delete(oldest);
    return id;
  }

  private answered(device: Known): void {
    if (device.waiting !== null) clearTimeout(device.waiting);
    device.waiting = null;
  }

  private trouble(device: Known, text: string): void {
    this.tell(device, { type: 'trouble', deviceId: device.hello.id, text: `${device.hello.name}: ${text}` });
  }

  private drop(device: Known): void {
    this.answered(device);
    device.link?.close();
    device.link = null;
    device.meter = null;
    device.radio = null;
    this.tellAll();
  }

  private tell({ page }: Known, event: DeviceEvent): void {
    if (page === null) return;
    for (const one of this.listeners) if (samePage(one.page, page)) one.tell(event);
  }

  private tellAll(): void {
    for (const { page, tell } of this.listeners) tell({ type: 'devices', devices: this.views(page.accountId) });
  }
}
