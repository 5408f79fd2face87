import type { PackedThing, PackingList } from '../plan';
import type { Setup } from '../setup';
import type { Words } from '../words';
import type { Sheet, SheetBlock } from './sheet';

/** A thing as it is called on a list. */
export const packedName = (thing: Pick<PackedThing, 'kind' | 'name' | 'count'>, words: Words): string =>
  words.sheet.packed(thing.kind, thing.name, thing.count);

/** The packing list of a shoot to be ticked off with a pen: all of it, then what comes, goes on and stays behind by setup. */
export function packingSheet(
  list: PackingList,
  setups: readonly Setup[],
  shoot: { title: string; date: string },
  words: Words,
): Sheet {
  const { sheet } = words;
  const nameOf = (key: string) => {
    const thing = list.things.find((one) => one.key === key);
    return thing === undefined ? [] : [packedName(thing, words)];
  };
  const item = (thing: PackedThing) =>
    [packedName(thing, words), sheet.kilograms(thing.massKg), ...(thing.spare ? [sheet.spare] : [])].join(' · ');
  const blocks: SheetBlock[] = [
    {
      kind: 'figures',
      figures: [
        { label: sheet.weighs, value: sheet.kilograms(list.massKg) },
        { label: sheet.trips, value: String(list.trips) },
      ],
    },
    { kind: 'ticks', boxes: [sheet.out, sheet.back], items: list.things.map(item) },
    ...list.setups.flatMap(({ setupId, comes, goesOn, staysBehind }): SheetBlock[] => {
      const title = setups.find(({ id }) => id === setupId)?.title;
      if (title === undefined) return [];
      const lines = [
        [sheet.comes, comes],
        [sheet.goesOn, goesOn],
        [sheet.staysBehind, staysBehind],
      ] as const;
      const rows = lines.flatMap(([label, keys]) =>
        keys.length === 0 ? [] : [[label, keys.flatMap(nameOf).join(', ')]],
      );
      return [
        { kind: 'heading', text: title },
        { kind: 'table', head: [sheet.when, sheet.what], rows },
      ];
    }),
  ];
  return { language: words.tag, title: sheet.packing, under: sheet.ofShoot(shoot.title, shoot.date), blocks };
}
