import { texts } from './texts';
import { exportSetup } from '@/setupView/exportSetup';
import { useChange, useSetup } from '@/setupView/setupContext';
import { KeptTextField } from '@/shell/KeptTextField';
import { TitleField } from '@/shell/TitleField';
import { useActions, useKeeper } from '@/store/application';
import { selectSetups, selectSpots } from '@/store/selectors';
import { type Store, useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Heading } from '@/ui/Txt';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useStore } from 'react-redux';

const MOST_LETTERS = { note: 4000, frame: 20 };

/** What a copy or the next setup is called: counted after those at its spot. */
function useFreshTitle(): string {
  const { setup } = useSetup();
  const titles = useAppSelector(selectSetups)
    .filter(({ spotId }) => spotId === setup.spotId)
    .map(({ title }) => title);
  const free = titles.map((_, index) => index + 2).find((number) => !titles.includes(texts.setupNumber(number)));
  return texts.setupNumber(free ?? titles.length + 1);
}

/** What can be done with the setup as a whole: the next one, a copy, another spot, away with it. */
function WhatNext() {
  const { setup } = useSetup();
  const actions = useActions();
  const keeper = useKeeper();
  const router = useRouter();
  const store = useStore() as Store;
  const title = useFreshTitle();
  const open = (id: string) => router.navigate({ pathname: '/setup/[id]', params: { id } });
  const duplicate = async () => {
    const file = await exportSetup(store.getState(), setup.id, (id) => keeper.image(id));
    if (file !== null) open(await actions.duplicateSetup(file, texts.copyOf(setup.title).slice(0, 120)));
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      <ActionButton
        label={texts.nextSetup}
        name={texts.nextSetupName(setup.title)}
        icon="plus"
        onPress={() => open(actions.nextSetup(setup, title))}
      />
      <ActionButton label={texts.duplicate} onPress={() => void duplicate()} />
      <ActionButton
        label={texts.deleteIt}
        name={texts.deleteSetup(setup.title)}
        icon="trash-can-outline"
        kind="plain"
        onPress={() => {
          router.navigate({ pathname: '/shoot/[id]', params: { id: setup.shootId } });
          actions.remove(setup);
        }}
      />
    </View>
  );
}

/** The setup as a whole: its name, what was noted, which frames were made with it, and what comes after it. */
export function ThisSetup() {
  const { setup } = useSetup();
  const { changeOne } = useChange();
  const spots = useAppSelector(selectSpots).filter(({ shootId }) => shootId === setup.shootId);
  const { from, to } = setup.frames;
  return (
    <View role="group" aria-label={texts.thisSetup} style={{ gap: 12 }}>
      <Heading>{texts.thisSetup}</Heading>
      <WhatNext />
      <View style={{ flexDirection: 'row' }}>
        <TitleField label={texts.setup} title={setup.title} onRename={(title) => changeOne('title', title)} />
      </View>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <KeptTextField
          label={texts.fromFrame}
          value={from}
          most={MOST_LETTERS.frame}
          onKeep={(text) => changeOne('frames', { from: text, to })}
        />
        <KeptTextField
          label={texts.toFrame}
          value={to}
          most={MOST_LETTERS.frame}
          onKeep={(text) => changeOne('frames', { from, to: text })}
        />
      </View>
      <KeptTextField
        label={texts.note}
        value={setup.note}
        most={MOST_LETTERS.note}
        tall
        onKeep={(text) => changeOne('note', text)}
      />
      {spots.length > 1 && (
        <ChoiceList
          label={texts.atSpot}
          layout="scroll"
          value={setup.spotId}
          onChoose={(spotId) => changeOne('spotId', spotId)}
          choices={spots.map(({ id, title }) => ({ value: id, label: title }))}
        />
      )}
    </View>
  );
}
