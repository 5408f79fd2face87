import type { SceneChangeKind, Setting } from '../setup';

/** One way out of a wish that cannot be met, with its price in this setup. */
export interface WayOut {
  id: string;
  cures: 'camera' | 'power';
  title: string;
  /** what it does, in one line */
  effect: string;
  /** its price by kind; null where a person must act first and nothing can be foretold */
  effects: { depthOfField: string; flash: string; recycle: string | null; noise: string; look: string } | null;
  /** the figures that hold after it is applied */
  after: {
    settings: string;
    ev100: number | null;
    lightId: string | null;
    powerText: string | null;
    exactPowerStops: number | null;
    faceStops: number | null;
    backgroundStops: number | null;
  };
  /** how much of the miss it takes away, stops */
  helpsStops: number;
  solves: boolean;
  /** what one tap changes; empty where a person must act and meter again */
  settings: Setting[];
  /** the change of the scene that it is, after which readings are taken again; null for settings */
  asks: SceneChangeKind | null;
}

/** Something that people reach for and that does not help here, with the figures. */
export interface NotHelping {
  id: string;
  title: string;
  why: string;
}
