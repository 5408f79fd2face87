import type { PictureOf } from '@sphene/core/picture';
import { type MadePicture, PictureMaker, pictureMaker, type PictureSource } from './pictureMaker';

/** Small pictures kept, the newest used last. */
const MOST_KEPT = 60;

/** What tells one small picture from another: all of it but how strong its lights are. */
const keyOf = ({ sceneKey, layers, width, height }: PictureOf): string =>
  [sceneKey, width, height, ...layers.map(({ id, key }) => `${id} ${key}`)].join('|');

/** Makes small pictures for lists and comparisons one after the other, each once, beside the large one and coarsely. */
class SmallPictures implements PictureSource {
  private readonly maker = new PictureMaker(1, 'draft', 'small picture');
  private readonly made = new Map<string, MadePicture>();
  private readonly wanted = new Map<string, PictureOf>();
  private readonly listeners = new Set<() => void>();
  private working: string | null = null;
  private version = 0;

  constructor() {
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

  private next(): void {
    if (this.working !== null) return;
    const [first] = this.wanted;
    if (first === undefined) return;
    const [key, picture] = first;
    this.working = key;
    this.maker.show(picture);
  }

  /** Looks whether what is worked on is there; what fails is left out, so that it does not hold up the others. */
  private take(): void {
    const { working } = this;
    const picture = working === null ? undefined : this.wanted.get(working);
    const state = this.maker.getState();
    if (working === null || picture === undefined || (state !== 'finished' && state !== 'failed')) return;
    const made = this.maker.ready(picture);
    if (made === null && state === 'finished') return;
    this.wanted.delete(working);
    this.working = null;
    if (made !== null) this.keep(working, made);
    // once the list is drawn, the maker of large pictures gets ready for what is opened next
    if (this.wanted.size === 0 && made !== null) pictureMaker().warmUp(picture);
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

let small: SmallPictures | null = null;

/** The one maker of small pictures of this page; its worker starts with the first. */
export const smallPictures = (): SmallPictures => (small ??= new SmallPictures());
