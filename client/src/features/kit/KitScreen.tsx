import { texts } from './texts';
import { words } from '@/language/words';
import { selectKit } from '@/setupView/selectSolution';
import { useActions } from '@/store/application';
import { newId } from '@/store/ids';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Screen } from '@/shell/Screen';
import { Heading, Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { pickFile } from '@/ui/pickFile';
import { usePalette } from '@/ui/theme';
import { useMemo, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { readIes } from '@sphene/core/formats';
import { GEAR_LISTS, GEAR_TYPES, type GearItem, type GearList, type Kit } from '@sphene/core/gear';
import { formatStopCount, formatStops } from '@sphene/core/notation';
import { GearForm } from './GearForm';
import { type Draft, FIELDS, TEMPLATES, valueAt } from './fields';

const LIST_NAMES: Record<GearList, { many: string; one: string }> = {
  flashUnits: { many: texts.flash, one: 'flash' },
  modifiers: { many: texts.modifiers, one: 'modifier' },
  grids: { many: texts.grids, one: 'grid' },
  gels: { many: texts.gels, one: 'gel' },
  stands: { many: texts.stands, one: 'stand' },
  cameras: { many: texts.cameras, one: 'camera' },
  lenses: { many: texts.lenses, one: 'lens' },
  filters: { many: texts.filters, one: 'filter' },
  lamps: { many: texts.lamps, one: 'lamp' },
  reflectors: { many: texts.reflectors, one: 'reflector' },
};
const LIST_ORDER: readonly GearList[] = [
  'flashUnits',
  'modifiers',
  'grids',
  'gels',
  'lamps',
  'reflectors',
  'stands',
  'cameras',
  'lenses',
  'filters',
];
/** What readings teach about, by list. */
const TAUGHT: Partial<Record<GearList, string>> = { flashUnits: 'unit', modifiers: 'modifier', grids: 'grid' };
const MOST_IES_BYTES = 2_000_000;
/** Fields worth a glance in the list. */
const GLANCE = 3;

type Thing = Kit[GearList][number];

/** What readings have taught about a thing, and how to make it forget. */
function Learned({ list, thing }: { list: GearList; thing: Thing }) {
  const kit = useAppSelector(selectKit);
  const actions = useActions();
  const kind = TAUGHT[list];
  if (kind === undefined) return null;
  const key = `${kind}:${thing.id}`;
  const { ids, meanStops, covariance, readings } = kit.calibration;
  const at = ids.indexOf(key);
  const forgotten = kit.preferences.forgotten[key] !== undefined;
  const count = readings[at] ?? 0;
  return (
    <View style={{ gap: 4 }}>
      <Txt size="label" tone="quiet">
        {at < 0 || count === 0
          ? texts.nothingLearnedYetEveryFlash + `teaches.${forgotten ? texts.earlierReadingsAreForgotten : ''}`
          : `Learned from ${count} ${count === 1 ? 'reading' : 'readings'}: ${formatStops(meanStops[at] ?? 0)} ` +
            texts.stopsAgainstWhatIsStated +
            `${formatStopCount(Math.sqrt(Math.max(0, covariance[at]?.[at] ?? 0)))}.`}
      </Txt>
      <View style={{ flexDirection: 'row' }}>
        {count > 0 && (
          <ActionButton
            kind="plain"
            label={texts.forget}
            name={texts.forgetWhatWasLearnedAbout(thing.name)}
            onPress={() => actions.forget(key, true)}
          />
        )}
        {forgotten && (
          <ActionButton
            kind="plain"
            label={texts.learnFromThemAgain}
            name={texts.learnAboutFromEarlierReadings(thing.name)}
            onPress={() => actions.forget(key, false)}
          />
        )}
      </View>
    </View>
  );
}

/** One thing of the kit: what it is at a glance; open, its form. */
function GearRow({ list, thing }: { list: GearList; thing: Thing }) {
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
          aria-label={`${open ? texts.close : texts.edit} ${thing.name}`}
          onPress={() => setOpen(!open)}
          style={{ flex: 1, minHeight: TOUCH, justifyContent: 'center' }}
        >
          <Txt bold tone={thing.retired ? 'quiet' : 'text'}>
            {thing.name}
            {thing.retired ? ', retired' : ''}
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
              actions.putGear(item);
              setOpen(false);
            }}
            onCancel={() => setOpen(false)}
          />
        </View>
      )}
    </View>
  );
}

/** All gear by kind: searched, made, changed, duplicated, retired; what readings have taught about it. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function KitScreen() {
  const kit = useAppSelector(selectKit);
  const actions = useActions();
  const palette = usePalette();
  const [list, setList] = useState<GearList>('flashUnits');
  const [search, setSearch] = useState('');
  const [fresh, setFresh] = useState<Draft | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const sought = search.trim().toLowerCase();
  const things = useMemo(() => {
    const lists = sought === '' ? [list] : GEAR_LISTS;
    return lists
      .flatMap((one) =>
        kit[one]
          .filter(({ name }) => name.toLowerCase().includes(sought))
          .map((thing) => ({ list: one, thing: thing })),
      )
      .sort((a, b) => Number(a.thing.retired) - Number(b.thing.retired));
  }, [kit, list, sought]);
  const { one } = LIST_NAMES[list];
  const start = (draft: Draft) => setFresh({ id: newId(), retired: false, ...draft });
  const takeIes = async (file: File) => {
    setProblem(null);
    if (file.size > MOST_IES_BYTES) return setProblem(texts.thisFileIsTooLarge);
    const read = readIes(await file.text());
    if (!read.ok) return setProblem(words.iesFault(read.reason));
    const name = read.value.name || file.name.replace(/\.ies$/i, '');
    // candela on the axis are the lux at one metre
    start(
      list === 'lamps'
        ? {
            ...TEMPLATES.lamps,
            name,
            output: { by: 'lux', luxAt1M: Math.round(read.value.axisCandela) },
            beam: read.value.beam,
          }
        : { ...TEMPLATES.modifiers, name, beam: read.value.beam },
    );
  };
  return (
    <Screen title={texts.kit} place={texts.whatYouOwnAndWhat} up="back">
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 12, maxWidth: 760, width: '100%', alignSelf: 'center' }}
        keyboardShouldPersistTaps="handled"
      >
        <TextInput
          label={texts.searchTheKit}
          accessibilityLabel={texts.searchTheKit}
          mode="outlined"
          value={search}
          onChangeText={setSearch}
          autoCorrect={false}
        />
        {sought === '' && (
          <ChoiceList
            label={texts.kind}
            layout="scroll"
            value={list}
            onChoose={(next) => {
              setList(next);
              setFresh(null);
              setProblem(null);
            }}
            choices={LIST_ORDER.map((value) => ({
              value,
              label: LIST_NAMES[value].many,
              note: String(kit[value].filter(({ retired }) => !retired).length),
            }))}
          />
        )}
        {fresh !== null ? (
          <View style={{ gap: 12, padding: 12, backgroundColor: palette.raised }}>
            <Heading>{texts.newIt(one)}</Heading>
            <GearForm
              key={String(fresh['id'])}
              list={list}
              start={fresh}
              onSave={(item) => {
                actions.putGear(item);
                setFresh(null);
              }}
              onCancel={() => setFresh(null)}
            />
          </View>
        ) : (
          sought === '' && (
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
              <ActionButton
                label={texts.newIt(one)}
                icon="plus"
                kind="primary"
                grow
                onPress={() => start(TEMPLATES[list])}
              />
              {(list === 'modifiers' || list === 'lamps') && (
                <ActionButton
                  label={texts.fromAnIesFile}
                  icon="tray-arrow-down"
                  onPress={() => pickFile('.ies', (file) => void takeIes(file))}
                />
              )}
            </View>
          )
        )}
        {problem !== null && (
          <Txt tone="danger" role="alert">
            {problem}
          </Txt>
        )}
        <View>
          {things.map(({ list: its, thing }) => (
            <GearRow key={thing.id} list={its} thing={thing} />
          ))}
          {things.length === 0 && (
            <Txt tone="quiet">{sought === '' ? texts.noYet(one) : texts.nothingInTheKitIs(search.trim())}</Txt>
          )}
        </View>
      </ScrollView>
    </Screen>
  );
}
