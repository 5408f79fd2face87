import {
  type DeviceCommand,
  type DeviceMessage,
  type MeterReading,
  meterReadingSchema,
  type MeterState,
  TERRACE_LIGHT,
  trueEv100,
} from '@sphene/core/devices';
import { SETTING_OF, settingsAt } from '@sphene/core/notation';
import { addLight, roundToStep } from '@sphene/core/photometry';

type MeterProblem = Extract<DeviceMessage, { type: 'problem' }>;

/** How far one press may be off, stops. */
export const METER_FAULT_STOPS = 0.05;

/** An evening in a hurry: how far the light is under late afternoon, and by how much it falls with each press, stops. */
interface Evening {
  underStops: number;
  fallStops: number;
}

/** A handheld meter in the simulated scene: it holds two values, shows the third in tenths, and errs a little. */
export class SimulatedMeter {
  state: MeterState = {
    type: 'state',
    mode: 'ambient',
    read: 'aperture',
    av: 5,
    tv: 7,
    sv: 0,
    head: 'camera',
    role: 'face',
    place: 'Face',
  };

  private pressed = 0;

  /** @param evening how the light there goes on: how far it is under late afternoon, and by how much it falls with each press */
  constructor(
    private readonly random: () => number,
    private readonly evening: Evening = { underStops: 0, fallStops: 0 },
  ) {}

  /** What it is told; true when that was a press. */
  obey(command: DeviceCommand): boolean {
    if (command.type === 'hold') this.state = { ...this.state, role: command.role, place: command.place };
    else if (command.type === 'set') {
      const { type: _type, ...settings } = command;
      this.state = {
        ...this.state,
        ...Object.fromEntries(Object.entries(settings).filter(([, value]) => value !== undefined)),
      };
    }
    return command.type === 'press';
  }

  /** A pop: the total of flash and ambient where it is held, at its shutter and ISO, as flash mode shows it. */
  pop(flashAv: Partial<Record<MeterState['role'], number>>): MeterReading | MeterProblem {
    return this.show(flashAv[this.state.role] ?? null, 'flash');
  }

  /**
   * One press: the true light where it is held, with the meter's fault, as the value it shows; a problem when
   * that is beyond its display.
   */
  press(): MeterReading | MeterProblem {
    const shown = this.show(null, this.state.mode);
    this.pressed += 1;
    return shown;
  }

  private show(flashAv: number | null, mode: MeterState['mode']): MeterReading | MeterProblem {
    const { head, role, tv } = this.state;
    const read = mode === 'flash' ? 'aperture' : this.state.read;
    const fallen = this.evening.underStops + this.pressed * this.evening.fallStops;
    const ambient = trueEv100(TERRACE_LIGHT[role], head) - fallen;
    // ambient counts for as long as the shutter is open, the flash as it is
    const level =
      (flashAv === null ? ambient : addLight(ambient, flashAv + tv)) + (this.random() * 2 - 1) * METER_FAULT_STOPS;
    const shown = settingsAt(level, read, this.state);
    const key = SETTING_OF[read];
    const reading = {
      type: 'reading',
      mode,
      read,
      head,
      av: shown.av,
      tv: shown.tv,
      sv: shown.sv,
      [key]: roundToStep(shown[key], 0.1),
    };
    const shows = meterReadingSchema.safeParse(reading);
    return shows.success
      ? shows.data
      : {
          type: 'problem',
          text: 'The light is beyond what it can show. Set another shutter or ISO on it and press again.',
        };
  }
}
