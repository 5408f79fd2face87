import {
  type AmbientSource,
  type Arrangement,
  AS_IT_STANDS,
  isOpening,
  type Standing,
  standing,
  sunStand,
} from '../gain';
import type { Kit } from '../gear';
import { type Reading, type SceneChange, type Setup, setupAt, standAt } from '../setup';

/** A setup and its panels as they stood. */
export interface State {
  setup: Setup;
  panels: readonly Standing[];
}

/** How a setup stood whenever something was read in it. */
export class States {
  readonly now: State;
  private readonly known = new Map<string, State>();

  /** @param changes that hold, oldest first */
  constructor(
    private readonly setup: Setup,
    private readonly kit: Kit,
    private readonly changes: readonly SceneChange[] = [],
  ) {
    this.now = this.as(AS_IT_STANDS);
  }

  /** As it stands, with the panels in an arrangement. */
  as(arrangement: Arrangement): State {
    return { setup: this.setup, panels: standing(this.setup, this.kit, arrangement) };
  }

  /** As it stood when a reading was taken. */
  of({ id, at, stood }: Pick<Reading, 'id' | 'at' | 'stood'>): State {
    const known = this.known.get(id);
    if (known !== undefined) return known;
    const setup = stood === null ? this.asFarAsKnown(at) : setupAt(this.setup, stood);
    const state = { setup, panels: standing(setup, this.kit, (panel) => standAt(panel, at)) };
    this.known.set(id, state);
    return state;
  }

  /** A reading that has not written down how things stood: as they stand, but for lamps that something was done to since. */
  private asFarAsKnown(at: string): Setup {
    const since = this.changes.filter((change) => change.what === 'lamp' && Date.parse(change.at) > Date.parse(at));
    if (since.length === 0) return this.setup;
    return { ...this.setup, lamps: this.setup.lamps.filter(({ id }) => since.every(({ thingId }) => thingId !== id)) };
  }
}

/** Openings light what lies nowhere in the scene as they light the people; other panels do not. */
export const openingsOf = ({ panels }: State): Standing[] => panels.filter(isOpening);

/** A source as it stood in a state: the sun by its own direction there. */
export function sourceIn(source: AmbientSource, { setup }: State): AmbientSource {
  if (source.kind !== 'sun') return source;
  const stands = sunStand(setup.stage);
  return stands === null ? source : { ...source, towards: stands.towards };
}
