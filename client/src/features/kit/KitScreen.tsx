import { texts } from './texts';
import { words } from '@/language/words';
import { selectKit } from '@/setupView/selectSolution';
import { useActions } from '@/store/application';
import { newId } from '@/store/ids';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { EditHistory } from '@/shell/EditHistory';
import { Screen } from '@/shell/Screen';
import { Heading, Txt } from '@/ui/Txt';
import { pickFile } from '@/ui/pickFile';
import { usePalette } from '@/ui/theme';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { readIes } from '@sphene/core/exchange';
import { GEAR_LISTS, type GearList } from '@sphene/core/gear';
import { failure, type Outcome, success } from '@sphene/core/photometry';
import { GearForm } from './GearForm';
import { GearRow } from './GearRow';
import type { Draft } from './field';
import { TEMPLATES } from './templates';

const LIST_NAMES: Record<GearList, { many: string; one: string }> = {
  flashUnits: { many: texts.flash, one: texts.one.flash },
  modifiers: { many: texts.modifiers, one: texts.one.modifier },
  grids: { many: texts.grids, one: texts.one.grid },
  gels: { many: texts.gels, one: texts.one.gel },
  stands: { many: texts.stands, one: texts.one.stand },
  cameras: { many: texts.cameras, one: texts.one.camera },
  lenses: { many: texts.lenses, one: texts.one.lens },
  filters: { many: texts.filters, one: texts.one.filter },
  lamps: { many: texts.lamps, one: texts.one.lamp },
  reflectors: { many: texts.reflectors, one: texts.one.reflector },
  meters: { many: texts.meters, one: texts.one.meter },
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
  'meters',
];
const MOST_IES_BYTES = 2_000_000;

/** What the list shows: everything of a kind, or everything that a search finds; what is retired stands last. */
function useListed(list: GearList, search: string) {
  const kit = useAppSelector((state) => selectKit(state));
  const sought = search.trim().toLowerCase();
  return useMemo(
    () =>
      (sought === '' ? [list] : GEAR_LISTS)
        .flatMap((one) =>
          kit[one].filter(({ name }) => name.toLowerCase().includes(sought)).map((thing) => ({ list: one, thing })),
        )
        .sort((a, b) => Number(a.thing.retired) - Number(b.thing.retired)),
    [kit, list, sought],
  );
}

/** A lamp or modifier as its IES file describes it, for the form; what is wrong with the file is a sentence. */
async function fromIes(file: File, list: GearList): Promise<Outcome<Draft, string>> {
  if (file.size > MOST_IES_BYTES) return failure(texts.thisFileIsTooLarge);
  const read = readIes(await file.text());
  if (!read.ok) return failure(words.iesFault(read.reason));
  const { axisCandela, beam } = read.value;
  const name = read.value.name || file.name.replace(/\.ies$/i, '');
  // candela on the axis are the lux at one metre
  const output = { by: 'lux', luxAt1M: Math.round(axisCandela) };
  return success(
    list === 'lamps' ? { ...TEMPLATES.lamps, name, output, beam } : { ...TEMPLATES.modifiers, name, beam },
  );
}

/** Starts a new thing of a kind, by hand or from a file. */
function StartNew({ list, onStart }: { list: GearList; onStart: (draft: Draft) => void }) {
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: File) => {
    const read = await fromIes(file, list);
    setProblem(read.ok ? null : read.reason);
    if (read.ok) onStart(read.value);
  };
  return (
    <>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <ActionButton
          label={texts.newIt(LIST_NAMES[list].one)}
          icon="plus"
          kind="primary"
          grow
          onPress={() => onStart(TEMPLATES[list])}
        />
        {(list === 'modifiers' || list === 'lamps') && (
          <ActionButton
            label={texts.fromAnIesFile}
            icon="tray-arrow-down"
            onPress={() => pickFile('.ies', (file) => void take(file))}
          />
        )}
      </View>
      {problem !== null && (
        <Txt tone="danger" role="alert">
          {problem}
        </Txt>
      )}
    </>
  );
}

/** The form of a thing that is not in the kit yet. */
function NewGear({ list, start, onDone }: { list: GearList; start: Draft; onDone: () => void }) {
  const actions = useActions();
  const palette = usePalette();
  return (
    <View style={{ gap: 12, padding: 12, backgroundColor: palette.raised }}>
      <Heading>{texts.newIt(LIST_NAMES[list].one)}</Heading>
      <GearForm
        list={list}
        start={start}
        onSave={(item) => {
          if (!actions.putGear(item)) return;
          onDone();
        }}
        onCancel={onDone}
      />
    </View>
  );
}

/** Which kind of gear is shown, with how many there are. */
function KindChoice({ list, onChoose }: { list: GearList; onChoose: (list: GearList) => void }) {
  const kit = useAppSelector((state) => selectKit(state));
  return (
    <ChoiceList
      label={texts.kind}
      layout="scroll"
      value={list}
      onChoose={onChoose}
      choices={LIST_ORDER.map((value) => ({
        value,
        label: LIST_NAMES[value].many,
        note: String(kit[value].filter(({ retired }) => !retired).length),
      }))}
    />
  );
}

/** All gear by kind: searched, made, changed, duplicated, retired; what readings have taught about it. */
export function KitScreen() {
  const [list, setList] = useState<GearList>('flashUnits');
  const [search, setSearch] = useState('');
  const [fresh, setFresh] = useState<Draft | null>(null);
  const things = useListed(list, search);
  const searching = search.trim() !== '';
  const { one } = LIST_NAMES[list];
  const choose = (next: GearList) => {
    setList(next);
    setFresh(null);
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
        {!searching && <KindChoice list={list} onChoose={choose} />}
        {fresh !== null && (
          <NewGear key={String(fresh['id'])} list={list} start={fresh} onDone={() => setFresh(null)} />
        )}
        {fresh === null && !searching && (
          <StartNew key={list} list={list} onStart={(draft) => setFresh({ id: newId(), retired: false, ...draft })} />
        )}
        <View>
          {things.map(({ list: its, thing }) => (
            <GearRow key={thing.id} list={its} thing={thing} />
          ))}
          {things.length === 0 && (
            <Txt tone="quiet">{searching ? texts.nothingInTheKitIs(search.trim()) : texts.noYet(one)}</Txt>
          )}
        </View>
        <EditHistory shootId={null} />
      </ScrollView>
    </Screen>
  );
}
