import { texts } from './texts';
import { selectKit } from '@/setupView/selectSolution';
import { useActions } from '@/store/application';
import { newId } from '@/store/ids';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { learnedId, type LearnedKind, lensOfCamera, UNIT_PARTS, unitPartId } from '@sphene/core/calibration';
import { GEAR_TYPES, type GearItem, type GearList, type Kit } from '@sphene/core/gear';
import { formatStopCount, formatStops } from '@sphene/core/notation';
import { GearForm } from './GearForm';
import { type Draft, valueAt } from './field';
import { FIELDS } from './fields';

/** What readings teach about a thing of each list. */
const TAUGHT: Partial<Record<GearList, LearnedKind>> = {
  flashUnits: 'unit',
  modifiers: 'modifier',
  grids: 'grid',
  gels: 'gel',
  meters: 'meter',
};

/** Under which names readings teach about a thing, and what each is called. */
function taughtAbout(list: GearList, { id }: Thing, kit: Kit): { key: string; part: string }[] {
  if (list === 'cameras')
    return kit.calibration.ids.flatMap((key) => {
      const lensId = lensOfCamera(key, id);
      if (lensId === undefined) return [];
      const lens = kit.lenses.find((one) => one.id === lensId);
      return [{ key, part: lens === undefined ? texts.learnedParts.camera : texts.withLens(lens.name) }];
    });
  const kind = TAUGHT[list];
  if (kind === undefined) return [];
  const key = learnedId(kind, id);
  const parts = kind === 'unit' ? UNIT_PARTS : [];
  return [
    { key, part: texts.learnedParts[kind] },
    ...parts.map((part) => ({ key: unitPartId(part, key), part: texts.learnedParts[part] })),
  ];
}

/** Fields worth a glance in the list. */
const GLANCE = 3;

/** Anything in the kit. */
export type Thing = Kit[GearList][number];

/** What readings have taught about one part of a thing, and how to make it forget. */
function LearnedLine({ keyOf, part, thing }: { keyOf: string; part: string; thing: Thing }) {
  const kit = useAppSelector((state) => selectKit(state));
  const actions = useActions();
  const { ids, meanStops, covariance, readings } = kit.calibration;
  const at = ids.indexOf(keyOf);
  const forgotten = kit.preferences.forgotten[keyOf] !== undefined;
  const count = readings[at] ?? 0;
  const learned =
    count === 0
      ? texts.nothingLearnedYet + (forgotten ? texts.earlierReadingsAreForgotten : '')
      : texts.learnedFrom(
          count,
          formatStops(meanStops[at] ?? 0),
          formatStopCount(Math.sqrt(Math.max(0, covariance[at]?.[at] ?? 0))),
        );
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, flexWrap: 'wrap' }}>
      <Txt size="label" tone="quiet" style={{ flexShrink: 1 }}>
        {texts.learnedOf(part, learned)}
      </Txt>
      {count > 0 && (
        <ActionButton
          kind="plain"
          label={texts.forget}
          name={texts.forgetWhatWasLearnedAbout(`${thing.name}, ${part}`)}
          onPress={() => actions.forget(keyOf, true)}
        />
      )}
      {forgotten && (
        <ActionButton
          kind="plain"
          label={texts.learnFromThemAgain}
          name={texts.learnAboutFromEarlierReadings(`${thing.name}, ${part}`)}
          onPress={() => actions.forget(keyOf, false)}
        />
      )}
    </View>
  );
}

/** What readings have taught about a thing; of its finer parts only what they have. */
function Learned({ list, thing }: { list: GearList; thing: Thing }) {
  const kit = useAppSelector((state) => selectKit(state));
  const { ids } = kit.calibration;
  const { forgotten } = kit.preferences;
  const lines = taughtAbout(list, thing, kit).filter(
    ({ key }, index) => index === 0 || ids.includes(key) || forgotten[key] !== undefined,
  );
  return (
    <View style={{ gap: 4 }}>
      {lines.map(({ key, part }) => (
        <LearnedLine key={key} keyOf={key} part={part} thing={thing} />
      ))}
    </View>
  );
}

/** One thing of the kit: what it is at a glance; open, its form. */
export function GearRow({ list, thing }: { list: GearList; thing: Thing }) {
  const actions = useActions();
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const draft = thing as unknown as Draft;
  const put = (change: Draft) => actions.putGear({ ...GEAR_TYPES[list], ...draft, ...change } as unknown as GearItem);
  const glance = FIELDS[list]
    .filter(({ path, choices, when }) => path !== 'name' && choices === undefined && (when?.(draft) ?? true))
    .slice(0, GLANCE)
    .flatMap(({ path, label, show }) => {
      const said = show(valueAt(draft, path));
      return said === '' ? [] : [`${label.toLowerCase()} ${said}`];
    })
    .join(', ');
  return (
    <View
      role="article"
      aria-label={thing.name}
      style={{ borderTopWidth: 1, borderTopColor: palette.raised, paddingVertical: 4, gap: 8 }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <Pressable
          role="button"
          aria-expanded={open}
          aria-label={open ? texts.closeIt(thing.name) : texts.editIt(thing.name)}
          onPress={() => setOpen(!open)}
          style={{ flex: 1, minHeight: TOUCH, justifyContent: 'center' }}
        >
          <Txt bold tone={thing.retired ? 'quiet' : 'text'}>
            {thing.name}
            {thing.retired ? texts.afterRetired : ''}
          </Txt>
          <Txt size="label" tone="quiet" numberOfLines={1}>
            {glance}
          </Txt>
        </Pressable>
        <IconButton
          icon="content-copy"
          name={texts.duplicate(thing.name)}
          onPress={() => put({ id: newId(), name: texts.copy(thing.name).slice(0, 80), retired: false })}
        />
        <IconButton
          icon={thing.retired ? 'restore' : 'archive-outline'}
          name={thing.retired ? texts.bringBack(thing.name) : texts.retire(thing.name)}
          onPress={() => put({ retired: !thing.retired })}
        />
      </View>
      {open && (
        <View style={{ gap: 12, padding: 12, backgroundColor: palette.raised }}>
          <Learned list={list} thing={thing} />
          <GearForm
            list={list}
            start={draft}
            onSave={(item) => {
              if (actions.putGear(item)) setOpen(false);
            }}
            onCancel={() => setOpen(false)}
          />
        </View>
      )}
    </View>
  );
}
