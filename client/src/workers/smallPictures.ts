import type { PictureOf } from '@sphene/core/picture';
import { type FirstLook, type MadePicture, PictureMaker, type PictureSource } from './pictureMaker';
import type { PictureWorkers } from './pictureWorkers';

/** A small picture has such a part of the picture's sides. */
const PART = 0.36;

/** A picture as it is made for lists, and as a first look. */
export const smallOf = (picture: PictureOf): PictureOf => ({
  ...picture,
  width: Math.round(picture.width * PART),
  height: Math.round(picture.height * PART),
});

/** Small pictures kept, the newest used last. */
const MOST_KEPT = 60;

/** What tells one small picture from another: all of it but how strong its lights are. */
const keyOf = ({ sceneKey, layers, width, height }: PictureOf): string =>
  [sceneKey, width, height, ...layers.map(({ id, key }) => `${id} ${key}`)].join('|');

/** A picture that is waited for before all others. */
interface Urgent {
  key: string;
  picture: PictureOf;
  done: () => void;
  failed: (error: Error) => void;
}

/** Makes small pictures for lists and comparisons one after the other, each once and coarsely, and first looks before them. */
export class SmallPictures implements PictureSource {
  private readonly maker: PictureMaker;
  private readonly made = new Map<string, MadePicture>();
  private readonly wanted = new Map<string, PictureOf>();
  private readonly listeners = new Set<() => void>();
  private working: { key: string; picture: PictureOf } | null = null;
  private urgent: Urgent | null = null;
  private version = 0;

  constructor(workers: PictureWorkers) {
    this.maker = new PictureMaker({ workers, share: 1, finest: 'draft', name: 'small picture' });
    this.maker.subscribe(() => this.take());
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };
  getVersion = (): number => this.version;

  /** A picture that is there; null while it is not. */
  ready(picture: PictureOf): MadePicture | null {
    return this.made.get(keyOf(picture)) ?? null;
  }

  want(picture: PictureOf): void {
    const key = keyOf(picture);
    if (this.made.has(key) || this.wanted.has(key)) return;
    this.wanted.set(key, picture);
    this.next();
  }

  /** The first look at a picture is the small one of it, made before those of lists. */
  readonly asFirstLook: FirstLook = {
    ready: (picture) => this.ready(smallOf(picture)),
    make: (picture) =>
      new Promise((done, failed) => {
        this.urgent?.done();
        const small = smallOf(picture);
        this.urgent = { key: keyOf(small), picture: small, done, failed };
        this.next();
      }),
  };

  private next(): void {
    if (this.working !== null) return;
    const [listed] = Array.from(this.wanted, ([key, picture]) => ({ key, picture }));
    const first = this.urgent ?? listed;
    if (first === undefined) return;
    this.working = first;
    this.maker.show(first.picture);
  }

  /** Looks whether what is worked on is there; what fails is left out, so that it does not hold up the others. */
  private take(): void {
    const { working, urgent } = this;
    const state = this.maker.getState();
    if (working === null || (state !== 'finished' && state !== 'failed')) return;
    const { key, picture } = working;
    const made = this.maker.ready(picture);
    if (made === null && state === 'finished') return;
    this.wanted.delete(key);
    this.working = null;
    if (made !== null) this.keep(key, made);
    if (urgent?.key === key) {
      this.urgent = null;
      if (made === null) urgent.failed(new Error('no picture'));
      else urgent.done();
    }
    // not from within the maker's own run
    setTimeout(() => this.next());
  }

  private keep(key: string, made: MadePicture): void {
    this.made.set(key, made);
    const [oldest] = this.made.keys();
    if (this.made.size > MOST_KEPT && oldest !== undefined) this.made.delete(oldest);
    this.version += 1;
    for (const listener of this.listeners) listener();
  }
}
