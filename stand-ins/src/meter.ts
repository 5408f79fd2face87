import { DEVICE_PROTOCOL, type DeviceHello, type MeterReading, seeded } from '@sphene/core/devices';
import { english } from '@sphene/core/english';
import { formatAperture, formatIso, formatShutter } from '@sphene/core/notation';
import { POINT_ROLES } from '@sphene/core/setup';
import { commandButton, devicePage, escape } from './page';
import { endOnSignal, serveDevice } from './serveDevice';
import { SimulatedMeter } from './simulatedMeter';

const hello: DeviceHello = {
  protocol: DEVICE_PROTOCOL,
  id: 'stand-in-meter',
  kind: 'meter',
  name: 'Simulated meter',
  simulated: true,
};
const stops = (name: string): number => Number(process.env[name] ?? 0);
const meter = new SimulatedMeter(seeded(Number(process.env['SEED'] ?? Date.now())), {
  underStops: stops('UNDER_STOPS'),
  fallStops: stops('FALL_STOPS'),
});
let last: MeterReading | null = null;

const HEADS = { camera: 'Dome to the camera', light: 'Dome to the light', disc: 'Disc to the light' } as const;

function page(): string {
  const { state } = meter;
  const shown =
    last === null
      ? '–'
      : {
          aperture: formatAperture(last.av, 'tenth'),
          shutter: formatShutter(last.tv, 'third'),
          iso: formatIso(last.sv),
        }[last.read];
  const places = POINT_ROLES.filter((role) => role !== 'own').map((role) =>
    commandButton(
      english.pointRole(role).name,
      { type: 'hold', role, place: english.pointRole(role).name },
      role === state.role,
    ),
  );
  const heads = (Object.keys(HEADS) as (keyof typeof HEADS)[]).map((head) =>
    commandButton(HEADS[head], { type: 'set', head }, head === state.head),
  );
  const modes = (['ambient', 'flash'] as const).map((mode) =>
    commandButton(mode === 'ambient' ? 'Ambient' : 'Flash', { type: 'set', mode }, mode === state.mode),
  );
  return devicePage(
    hello.name,
    `<p>Held at: ${escape(state.place)}. ${formatShutter(state.tv, 'third')}, ${formatIso(state.sv)}.</p><output>${shown}</output>
<div class="press">${commandButton('Press', { type: 'press' })}</div>
<h2>Held at</h2>${places.join('')}<h2>Head</h2>${heads.join('')}<h2>Mode</h2>${modes.join('')}`,
  );
}

const device = await serveDevice({
  hello,
  page,
  port: Number(process.env['PORT'] ?? 4791),
  onConnect: () => device.say(meter.state),
  onCommand(command) {
    if (command.type === 'pop') {
      const said = meter.pop(command.flashAv);
      last = said.type === 'reading' ? said : null;
      device.say(said);
    } else if (meter.obey(command)) {
      const said = meter.press();
      last = said.type === 'reading' ? said : null;
      device.say(said);
    } else device.say(meter.state);
  },
});
endOnSignal(device);
console.log(JSON.stringify({ msg: 'listening', port: device.port }));
