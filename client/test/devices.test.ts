import { Devices } from '@/setupView/devices';
import { selectNumbers } from '@/setupView/selectSolution';
import { Actions } from '@/store/actions';
import { meteringMoved } from '@/store/deviceSlice';
import { selectFrames, selectReadings } from '@/store/selectors';
import { makeStore } from '@/store/store';
import { Keeper } from '@/store/sync/keeper';
import { openFrame } from '@/workers/openFrame';
import { configure, waitFor } from '@testing-library/dom';
import 'fake-indexeddb/auto';

import type { DeviceCommand, DeviceEvent, DeviceView } from '@sphene/core/devices';
import { SAMPLE_BEGUN, SAMPLE_TERRACE, sampleId } from '@sphene/core/sample';
import { FakeServer, freshDevice, testWorld } from './fakeServer';

// a busy machine is no failure
configure({ asyncUtilTimeout: 20_000 });
jest.mock('@/workers/openFrame', () => ({ openFrame: jest.fn() }));

const { setup } = SAMPLE_TERRACE;
const [light] = setup.lights;
if (light === undefined) throw new Error('the terrace has a light');
const PAGE = sampleId(900);
const STATE = {
  type: 'state',
  mode: 'ambient',
  read: 'aperture',
  av: 5,
  tv: 7,
  sv: 0,
  head: 'camera',
  role: 'face',
  place: 'Face',
} as const;
const device = (id: string, kind: DeviceView['kind'], over: Partial<DeviceView> = {}): DeviceView => ({
  protocol: 1,
  id,
  kind,
  name: `The ${kind}`,
  simulated: true,
  connectedBy: PAGE,
  meter: kind === 'meter' ? STATE : null,
  radio: null,
  ...over,
});

let server: FakeServer;
/** what the gateway was told, in order */
let told: [device: string, command: DeviceCommand][];
const BINS = new Array<number>(64).fill(0);
let answer: () => { status: number; body: unknown };
let events: { onmessage: ((event: { data: string }) => void) | null };
let keeper: Keeper;

beforeEach(() => {
  server = new FakeServer();
  server.session = true;
  SAMPLE_BEGUN.forEach((document) => server.add(document));
  told = [];
  answer = () => ({ status: 200, body: {} });
  events = { onmessage: null };
  sessionStorage.setItem('sphene-devices-page', PAGE);
  freshDevice();
  const gateway = (url: string, init: { body: string }) => {
    const command = /^\/api\/devices\/(\w+)\/command$/.exec(url);
    if (command?.[1] !== undefined) told.push([command[1], JSON.parse(init.body) as DeviceCommand]);
    const { status, body } = answer();
    return Promise.resolve({
      ok: status < 300,
      status,
      json: () => Promise.resolve(body),
      blob: () => Promise.resolve(new Blob([])),
    } as Response);
  };
  Object.assign(globalThis, {
    fetch: gateway,
    EventSource: function fakeEventSource() {
      return events;
    },
  });
});
afterEach(() => keeper.stop());

async function open(...list: DeviceView[]) {
  const store = makeStore();
  keeper = new Keeper(store, testWorld(server));
  await keeper.start();
  const actions = new Actions(store, keeper);
  const devices = new Devices(store, actions);
  devices.resume();
  const happens = (event: DeviceEvent) => events.onmessage?.({ data: JSON.stringify(event) });
  happens({ type: 'devices', devices: list });
  store.dispatch(meteringMoved({ setupId: setup.id, pointId: 'face' }));
  return {
    devices,
    happens,
    state: () => store.getState(),
    trouble: () => store.getState().devices.trouble,
    readings: () => selectReadings(store.getState(), setup.id),
  };
}
const fired = [
  {
    lightId: light.id,
    unitId: light.unitId,
    outlet: null,
    zoomMm: null,
    modifierId: light.modifierId,
    gridId: null,
    gelIds: [],
    atAim: true,
    distanceM: 2,
    placeSaid: true,
    sideDeg: null,
    heightM: null,
    asideDeg: null,
    featherDeg: 0,
    powerStops: -3,
    highSpeedSyncLossStops: 0,
  },
];
const reading = (over: object): DeviceEvent => ({
  type: 'reading',
  deviceId: 'meter',
  name: 'The meter',
  simulated: true,
  reading: { type: 'reading', mode: 'flash', read: 'aperture', av: 5, tv: 7, sv: 0, head: 'camera', ...over },
});

describe('firing a test', () => {
  it('holds the meter, sets it to flash, sets the powers, and only then fires', async () => {
    const { devices, state } = await open(device('meter', 'meter'), device('radio', 'radio'));
    await devices.fire('radio', setup.id, 'face', fired);
    const camera = selectNumbers(state(), setup.id)?.camera;
    expect(told.map(([id, { type }]) => `${id} ${type}`)).toEqual([
      'meter hold',
      'meter set',
      'radio arrange',
      'radio fire',
    ]);
    expect(told[1]?.[1]).toEqual({ type: 'set', mode: 'flash', tv: camera?.tv, sv: camera?.sv });
    expect(told[2]?.[1]).toMatchObject({ heads: [{ group: light.group, powerStops: -3 }] });
    expect(told[3]?.[1]).toEqual({ type: 'fire', groups: [light.group] });
  });

  it('the flash reading that follows is the test of these lights there, and the meter goes back to ambient', async () => {
    const { devices, happens, readings } = await open(device('meter', 'meter'), device('radio', 'radio'));
    await devices.fire('radio', setup.id, 'face', fired);
    told.splice(0);
    happens(reading({ av: 5.3 }));
    expect(readings().at(-1)).toMatchObject({
      pointId: 'face',
      light: 'total',
      av: 5.3,
      meterMode: 'flash',
      origin: 'simulated',
      fired: [{ lightId: light.id, powerStops: -3 }],
    });
    await waitFor(() => expect(told).toContainEqual(['meter', { type: 'set', mode: 'ambient' }]));
    // the next one is no test of that pop
    happens(reading({ mode: 'ambient', av: 4 }));
    expect(readings().at(-1)).toMatchObject({ av: 4, meterMode: 'ambient', fired: [] });
  });

  it('without a meter nothing is fired, and it is said why', async () => {
    const { devices, trouble } = await open(
      device('radio', 'radio'),
      device('other', 'meter', { connectedBy: sampleId(901) }),
    );
    await devices.fire('radio', setup.id, 'face', fired);
    expect(trouble()).toMatch(/Connect a meter first/);
    expect(told).toEqual([]);
  });

  it('a trouble on the way ends the test: what the meter reads later is not taken for it', async () => {
    const { devices, happens, trouble, readings } = await open(device('meter', 'meter'), device('radio', 'radio'));
    await devices.fire('radio', setup.id, 'face', fired);
    happens({ type: 'trouble', deviceId: 'radio', text: 'The flash does not answer. Check its channel.' });
    expect(trouble()).toMatch(/Check its channel/);
    happens(reading({ mode: 'ambient', av: 3 }));
    expect(readings().at(-1)).toMatchObject({ fired: [], av: 3 });
  });
});

describe('a meter is held', () => {
  it('where the next reading goes, told once', async () => {
    const { devices } = await open(device('meter', 'meter'));
    devices.holdAtActivePoint();
    devices.holdAtActivePoint();
    expect(told).toEqual([['meter', { type: 'hold', role: 'face', place: expect.stringMatching(/\w/) as string }]]);
    await devices.connect('meter');
    expect(told).toHaveLength(2);
  });
});

describe('a camera', () => {
  const picture: DeviceEvent = {
    type: 'picture',
    deviceId: 'camera',
    name: 'The camera',
    simulated: true,
    pictureId: sampleId(902),
    picture: { type: 'picture', av: 5, tv: 7, sv: 0, bytes: 10 },
  };
  const opened = openFrame as jest.MockedFunction<typeof openFrame>;

  it('that is simulated is shown the stage before it is released at the settings in force', async () => {
    const { devices, state } = await open(device('camera', 'camera'));
    await devices.release('camera');
    const camera = selectNumbers(state(), setup.id)?.camera;
    expect(told.map(([, { type }]) => type)).toEqual(['stage', 'shoot']);
    expect(told[0]?.[1]).toMatchObject({ setup: { id: setup.id } });
    expect(told[1]?.[1]).toEqual({ type: 'shoot', av: camera?.av, tv: camera?.tv, sv: camera?.sv });
  });

  it('that is real is only released', async () => {
    const { devices } = await open(device('camera', 'camera', { simulated: false }));
    await devices.release('camera');
    expect(told.map(([, { type }]) => type)).toEqual(['shoot']);
  });

  it('its picture becomes a frame of the setup; one that did not arrive whole is said, and nothing is kept', async () => {
    const { happens, state, trouble } = await open(device('camera', 'camera'));
    const frames = () => selectFrames(state(), setup.id);
    const before = frames().length;
    opened.mockResolvedValueOnce({ ok: false, reason: 'no picture' });
    happens(picture);
    await waitFor(() => expect(trouble()).toMatch(/did not arrive whole/));
    answer = () => ({ status: 404, body: {} });
    happens(picture);
    await waitFor(() => expect(opened).toHaveBeenCalledTimes(1));
    expect(frames()).toHaveLength(before);
    answer = () => ({ status: 200, body: {} });
    opened.mockResolvedValueOnce({
      ok: true,
      told: true,
      facts: {
        name: 'The camera 12:00:00',
        takenAt: null,
        byItself: { exposure: null, compensationStops: null, whiteBalance: null, flashFired: null },
        widthPx: 3,
        heightPx: 2,
        image: 'data:image/jpeg;base64,AA==',
        av: 5,
        tv: 7,
        sv: 0,
        settingsFrom: 'exif',
        histogram: { red: BINS, green: BINS, blue: BINS },
        clipped: { highlights: [0, 0, 0], shadows: [0, 0, 0] },
      },
    });
    happens(picture);
    await waitFor(() => expect(frames()).toHaveLength(before + 1));
    expect(frames().at(-1)).toMatchObject({ settingsFrom: 'simulated', av: 5 });
  });
});

describe('a gateway that refuses', () => {
  it.each([
    [409, { error: 'Another page has it.' }, /Another page has it/],
    [400, 'rubbish', /Look for devices again/],
    [502, {}, /cannot be reached/],
  ])('%i is said in its words or ours', async (status, body, words) => {
    const { devices, trouble } = await open();
    answer = () => ({ status, body });
    await devices.command('meter', { type: 'press' });
    expect(trouble()).toMatch(words);
  });
});
