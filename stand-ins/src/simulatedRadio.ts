import type { ArrangedHead, DeviceCommand, RadioFault, RadioState } from '@sphene/core/devices';
import { addLight } from '@sphene/core/photometry';
import type { PointRole } from '@sphene/core/setup';

/** How far heads, modifiers and grids really lie off what is printed on them, at most, stops. */
const MOST_OFF_STOPS = { unit: 0.6, modifier: 0.4, grid: 0.2 } as const;
/** How far a dial strays for each stop under full, at most. */
const MOST_SLOPE = 0.02;

/** A figure from −1 to 1 that hangs on a text alone (FNV-1a), so that the same head always strays alike. */
function strayOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const letter of text) hash = Math.imul(hash ^ letter.charCodeAt(0), 0x01000193);
  hash = Math.imul(hash ^ (hash >>> 15), 0x85ebca6b);
  return ((hash ^ (hash >>> 13)) >>> 0) / 0x7fffffff - 1;
}

/** The light of a pop at each kind of point, as aperture values at ISO 100. */
export type Pop = Partial<Record<PointRole, number>>;

/** A transmitter and its heads: each has true deviations that nobody is told, for calibration to learn. */
export class SimulatedRadio {
  private channel = 1;
  private heads: ArrangedHead[] = [];
  fault: RadioFault | null = null;

  constructor(private readonly seed: string) {}

  get state(): RadioState {
    return {
      type: 'radio',
      channel: this.channel,
      heads: this.heads.map(({ group, powerStops }) => ({ group, powerStops })),
      fault: this.fault,
    };
  }

  /** What it is told, other than to fire. */
  obey(command: DeviceCommand): void {
    if (command.type === 'arrange') [this.channel, this.heads] = [command.channel, command.heads];
    if (command.type === 'fault') this.fault = command.fault;
  }

  /** The light that a head really gives against what is stated, stops. */
  deviationStops({
    unitId,
    modifierId,
    gridId,
    powerStops,
  }: Pick<ArrangedHead, 'unitId' | 'modifierId' | 'gridId' | 'powerStops'>): number {
    const of = (kind: keyof typeof MOST_OFF_STOPS, id: string | null) =>
      id === null ? 0 : MOST_OFF_STOPS[kind] * strayOf(`${this.seed} ${kind} ${id}`);
    return (
      of('unit', unitId) +
      of('modifier', modifierId) +
      of('grid', gridId) +
      MOST_SLOPE * strayOf(`${this.seed} dial ${unitId}`) * powerStops
    );
  }

  /** Fires groups: the light that comes, or what the transmitter knows to be wrong. Heads on another channel simply stay dark. */
  fire(groups: readonly string[]): { pop: Pop } | { problem: string } {
    const called = this.heads.filter(({ group }) => groups.includes(group));
    const names = called.map(({ group }) => group).join(' and ');
    if (called.length === 0)
      return { problem: `No head is in group ${groups.join(' or ')}. Arrange the lights in the setup first.` };
    if (this.fault === 'contact')
      return {
        problem: `No contact with ${names}. Bring the transmitter nearer, or look at the batteries, then fire again.`,
      };
    if (this.fault === 'recycle')
      return {
        problem: `${names} ${called.length === 1 ? 'is' : 'are'} not recycled yet, nothing fired. Wait for the ready light and fire again.`,
      };
    const heard = this.fault === 'channel' ? [] : called.filter(({ channel }) => channel === this.channel);
    const pop: Pop = {};
    for (const head of heard)
      for (const [role, promised] of Object.entries(head.promisedAv) as [PointRole, number][]) {
        const av = promised + head.powerStops + this.deviationStops(head);
        pop[role] = pop[role] === undefined ? av : addLight(pop[role], av);
      }
    return { pop };
  }
}
