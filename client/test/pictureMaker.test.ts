import { PictureMaker } from '@/workers/pictureMaker';
import { PictureWorkers } from '@/workers/pictureWorkers';
import { smallOf, SmallPictures } from '@/workers/smallPictures';

import type { LayerSource, PictureOf } from '@sphene/core/picture';
import type { Quality } from '@sphene/core/renderer';

const WIDTH = 5,
  HEIGHT = 10;

/** A worker that answers when the test says so: half of the rows of whatever it is asked for. */
class FakeWorker {
  static readonly all: FakeWorker[] = [];
  static readonly asked: string[] = [];
  static held: (() => void)[] | null = null;
  static broken = false;
  terminated = false;
  private readonly wantedFrom = new Map<string, number>();
  private readonly pixels = new Map<string, number>();
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
    frame: async (maker: string, { from, to, width }: { from: number; to: number; width: number }) => {
      FakeWorker.asked.push(`${maker} frame ${from}-${to}`);
      await this.turn();
      this.pixels.set(maker, (to - from) * width);
      return {
        materials: new Uint8Array((to - from) * width),
        edges: { pixels: new Int32Array(0), shares: new Float32Array(0), from: 0 },
      };
    },
    layer: async (maker: string, job: number, source: unknown, quality: Quality) => {
      FakeWorker.asked.push(`${maker} ${String(source)} ${quality}`);
      await this.turn();
      const figures = (this.pixels.get(maker) ?? 0) * 3;
      const isWanted = job >= (this.wantedFrom.get(maker) ?? 0);
      return isWanted ? new Float32Array(figures).fill(quality === 'fine' ? 2 : 1) : null;
    },
    callOff: (maker: string, before: number) => {
      this.wantedFrom.set(maker, before);
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
/** Large and small pictures of a page, made in the same workers. */
const makers = () => {
  const workers = new PictureWorkers();
  const list = new SmallPictures(workers);
  return { list, maker: new PictureMaker({ workers, firstLook: list.asFirstLook }) };
};
const largeMaker = () => makers().maker;
const levels = (maker: PictureMaker | SmallPictures, of: PictureOf) =>
  maker.ready(of)?.layers.map((rows) => [...new Set(rows)].join());
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
    const maker = largeMaker();
    const both = picture([layer('sun'), layer('key')]);
    expect(maker.ready(both)).toBeNull();
    maker.show(both);
    await until(maker, 'finished');
    expect(FakeWorker.all).toHaveLength(2);
    const [small, large] = [FakeWorker.asked.slice(0, 3), FakeWorker.asked.slice(3)];
    expect(small).toEqual(['small picture frame 0-4', 'small picture sun draft', 'small picture key draft']);
    expect(large.filter((_, index) => index % 2 === 0)).toEqual([
      'picture frame 0-5',
      'picture sun draft',
      'picture key draft',
      'picture sun fine',
      'picture key fine',
    ]);
    expect(large[1]).toBe('picture frame 5-10');
    expect(levels(maker, both)).toEqual(['2', '2']);
  });

  it('renders only the light that moved, and what is the same is not rendered at all', async () => {
    const maker = largeMaker();
    maker.show(picture([layer('sun'), layer('key')]));
    await until(maker, 'finished');
    FakeWorker.asked.splice(0);
    maker.show(picture([layer('sun'), layer('key', 'key, farther')]));
    await settle();
    await until(maker, 'finished');
    expect(new Set(FakeWorker.asked)).toEqual(new Set(['picture key draft', 'picture key fine']));
    FakeWorker.asked.splice(0);
    maker.show(picture([layer('key', 'key, farther')]));
    await settle();
    expect(FakeWorker.asked).toEqual([]);
  });

  it('calls a fine layer off when something moves, and shows the coarse one of where it went', async () => {
    const maker = largeMaker();
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
    const maker = largeMaker();
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
    const maker = largeMaker();
    maker.show(picture([layer('key')]));
    await until(maker, 'finished');
    const hall = picture([layer('key')], 'hall');
    expect(maker.ready(hall)).toBeNull();
    maker.show(hall);
    await settle();
    await until(maker, 'finished');
    expect(levels(maker, hall)).toEqual(['2']);
    expect(FakeWorker.asked.filter((what) => what.includes('frame'))).toHaveLength(6);
  });

  it('a first look is small, stands until the whole does, and is all where no more is wanted yet', async () => {
    const maker = largeMaker();
    const of = picture([layer('key')]);
    maker.show(of, true);
    await settle();
    await until(maker, 'waiting');
    expect(FakeWorker.asked).toEqual(['small picture frame 0-4', 'small picture key draft']);
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

  it('what stood small in a list is its first look; once a light moves it gets its own, before the rest of the list', async () => {
    const { list, maker } = makers();
    const [of, moved] = [picture([layer('key')]), picture([layer('key', 'moved')])];
    list.want(smallOf(of));
    while (list.ready(smallOf(of)) === null) await settle();
    maker.show(of, true);
    expect(levels(maker, of)).toEqual(['1']);
    await until(maker, 'waiting');
    FakeWorker.asked.splice(0);
    FakeWorker.held = [];
    for (const scene of ['hall', 'cabin', 'slope']) list.want(smallOf(picture([layer('key')], scene)));
    await settle();
    maker.show(moved, true);
    expect(maker.ready(moved)).toBeNull();
    while (maker.ready(moved) === null) await release();
    // the list's first was begun already; the others wait
    expect(FakeWorker.asked.filter((what) => what.includes('frame'))).toHaveLength(2);
    while (list.ready(smallOf(picture([layer('key')], 'slope'))) === null) await release();
  });

  it('a first look that is overtaken holds up nothing', async () => {
    const { list, maker } = makers();
    FakeWorker.held = [];
    maker.show(picture([layer('key')]), true);
    await settle();
    for (const at of ['near', 'far']) maker.show(picture([layer('key', at)]), true);
    const far = picture([layer('key', 'far')]);
    while (maker.ready(far) === null) await release();
    const listed = smallOf(picture([layer('key')], 'hall'));
    list.want(listed);
    while (list.ready(listed) === null) await release();
  });

  it('workers that end under it leave the list to be drawn by new ones', async () => {
    const { list, maker } = makers();
    FakeWorker.held = [];
    const listed = smallOf(picture([layer('key')], 'hall'));
    list.want(listed);
    await settle();
    maker.show(picture([layer('key')]));
    await settle();
    FakeWorker.broken = true;
    await release();
    await until(maker, 'failed');
    FakeWorker.broken = false;
    FakeWorker.held = null;
    list.want(listed);
    while (list.ready(listed) === null) await settle();
    maker.resume();
    await until(maker, 'finished');
  });

  it('a worker that breaks is said; trying again starts new ones', async () => {
    const maker = largeMaker();
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
    expect(FakeWorker.all).toHaveLength(3);
    expect([heard.at(-1), levels(maker, of)]).toEqual(['failed', ['2']]);
  });
});
