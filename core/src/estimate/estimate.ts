import { type Beliefs, BELIEFS } from './beliefs';
import type { Evening, Fired, Held, Learned, Made, Wanted } from './evening';
import { type Estimated, type Evidence, type Fit, fit } from './fit';
import { Model } from './model';

/** The light, as far as it is known. */
export interface Estimate {
  fit: Fit;
  /** what would be read; its ± is the estimate's, the meter's noise comes on top */
  expect: (wanted: Wanted) => Estimated;
  /** the ambient alone */
  ambient: (held: Held, minute?: number) => Estimated;
  /** the ambient at a receiver over that at another, or as that was lit otherwise */
  ambientOver: (held: Held, other: Held) => Estimated;
  /** one light alone */
  flash: (fired: Fired, held: Held, minute?: number) => Estimated;
  /** what is believed of things of the kit now */
  learned: (made: readonly Made[]) => Learned;
  /** each reading against what all the others foretell, standard deviations */
  surprises: () => number[];
}

/** Estimates the light of an evening. @param before the estimate before the newest reading: where to start from */
export function estimate(evening: Evening, before?: Estimate, beliefs: Beliefs = BELIEFS): Estimate {
  const model = new Model(evening, beliefs);
  const figures = evening.taken.map((one): Evidence => ({
    levels: model.levels(one),
    stops: one.stops,
    sdStops: one.sdStops,
    tails: one.sure ? null : beliefs.tails,
  }));
  const found = fit(model.components, figures, before?.fit);
  return {
    fit: found,
    expect: (wanted) => found.sumOf(model.levels(wanted), false),
    ambient: (held, minute = evening.now) => found.sumOf(model.ambient(held, minute), false),
    ambientOver: (held, other) => found.overOf(model.ambient(held, evening.now), model.ambient(other, evening.now)),
    // two readings of one head that disagree leave it unsettled; the ambient is read by itself
    flash: (fired, held, minute = evening.now) => found.sumOf([model.flash(fired, held.point, minute)], true),
    learned: (made) => {
      const joint = found.jointly(made.map((one) => model.madeLevel(one)));
      return { ids: made.map(({ id }) => id), ...joint };
    },
    surprises: found.surprises,
  };
}
