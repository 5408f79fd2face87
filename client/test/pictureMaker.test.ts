import { PictureMaker } from '@/workers/pictureMaker';

import type { LayerSource, PictureOf } from '@sphene/core/picture';
import type { Quality } from '@sphene/core/renderer';

const WIDTH = 5,
  HEIGHT = 10;
type Size = 'first' | 'whole';

/** A worker that answers when the test says so: half of the rows of whatever it is asked for. */
class FakeWorker {
  static readonly all: FakeWorker[] = [];
  static readonly asked: string[] = [];
  static held: (() => void)[] | null = null;
  static broken = false;
  terminated = false;
  private wantedFrom = 0;
  private readonly pixels = new Map<Size, number>();
  constructor() {
    FakeWorker.all.push(this);
  }
  terminate() {
    this.terminated = true;
  }
  private readonly turn = async () => {
    if (FakeWorker.broken) throw new Error('out of memory');
    if (FakeWorker.held !== null)
      await new Promise<void>((done) => {
        FakeWorker.held?.push(done);
      });
  };
  readonly api = {
    frame: async (size: Size, { from, to, width }: { from: number; to: number; width: number }) => {
      FakeWorker.asked.push(`${size} frame ${from}-${to}`);
      await this.turn();
      this.pixels.set(size, (to - from) * width);
      return {
        materials: new Uint8Array((to - from) * width),
        edges: { pixels: new Int32Array(0), shares: new Float32Array(0), from: 0 },
      };
    },
    layer: async (job: number, size: Size, source: unknown, quality: Quality) => {
      FakeWorker.asked.push(`${size} ${String(source)} ${quality}`);
      await this.turn();
      const figures = (this.pixels.get(size) ?? 0) * 3;
      return job < this.wantedFrom ? null : new Float32Array(figures).fill(quality === 'fine' ? 2 : 1);
    },
    drop: (size: Size) => {
      this.pixels.delete(size);
    },
    callOff: (before: number) => {
      this.wantedFrom = before;
    },
  };
}
jest.mock('comlink', () => ({ wrap: ({ api }: FakeWorker) => api }));

const layer = (id: string, key = id): LayerSource => ({
  id,
  caster: { kind: 'lamp', name: id },
  kind: 'flash',
  key,
  source: id as unknown as LayerSource['source'],
});
const picture = (layers: LayerSource[], sceneKey = 'terrace') =>
  ({
    sceneKey,
    layers,
    width: WIDTH,
    height: HEIGHT,
    scene: {},
    lensTilt: 0,
    lookKey: '',
    cropped: false,
  }) as unknown as PictureOf;
const levels = (maker: PictureMaker, of: PictureOf) => maker.ready(of)?.layers.map((rows) => [...new Set(rows)].join());
/** Lets everything happen that does not wait for a worker that is held. */
const settle = () =>
  new Promise<void>((done) => {
    setTimeout(done, 0);
  });
const until = async (maker: PictureMaker, state: string) => {
  while (maker.getState() !== state) await settle();
};
const release = async () => {
  for (const go of FakeWorker.held?.splice(0) ?? []) go();
  await settle();
};

beforeEach(() => {
  FakeWorker.all.splice(0);
  FakeWorker.asked.splice(0);
  FakeWorker.held = null;
  FakeWorker.broken = false;
  // the bundler's own note of where a module lies
  Object.assign(globalThis, {
    __ExpoImportMetaRegistry: { url: 'http://localhost/' },
    Worker: FakeWorker,
    requestIdleCallback: (go: () => void) => go(),
  });
  if (!('measure' in performance)) Object.assign(performance, { measure: () => undefined });
});

describe('the maker of pictures', () => {
  it('sees the scene, then shows every layer coarsely before any is refined, half of the rows by each worker', async () => {
    const maker = new PictureMaker();
    const both = picture([layer('sun'), layer('key')]);
    expect(maker.ready(both)).toBeNull();
    maker.show(both);
    await until(maker, 'finished');
    expect(FakeWorker.all).toHaveLength(2);
    expect(FakeWorker.asked.filter((_, index) => index % 2 === 0)).toEqual([
      'first frame 0-2',
      'first sun draft',
      'first key draft',
      'whole frame 0-5',
      'whole sun draft',
      'whole key draft',
      'whole sun fine',
      'whole key fine',
    ]);
    expect(FakeWorker.asked[1]).toBe('first frame 2-4');
    expect(levels(maker, both)).toEqual(['2', '2']);
  });

  it('renders only the light that moved, and what is the same is not rendered at all', async () => {
    const maker = new PictureMaker();
    maker.show(picture([layer('sun'), layer('key')]));
    await until(maker, 'finished');
    FakeWorker.asked.splice(0);
    maker.show(picture([layer('sun'), layer('key', 'key, farther')]));
    await settle();
    await until(maker, 'finished');
    expect(new Set(FakeWorker.asked)).toEqual(new Set(['whole key draft', 'whole key fine']));
    FakeWorker.asked.splice(0);
    maker.show(picture([layer('key', 'key, farther')]));
    await settle();
    expect(FakeWorker.asked).toEqual([]);
  });

  it('calls a fine layer off when something moves, and shows the coarse one of where it went', async () => {
    const maker = new PictureMaker();
    maker.show(picture([layer('key')]));
    await until(maker, 'finished');
    FakeWorker.held = [];
    maker.show(picture([layer('key', 'moved')]));
    await settle();
    await release();
    expect(maker.getState()).toBe('refining');
    const there = picture([layer('key', 'moved again')]);
    maker.show(there);
    await release();
    // the fine layer came to nothing
    expect([maker.getState(), levels(maker, there)]).toEqual(['draft', ['1']]);
    await release();
    await release();
    expect([maker.getState(), levels(maker, there)]).toEqual(['finished', ['2']]);
  });

  it('stopped, it keeps what is there and still draws coarsely what moves; it goes on when asked', async () => {
    const maker = new PictureMaker();
    FakeWorker.held = [];
    const first = picture([layer('key')]);
    maker.show(first);
    for (let i = 0; i < 4; i += 1) {
      await settle();
      await release();
    }
    expect(maker.getState()).toBe('refining');
    maker.stop();
    await release();
    expect([maker.getState(), levels(maker, first)]).toEqual(['stopped', ['1']]);
    maker.resume();
    await settle();
    await release();
    expect([maker.getState(), levels(maker, first)]).toEqual(['finished', ['2']]);
  });

  it('another scene is seen anew, and nothing of the old one is shown in it', async () => {
    const maker = new PictureMaker();
    maker.show(picture([layer('key')]));
    await until(maker, 'finished');
    const hall = picture([layer('key')], 'hall');
    expect(maker.ready(hall)).toBeNull();
    maker.show(hall);
    await settle();
    await until(maker, 'finished');
    expect(levels(maker, hall)).toEqual(['2']);
    expect(FakeWorker.asked.filter((what) => what.includes('frame'))).toHaveLength(8);
  });

  it('a first look is small, stands until the whole does, and is all where no more is wanted yet', async () => {
    const maker = new PictureMaker();
    const of = picture([layer('key')]);
    maker.show(of, true);
    await settle();
    await until(maker, 'waiting');
    expect(new Set(FakeWorker.asked)).toEqual(new Set(['first frame 0-2', 'first frame 2-4', 'first key draft']));
    const size = () => [maker.ready(of)?.composer.width, maker.ready(of)?.composer.height];
    expect(size()).toEqual([2, 4]);
    FakeWorker.held = [];
    maker.show(of);
    await settle();
    await release();
    expect(size()).toEqual([2, 4]);
    await release();
    expect(size()).toEqual([WIDTH, HEIGHT]);
  });

  it('gets ready for a first look only where nothing is wanted', async () => {
    const maker = new PictureMaker();
    maker.warmUp(picture([layer('key')], 'hall'));
    await settle();
    await until(maker, 'waiting');
    FakeWorker.asked.splice(0);
    maker.warmUp(picture([layer('key')], 'terrace'));
    await settle();
    expect(FakeWorker.asked).toEqual([]);
  });

  it('a worker that breaks is said; trying again starts new ones', async () => {
    const maker = new PictureMaker();
    const heard: string[] = [];
    const deaf = maker.subscribe(() => heard.push(maker.getState()));
    FakeWorker.broken = true;
    const of = picture([layer('key')]);
    maker.show(of);
    await until(maker, 'failed');
    expect(heard.at(-1)).toBe('failed');
    expect(FakeWorker.all.every(({ terminated }) => terminated)).toBe(true);
    deaf();
    FakeWorker.broken = false;
    maker.resume();
    await settle();
    await until(maker, 'finished');
    expect(FakeWorker.all).toHaveLength(4);
    expect([heard.at(-1), levels(maker, of)]).toEqual(['failed', ['2']]);
  });
});
