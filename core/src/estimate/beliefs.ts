/**
 * What is believed of light before anything is read, all in stops, all Gaussian, one standard deviation each. Chosen on
 * simulated evenings and rooms (`core/test/evenings`): with these figures the truth lies within the ± as often as it
 * should. What wanders is given for a root minute, a trend for a minute. Reasons: docs/light.md.
 */
export const BELIEFS = {
  /** daylight where nothing is said of where people stand: round an ordinary scene */
  daylight: { stops: 10, sd: 6 },
  /** by what a point stands in */
  standsIn: {
    sun: { stops: 15, sd: 1 },
    shade: { stops: 12, sd: 1 },
    indoors: { stops: 7, sd: 2.5 },
  },
  wander: { steady: 0.05, moving: 0.2 },
  /** of a change that is foretold from place and time */
  forecastScale: 0.1,
  /** light fades fast only near twilight: by how bright it is outside, EV100 */
  trend: {
    foretold: 0.01,
    indoors: 0.05,
    outdoors: [
      { aboveEv100: 12, sd: 0.03 },
      { aboveEv100: 9, sd: 0.1 },
      { aboveEv100: -Infinity, sd: 0.25 },
    ],
  },
  /** a point's own surroundings: in the same light as the face, or elsewhere */
  own: { near: 1, far: 3 },
  ownWander: { steady: { near: 0.03, far: 0.03 }, moving: { near: 0.04, far: 0.1 } },
  /** a cloud does not change sun and open shade alike */
  cloud: { daylight: 1.5, near: 0.2, far: 1 },
  /** someone moved, a head turned, a panel moved: the points' own */
  moved: 0.7,
  /** another direction of the dome at the same point, where the geometry does not say it */
  aim: 1,
  /** the room's own light as a share of all, and an opening against the others */
  room: { share: 0.2, sd: 1.5 },
  opening: 0.7,
  /** how much of a shade's light comes from its open side */
  side: { share: 0.5, sd: 1.5 },
  /** the sun against the sky in clear weather */
  sun: 0.5,
  /** a clear sky by place and time, for who stands in the open and in the shade */
  sky: { open: 0.7, shade: 1 },
  lamp: { stated: 0.5, atPoint: 1, switched: 2 },
  unit: 0.5,
  modifier: 0.35,
  grid: 0.2,
  gel: 0.1,
  /** a light's place as typed, and a light at a point that it is not meant for */
  place: 0.15,
  /** where nobody said how far a light stands */
  placeAssumed: 0.5,
  spill: 0.3,
  /** the same where nobody has said where the point or the light's aim lies: it is read there or not known */
  spillUnplaced: { stops: -2, sd: 2 },
  /** a unit's dial, for each stop away from 1/16 */
  dial: 0.02,
  /** another meter against the one that is always used, and a camera with its lens and picture curve */
  instrument: 0.1,
  /** a unit at the lowest end of its dial, for each stop of it, and what high-speed sync takes against what is stated */
  lowEnd: 0.1,
  syncLoss: 0.3,
  /** the meter's 0.1, its tenths and the dial's own unevenness */
  noise: 0.11,
  /** degrees of freedom of the noise's tails */
  tails: 5,
};
export type Beliefs = typeof BELIEFS;

/** Powers are evenest about here, stops under full: 1/16. */
export const DIAL_MIDDLE_STOPS = -4;

export type Sky = 'steady' | 'moving';
