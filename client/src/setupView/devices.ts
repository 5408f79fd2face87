import { texts } from './texts';
import { type Actions } from '@/store/actions';
import { meteringMoved, noticed } from '@/store/deviceSlice';
import { devicesListed, lookingMoved, troubled } from '@/store/devicesSlice';
import { newId } from '@/store/ids';
import { selectGear, selectReadings, selectSetup } from '@/store/selectors';
import type { Store } from '@/store/store';
import { openFrame } from '@/workers/openFrame';
import { z } from 'zod';

import {
  type ArrangedHead,
  DEVICE_KINDS,
  type DeviceCommand,
  type DeviceEvent,
  deviceEventSchema,
  type DeviceView,
  deviceViewSchema,
  type MeterReading,
} from '@sphene/core/devices';
import { kitInUse } from '@sphene/core/formats';
import { statedLight } from '@sphene/core/lights';
import { formatAperture, formatIso, formatShutter } from '@sphene/core/notation';
import type { FiredLight, MeteringMethod } from '@sphene/core/setup';
import { selectActivePointId, selectKit, selectNumbers } from './selectSolution';

const CLIENT = 'sphene-devices-page';
const OUT_OF_REACH = texts.theServerCannotBeReached;
/** Made when it is first wanted: the first screen does not wait for it. */
const answerSchema = () => z.object({ devices: z.array(deviceViewSchema).optional(), error: z.string().optional() });

/** How a meter's head is held, as the way of metering that it is. */
const methodOf = ({ head }: MeterReading): MeteringMethod =>
  head === 'disc' ? { kind: 'disc' } : { kind: 'incident', aim: head };

/** The devices that this page may use: finding, connecting, pressing, and what they send. */
export class Devices {
  private events: EventSource | null = null;
  /** the stream has told who is there: it is in order, an answer beside it may be older than what it told last */
  private streamed = false;
  /** the test that was fired and waits for the meter */
  private fired: { setupId: string; pointId: string; lights: FiredLight[] } | null = null;
  /** where each meter was last told to be held, so that it is told once */
  private readonly told = new Map<string, string>();

  constructor(
    private readonly store: Store,
    private readonly actions: Actions,
  ) {}

  /** Takes up again what this page was connected to before it was reloaded. */
  resume(): void {
    if (sessionStorage.getItem(CLIENT) === null) return;
    this.listen();
  }

  /** Asks who is there. */
  async look(): Promise<void> {
    this.store.dispatch(lookingMoved(true));
    this.listen();
    const answer = await this.ask('', null);
    if (answer?.devices !== undefined && !this.streamed) this.listed(answer.devices);
    this.store.dispatch(lookingMoved(false));
  }

  async connect(id: string): Promise<void> {
    this.store.dispatch(troubled(null));
    this.told.delete(id);
    await this.ask(`/${id}/connect`, { client: this.clientId() });
    this.holdAtActivePoint();
  }

  disconnect = (id: string): Promise<unknown> => this.ask(`/${id}/disconnect`, {});
  command = (id: string, command: DeviceCommand): Promise<unknown> => this.ask(`/${id}/command`, command);

  /** Releases a camera at the settings in force for the setup on screen. */
  async release(id: string): Promise<void> {
    const state = this.store.getState();
    const setupId = state.device.metering?.setupId ?? '';
    const settings = selectNumbers(state, setupId)?.camera ?? selectSetup(state, setupId)?.meter;
    if (settings === undefined) this.store.dispatch(troubled(texts.openASetupFirstIts));
    else {
      const setup = selectSetup(state, setupId);
      // a simulated camera photographs what stands on the stage; a real one sees for itself
      if (setup !== undefined && state.devices.list.some((device) => device.id === id && device.simulated))
        await this.command(id, {
          type: 'stage',
          setup,
          kit: kitInUse(setup, selectKit(state, setupId)),
          readings: [...selectReadings(state, setupId)],
        });
      await this.command(id, { type: 'shoot', av: settings.av, tv: settings.tv, sv: settings.sv });
    }
  }

  /**
   * Sets the powers on a radio, holds the meter at a point in flash mode and fires: the meter's reading then is the
   * test of these lights there.
   */
  async fire(id: string, setupId: string, pointId: string, lights: FiredLight[]): Promise<void> {
    const state = this.store.getState();
    const setup = selectSetup(state, setupId);
    const camera = selectNumbers(state, setupId)?.camera;
    const point = setup?.points.find((one) => one.id === pointId);
    const meter = state.devices.list.find(({ kind, mine }) => kind === 'meter' && mine);
    if (setup === undefined || camera == null || point === undefined) return;
    if (meter === undefined) return void this.store.dispatch(troubled(texts.connectAMeterFirstFiring));
    this.store.dispatch(troubled(null));
    const kit = selectKit(state, setupId);
    const heads = setup.lights.flatMap((light): ArrangedHead[] => {
      const power = lights.find(({ lightId }) => lightId === light.id)?.powerStops ?? light.dialledStops ?? -8;
      return [
        {
          group: light.group,
          channel: light.channel,
          unitId: light.unitId,
          modifierId: light.modifierId,
          gridId: light.gridId,
          powerStops: power,
          promisedAv: statedLight(setup, kit, light),
        },
      ];
    });
    this.fired = { setupId, pointId, lights };
    this.told.delete(meter.id);
    await this.command(meter.id, { type: 'hold', role: point.role, place: point.name });
    await this.command(meter.id, { type: 'set', mode: 'flash', tv: camera.tv, sv: camera.sv });
    await this.command(id, { type: 'arrange', channel: setup.lights[0]?.channel ?? 1, heads });
    await this.command(id, {
      type: 'fire',
      groups: setup.lights
        .filter((light) => lights.some(({ lightId }) => lightId === light.id))
        .map(({ group }) => group),
    });
  }

  /** The meter is held where the application says; called whenever that moves. */
  holdAtActivePoint(): void {
    if (this.fired !== null) return; // it is held for a test
    const state = this.store.getState();
    const { metering } = state.device;
    const point =
      metering === null
        ? undefined
        : selectSetup(state, metering.setupId)?.points.find(
            ({ id }) => id === selectActivePointId(state, metering.setupId),
          );
    if (point === undefined) return;
    const place = `${point.role} ${point.name}`;
    for (const { id, kind, mine, meter } of state.devices.list) {
      if (kind !== 'meter' || !mine || meter === null || this.told.get(id) === place) continue;
      this.told.set(id, place);
      void this.command(id, { type: 'hold', role: point.role, place: point.name });
    }
  }

  private listed(devices: DeviceView[]): void {
    const inOrder = [...devices].sort(
      (a, b) => DEVICE_KINDS.indexOf(a.kind) - DEVICE_KINDS.indexOf(b.kind) || (a.name < b.name ? -1 : 1),
    );
    this.store.dispatch(
      devicesListed(inOrder.map((device) => ({ ...device, mine: device.connectedBy === this.clientId() }))),
    );
  }

  private clientId(): string {
    const known = sessionStorage.getItem(CLIENT) ?? newId();
    sessionStorage.setItem(CLIENT, known);
    return known;
  }

  private listen(): void {
    if (this.events !== null) return;
    this.events = new EventSource(`/api/devices/events?client=${this.clientId()}`);
    this.events.onmessage = ({ data }: MessageEvent<string>) => {
      const event = deviceEventSchema.safeParse(JSON.parse(data));
      if (event.success) void this.happened(event.data);
    };
  }

  private async happened(event: DeviceEvent): Promise<void> {
    if (event.type === 'devices') {
      this.streamed = true;
      this.listed(event.devices);
      this.holdAtActivePoint();
    } else if (event.type === 'trouble') {
      this.fired = null;
      this.store.dispatch(troubled(event.text));
    } else if (event.type === 'reading') this.take(event);
    else await this.develop(event);
  }

  /** A reading goes to the point that is active in the setup on screen. */
  private take({ deviceId, reading, name, simulated }: Extract<DeviceEvent, { type: 'reading' }>): void {
    const state = this.store.getState();
    if (this.fired !== null && reading.mode === 'flash') {
      const { setupId, pointId, lights } = this.fired;
      this.fired = null;
      const { av, tv, sv, read, mode } = reading;
      const text = formatAperture(av, selectGear(state).preferences.meterIncrement);
      this.actions.addReading(setupId, {
        pointId,
        text,
        av,
        tv,
        sv,
        read,
        light: 'total',
        method: methodOf(reading),
        meterMode: mode,
        origin: simulated ? 'simulated' : 'device',
        fired: lights,
      });
      this.store.dispatch(noticed({ text: texts.withTheFlashFrom(text, name.toLowerCase()) }));
      void this.command(deviceId, { type: 'set', mode: 'ambient' });
      this.told.delete(deviceId);
      return this.holdAtActivePoint();
    }
    const setupId = state.device.metering?.setupId ?? null;
    const pointId = setupId === null ? null : selectActivePointId(state, setupId);
    const text = {
      aperture: formatAperture(reading.av, selectGear(state).preferences.meterIncrement),
      shutter: formatShutter(reading.tv, 'third'),
      iso: formatIso(reading.sv),
    }[reading.read];
    this.store.dispatch(troubled(null));
    if (setupId === null || pointId === null)
      return void this.store.dispatch(noticed({ text: texts.openASetupAndPress(name, text) }));
    const { av, tv, sv, read, mode } = reading;
    const point = selectSetup(state, setupId)?.points.find(({ id }) => id === pointId);
    this.actions.addReading(setupId, {
      pointId,
      text,
      av,
      tv,
      sv,
      read,
      method: methodOf(reading),
      meterMode: mode,
      origin: simulated ? 'simulated' : 'device',
    });
    this.store.dispatch(meteringMoved({ setupId, pointId: null }));
    this.store.dispatch(noticed({ text: texts.readingFrom(point?.name ?? texts.point, text, name.toLowerCase()) }));
    this.holdAtActivePoint();
  }

  /** A picture becomes a test frame of the setup on screen. */
  private async develop({
    picture,
    pictureId,
    name,
    simulated,
  }: Extract<DeviceEvent, { type: 'picture' }>): Promise<void> {
    const setupId = this.store.getState().device.metering?.setupId;
    if (setupId === undefined) return void this.store.dispatch(troubled(texts.openASetupFirstThen(name)));
    try {
      const response = await fetch(`/api/devices/pictures/${pictureId}`);
      const opened = response.ok
        ? await openFrame(await response.blob(), `${name} ${new Date().toISOString().slice(11, 19)}`, picture)
        : null;
      if (!opened?.ok) return void this.store.dispatch(troubled(texts.thePictureDidNotArrive(name)));
      this.actions.addFrame(setupId, {
        ...opened.facts,
        settingsFrom: simulated ? 'simulated' : opened.facts.settingsFrom,
      });
      this.store.dispatch(noticed({ text: texts.aTestFrameCameFrom(name.toLowerCase()) }));
    } catch {
      this.store.dispatch(troubled(OUT_OF_REACH));
    }
  }

  /** One request to the gateway; what goes wrong is shown, never thrown. */
  private async ask(path: string, body: unknown): Promise<z.infer<ReturnType<typeof answerSchema>> | null> {
    try {
      const response = await fetch(
        `/api/devices${path}`,
        body === null
          ? {}
          : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
      );
      const answer = answerSchema().safeParse(await response.json().catch(() => null)).data ?? {};
      if (response.ok) return answer;
      this.store.dispatch(
        troubled(response.status >= 500 ? OUT_OF_REACH : (answer.error ?? texts.theDeviceGatewayRefusedLook)),
      );
    } catch {
      this.store.dispatch(troubled(OUT_OF_REACH));
    }
    return null;
  }
}
