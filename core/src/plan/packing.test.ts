import { describe, expect, it } from '@jest/globals';

import { SAMPLE_FOUNDRY, SAMPLE_GROUP, SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE } from '../sample';
import type { Setup } from '../setup';
import type { ChargeOfSetup } from './charge';
import { packingList, type ToPack } from './packing';

const toPack = (setup: Setup, over: Partial<ToPack> = {}): ToPack => ({
  setup,
  charge: null,
  ballastKg: 0,
  temperatureC: null,
  ...over,
});
const ONE = { helpers: 1, massKg: {} };
const wedding = [SAMPLE_HALL.setup, SAMPLE_GROUP.setup, SAMPLE_TERRACE.setup];
const nameOf = (id: string) =>
  [...SAMPLE_KIT.flashUnits, ...SAMPLE_KIT.modifiers, ...SAMPLE_KIT.stands].find((one) => one.id === id)?.name;

describe('packing', () => {
  it('lists every piece of gear once, with the setups that need it', () => {
    const { things } = packingList(
      wedding.map((setup) => toPack(setup)),
      SAMPLE_KIT,
      ONE,
    );
    expect(new Set(things.map(({ key }) => key)).size).toBe(things.length);
    const octagon = things.find(({ name }) => name === 'Octagon 90 cm');
    expect(octagon?.setupIds).toEqual([SAMPLE_GROUP.setup.id, SAMPLE_TERRACE.setup.id]);
    for (const setup of wedding)
      for (const { unitId, modifierId, standId } of setup.lights)
        for (const id of [unitId, modifierId, standId])
          if (id !== null) expect(things.find(({ key }) => key === id)?.name).toBe(nameOf(id));
  });

  it('brings the strongest free unit and a free body as spares, and none where no flash is used', () => {
    const { things } = packingList([toPack(SAMPLE_HALL.setup)], SAMPLE_KIT, ONE);
    const spares = things.filter(({ spare, kind }) => spare && kind !== 'battery');
    expect(spares.map(({ kind }) => kind).sort()).toEqual(['camera', 'flashUnit']);
    expect(spares.find(({ kind }) => kind === 'flashUnit')?.name).toMatch(/Gannet/);
    const dark = packingList([toPack({ ...SAMPLE_HALL.setup, lights: [] })], SAMPLE_KIT, ONE);
    expect(dark.things.some(({ kind }) => kind === 'flashUnit' || kind === 'battery')).toBe(false);
  });

  it('brings a battery for each change, one in reserve, and one more that warms in hard cold', () => {
    const [light] = SAMPLE_TERRACE.setup.lights;
    const charge: ChargeOfSetup = {
      setupId: SAMPLE_TERRACE.setup.id,
      frames: 900,
      made: false,
      lights: [
        {
          lightId: light!.id,
          unitId: light!.unitId,
          left: 0.2,
          changes: 2,
          framesLeft: 300,
          slowS: null,
          hotAfter: null,
        },
      ],
    };
    const count = (temperatureC: number | null) =>
      packingList([toPack(SAMPLE_TERRACE.setup, { charge, temperatureC })], SAMPLE_KIT, ONE).things.find(
        ({ kind }) => kind === 'battery',
      )?.count;
    expect(count(null)).toBe(3);
    expect(count(15)).toBe(3);
    expect(count(-10)).toBe(4);
  });

  it('adds up masses: what was said before what is usual; and ways of 18 kg', () => {
    const list = packingList(
      wedding.map((setup) => toPack(setup)),
      SAMPLE_KIT,
      ONE,
    );
    const sum = list.things.reduce((all, { massKg }) => all + massKg, 0);
    expect(list.massKg).toBeCloseTo(sum, 9);
    expect(list.trips).toBe(Math.ceil(sum / 18));
    const [first] = list.things;
    const heavy = packingList(
      wedding.map((setup) => toPack(setup)),
      SAMPLE_KIT,
      { helpers: 1, massKg: { [first!.key]: 40 } },
    );
    expect(heavy.things[0]).toMatchObject({ massKg: 40, massSaid: true });
    expect(heavy.massKg).toBeCloseTo(sum - first!.massKg + 40, 9);
    for (const { massKg } of list.things) expect(massKg).toBeGreaterThan(0);
  });

  it('counts bags for the heaviest setup only: ballast goes along', () => {
    const list = packingList(
      [toPack(SAMPLE_GROUP.setup, { ballastKg: 12 }), toPack(SAMPLE_TERRACE.setup, { ballastKg: 25 })],
      SAMPLE_KIT,
      ONE,
    );
    expect(list.things.find(({ kind }) => kind === 'ballast')).toMatchObject({ count: 3, massKg: 25 });
  });

  it('says who holds what, and when hands do not do', () => {
    const [light] = SAMPLE_GROUP.setup.lights;
    const [panel] = SAMPLE_HALL.setup.panels;
    const reflector = { ...panel!, kind: 'reflector' as const, reflectorId: null, widthM: 1.1, tallM: 1.1 };
    const held = { ...SAMPLE_GROUP.setup, lights: [{ ...light!, standId: null }], panels: [reflector] };
    const of = (helpers: number) => packingList([toPack(held)], SAMPLE_KIT, { helpers, massKg: {} }).setups[0]!;
    // the light takes a hand, the large panel two
    expect(of(2).handsMissing).toBe(0);
    expect(of(1).handsMissing).toBe(1);
    expect(of(1).held.map(({ holder }) => holder.by)).toEqual(['helper', 'nobody']);
    expect(of(0).handsMissing).toBe(3);
    const standing = packingList([toPack(SAMPLE_GROUP.setup)], SAMPLE_KIT, ONE).setups[0]!;
    expect(standing.held[0]?.holder.by).toBe('stand');
  });

  it('from setup to setup: what comes, goes on and stays behind covers each list, and what is left behind comes no more', () => {
    const all = [...wedding, SAMPLE_FOUNDRY.setup];
    const { setups, things } = packingList(
      all.map((setup) => toPack(setup)),
      SAMPLE_KIT,
      ONE,
    );
    const gone = new Set<string>();
    for (const one of setups) {
      const its = things.filter(({ setupIds }) => setupIds.includes(one.setupId)).map(({ key }) => key);
      expect([...one.goesOn, ...one.staysBehind].sort()).toEqual([...its].sort());
      for (const key of its) expect(gone.has(key)).toBe(false);
      one.staysBehind.forEach((key) => gone.add(key));
    }
    expect(setups.at(-1)?.goesOn).toEqual([]);
  });
});
