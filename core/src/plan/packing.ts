import { chargeShareAt } from '../flash';
import { panelSize } from '../gain';
import { EMPTY_KIT, type GearItem, type Kit, kitItems } from '../gear';
import type { Packing } from '../record';
import { PANEL_FACTS, type Setup } from '../setup';
import type { ChargeOfSetup } from './charge';

/** What kind a packed thing is: gear of the kit, or what follows from it. */
export type PackedKind = GearItem['type'] | 'battery' | 'ballast';

/** A thing to be packed. */
export interface PackedThing {
  /** the id of the gear; `battery:` with the unit's id, `ballast` */
  key: string;
  kind: PackedKind;
  name: string;
  count: number;
  /** setups that need it, in the order in which they are made; empty: a spare for all */
  setupIds: string[];
  spare: boolean;
  /** of all of them */
  massKg: number;
  /** somebody said it; else it is a usual value of its kind */
  massSaid: boolean;
}

/** Who or what holds a thing of a setup. */
export type Holder = { by: 'stand'; standName: string } | { by: 'helper' } | { by: 'own-hand' } | { by: 'nobody' };

export interface HeldThing {
  /** the light, or the panel */
  id: string;
  kind: 'light' | 'panel';
  holder: Holder;
}

/** A setup's part of the list. */
export interface PackedSetup {
  setupId: string;
  held: HeldThing[];
  /** hands that are wanted over those that are there; 0: they do */
  handsMissing: number;
  /** keys of what is needed here for the first time, what is taken on to the next, and what no later one needs */
  comes: string[];
  goesOn: string[];
  staysBehind: string[];
}

export interface PackingList {
  things: PackedThing[];
  setups: PackedSetup[];
  massKg: number;
  /** ways that one person goes for all of it */
  trips: number;
  /** what all who carry bring in one way */
  carriedKg: number;
}

/** A setup as far as packing goes. */
export interface ToPack {
  setup: Setup;
  /** what its batteries give away; null: not known */
  charge: ChargeOfSetup | null;
  /** ballast that its stands ask for together, kg */
  ballastKg: number;
  /** null: not known */
  temperatureC: number | null;
}

/** What one person carries in one way, both hands and a bag on the back, kg. A usual bound for walking over rough ground. */
const A_TRIP_KG = 18;
/** A helper holds with two hands; who photographs has none free. */
const HANDS = 2;
/** Sand in bags, or water where there is any: nobody brings more than this for one stand. */
const BAG_KG = 10;

/** Usual weights of gear by kind, kg: from catalogues of stands, heads and cloths, good to about a third. */
function usualKg(item: GearItem): number {
  switch (item.type) {
    case 'flashUnit':
      return item.output.by === 'guideNumber' ? 0.45 : 1.2 + item.output.ws / 280;
    case 'modifier':
      return 0.2 + 1.1 * areaM2(item.shape);
    case 'stand':
      return 0.5 + 0.55 * item.highestM + (item.boomM === null ? 0 : 1.5);
    case 'lamp':
      return item.watts === null ? 1 : 0.4 + item.watts / 60;
    case 'camera':
      return 0.8;
    case 'lens':
      return 0.7;
    case 'reflector':
      return 0.3 + 0.35 * item.diameterM ** 2;
    case 'grid':
    case 'filter':
    case 'meter':
      return 0.15;
    case 'gel':
      return 0.01;
  }
}
/** A battery for a strobe; shoe flashes take cells. */
const batteryKg = (unit: Kit['flashUnits'][number]): number => (unit.output.by === 'guideNumber' ? 0.12 : 0.6);

function areaM2(shape: Kit['modifiers'][number]['shape']): number {
  if (shape.kind === 'round') return (Math.PI / 4) * shape.diameterM ** 2;
  return shape.kind === 'rectangle' ? shape.widthM * shape.heightM : 0;
}

/** Every piece of gear that a setup names. */
function gearOf({ lights, lamps, panels, camera, meter }: Setup): string[] {
  const ids = [
    camera.cameraId,
    camera.secondCameraId,
    camera.lensId,
    meter.meterId,
    ...camera.filterIds,
    ...lights.flatMap(({ unitId, modifierId, gridId, gelIds, standId }) => [
      unitId,
      modifierId,
      gridId,
      standId,
      ...gelIds,
    ]),
    ...lamps.map(({ lampId }) => lampId),
    ...panels.flatMap(({ reflectorId, standId }) => [reflectorId, standId]),
  ];
  return [...new Set(ids.filter((id) => id !== null))];
}

/** One of what everything hangs on, should it fail: the strongest unit and the first body that nobody uses. */
function sparesOf(kit: Kit, used: ReadonlySet<string>): GearItem[] {
  const owned = kitItems({ ...EMPTY_KIT, flashUnits: kit.flashUnits, cameras: kit.cameras });
  const free = owned.filter(({ id, retired }) => !retired && !used.has(id));
  const units = free.filter(({ type }) => type === 'flashUnit').sort((a, b) => usualKg(b) - usualKg(a));
  const bodies = free.filter(({ type }) => type === 'camera');
  const usesFlash = kit.flashUnits.some(({ id }) => used.has(id));
  return [...(usesFlash ? units.slice(0, 1) : []), ...bodies.slice(0, 1)];
}

/** Batteries to bring for a unit: what the day takes beyond a charge in the cold, and one more where it takes any. */
function batteriesOf(unit: Kit['flashUnits'][number], setups: readonly ToPack[]): number {
  if (unit.popsFull === null) return 0;
  const its = setups.flatMap(({ charge }) => charge?.lights.filter(({ unitId }) => unitId === unit.id) ?? []);
  const changes = its.reduce((sum, light) => sum + light.changes, 0);
  const coldest = Math.min(20, ...setups.flatMap(({ temperatureC }) => temperatureC ?? []));
  const used = setups.some(({ setup }) => setup.lights.some(({ unitId }) => unitId === unit.id));
  if (!used) return 0;
  // one in reserve; in hard cold one that warms while another works
  return changes + 1 + (chargeShareAt(unit.coldShare, coldest) < 0.8 ? 1 : 0);
}

/** Who holds what: a stand where one is named, else helpers' hands, as far as there are any. */
function heldIn(setup: Setup, kit: Kit, helpers: number): { held: HeldThing[]; handsMissing: number } {
  let hands = helpers * HANDS;
  let missing = 0;
  const holderOf = (standId: string | null, handsWanted: number): Holder => {
    const stand = kit.stands.find(({ id }) => id === standId);
    if (stand !== undefined) return { by: 'stand', standName: stand.name };
    if (hands >= handsWanted) {
      hands -= handsWanted;
      return { by: 'helper' };
    }
    missing += handsWanted - hands;
    hands = 0;
    return { by: 'nobody' };
  };
  const lights = setup.lights.map((light): HeldThing => {
    // a flash at the camera is in the shoe
    const inShoe = light.standId === null && light.modifierId === null && Math.abs(light.sideDeg) < 5;
    return { id: light.id, kind: 'light', holder: inShoe ? { by: 'own-hand' } : holderOf(light.standId, 1) };
  });
  const panels = setup.panels
    .filter(({ kind }) => !PANEL_FACTS[kind].opening)
    .map((panel): HeldThing => {
      const { widthM, tallM } = panelSize(panel, kit);
      return { id: panel.id, kind: 'panel', holder: holderOf(panel.standId, Math.max(widthM, tallM) > 0.7 ? 2 : 1) };
    });
  return { held: [...lights, ...panels], handsMissing: missing };
}

/**
 * What is packed for setups, with spares, batteries for the planned frames and the cold, and ballast; who holds it; and what
 * comes, goes on and stays behind from setup to setup.
 * @param setups in the order in which they are made
 */
export function packingList(
  setups: readonly ToPack[],
  kit: Kit,
  said: Pick<Packing, 'helpers' | 'massKg'>,
): PackingList {
  const items = new Map(kitItems(kit).map((item) => [item.id, item]));
  const needed = setups.map(({ setup }) => ({ setup, ids: gearOf(setup).filter((id) => items.has(id)) }));
  const used = new Set(needed.flatMap(({ ids }) => ids));
  const things: PackedThing[] = [];
  const put = (thing: Pick<PackedThing, 'key' | 'kind' | 'name' | 'count' | 'setupIds' | 'spare'>, eachKg: number) => {
    const own = said.massKg[thing.key];
    things.push({ ...thing, massKg: thing.count * (own ?? eachKg), massSaid: own !== undefined });
  };
  const usersOf = (key: string) => needed.filter(({ ids }) => ids.includes(key)).map(({ setup }) => setup.id);
  for (const [key, item] of items) {
    if (!used.has(key)) continue;
    put({ key, kind: item.type, name: item.name, count: 1, setupIds: usersOf(key), spare: false }, usualKg(item));
  }
  for (const item of sparesOf(kit, used))
    put({ key: item.id, kind: item.type, name: item.name, count: 1, setupIds: [], spare: true }, usualKg(item));
  for (const unit of kit.flashUnits) {
    const count = batteriesOf(unit, setups);
    const thing = { key: `battery:${unit.id}`, kind: 'battery' as const, name: unit.name, count, spare: true };
    if (count > 0) put({ ...thing, setupIds: usersOf(unit.id) }, batteryKg(unit));
  }
  const ballastKg = Math.max(0, ...setups.map((one) => one.ballastKg));
  const weighed = setups.filter((one) => one.ballastKg > 0).map(({ setup }) => setup.id);
  const bags = Math.ceil(ballastKg / BAG_KG);
  if (bags > 0)
    put({ key: 'ballast', kind: 'ballast', name: '', count: bags, setupIds: weighed, spare: false }, ballastKg / bags);
  const massKg = things.reduce((sum, thing) => sum + thing.massKg, 0);
  return {
    things,
    massKg,
    trips: Math.max(1, Math.ceil(massKg / A_TRIP_KG)),
    carriedKg: (said.helpers + 1) * A_TRIP_KG,
    setups: setups.map(({ setup }, index): PackedSetup => {
      const its = things.filter(({ setupIds }) => setupIds.includes(setup.id));
      const isNeeded = (thing: PackedThing, from: number, to: number) =>
        setups.slice(from, to).some((one) => thing.setupIds.includes(one.setup.id));
      const keys = (pass: (thing: PackedThing) => boolean) => its.filter(pass).map(({ key }) => key);
      return {
        setupId: setup.id,
        ...heldIn(setup, kit, said.helpers),
        comes: keys((thing) => !isNeeded(thing, 0, index)),
        goesOn: keys((thing) => isNeeded(thing, index + 1, setups.length)),
        staysBehind: keys((thing) => !isNeeded(thing, index + 1, setups.length)),
      };
    }),
  };
}
