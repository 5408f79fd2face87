import { type PowerScale, snapPower } from './powerScale';

/** A frame made by automatic flash, taken over by hand. */
export interface AutomaticStart {
  /** the manual setting that gives the same flash, stops below full */
  manualStops: number;
  /** what automatic would have fired without compensation, stops below full; null where that lies over full power */
  plainStops: number | null;
}

/**
 * The manual start from an automatic frame: the power that the unit reported is the power, compensation already in it;
 * without the compensation it would have been as much less or more.
 */
export const automaticStart = (
  scale: PowerScale,
  reportedStops: number,
  compensationStops: number,
): AutomaticStart => ({
  manualStops: snapPower(scale, reportedStops),
  plainStops: reportedStops - compensationStops > 1e-9 ? null : snapPower(scale, reportedStops - compensationStops),
});
