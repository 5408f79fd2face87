import { DEVICE_PROTOCOL, type DeviceHello } from '@sphene/core/devices';
import { formatAperture, formatIso, formatShutter } from '@sphene/core/notation';
import type { ExposureSettings } from '@sphene/core/photometry';
import { commandButton, devicePage } from './page';
import { Photographer, type Staged } from './photograph';
import { endOnSignal, serveDevice } from './serveDevice';
import { takePicture } from './simulatedCamera';
import type { Pop } from './simulatedRadio';

const hello: DeviceHello = {
  protocol: DEVICE_PROTOCOL,
  id: 'stand-in-camera',
  kind: 'camera',
  name: 'Simulated camera',
  simulated: true,
};
let settings: ExposureSettings = { av: 5, tv: 7, sv: 0 };
/** the flash that fires with every picture, once a radio has shown it */
let flashAv: Pop = {};
/** who stands there, once the application has said it */
let staged: Staged | null = null;
const photographer = new Photographer();

/** The camera's clock, as EXIF writes it: the place's time, with no zone. */
const clock = () => new Date().toLocaleString('sv-SE', { timeZone: 'Europe/Vienna' }).replace(/-/g, ':');

const device = await serveDevice({
  hello,
  port: Number(process.env['PORT'] ?? 4792),
  page: () =>
    devicePage(
      hello.name,
      `<output>${formatShutter(settings.tv, 'third')} ` +
        `${formatAperture(settings.av, 'third')}</output><p>${formatIso(settings.sv)}</p><div ` +
        `class="press">${commandButton('Release', { type: 'shoot', ...settings })}</div>`,
    ),
  onConnect: () => undefined,
  onCommand(command) {
    if (command.type === 'set')
      settings = { av: command.av ?? settings.av, tv: command.tv ?? settings.tv, sv: command.sv ?? settings.sv };
    if (command.type === 'pop') flashAv = command.flashAv;
    if (command.type === 'stage') staged = command;
    if (command.type !== 'shoot') return;
    settings = { av: command.av, tv: command.tv, sv: command.sv };
    const [taken, pop] = [settings, flashAv];
    void (staged === null ? Promise.resolve(null) : photographer.photograph(staged, taken, pop)).then((photograph) => {
      const picture = takePicture(taken, clock(), pop, photograph);
      device.say({ type: 'picture', ...taken, bytes: picture.length }, picture);
    });
  },
});
endOnSignal(device);
console.log(JSON.stringify({ msg: 'listening', port: device.port }));
