import { texts } from './texts';
import { words } from '@/language/words';
import { EnteringProvider, usePending } from '@/setupView/entering';
import { SetupProvider, type SetupView } from '@/setupView/setupContext';
import { type Part, useShortcuts } from '@/setupView/shortcuts';
import { useOpenSetup } from '@/setupView/useOpenSetup';
import { useUndo } from '@/setupView/useUndo';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { Screen } from '@/shell/Screen';
import { meteringMoved } from '@/store/deviceSlice';
import { selectDocument } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { IconButton } from '@/ui/ActionButton';
import { Folds } from '@/ui/Disclosure';
import { NextBar } from '@/ui/NextBar';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { readyForPictures } from '@/workers/pictures';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { memo, useEffect, useRef, useState } from 'react';

import { PhoneParts } from './PhoneParts';
import { useNext } from './useNext';
import { WideParts } from './WideParts';

const SetupParts = memo(function SetupParts({ view }: { view: SetupView }) {
  const { setup, context } = view.open;
  const { action: nextAction, doing, ends, other } = useNext(view);
  const undo = useUndo(setup.id);
  const wide = useWide();
  const router = useRouter();
  const [part, setPart] = useState<Part>(nextAction.step);
  const places = useRef<Partial<Record<Part, HTMLElement | null>>>({});
  const spot = useAppSelector((state) => selectDocument(state, 'spot', setup.spotId));
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', setup.shootId));
  const goTo = (next: Part) => {
    setPart(next);
    places.current[next]?.scrollIntoView({ block: 'start' });
  };
  const doNext = () => {
    if (nextAction.settings.length > 0) view.hands.change(...nextAction.settings);
    // what is set on the camera is set with the camera in the hand: the page stays where it is
    if (nextAction.kind !== 'set-camera') goTo(ends ? 'log' : nextAction.step);
  };
  const pending = usePending();
  useShortcuts({ onPart: goTo, onNext: pending?.save ?? doNext, onUndo: undo });
  return (
    <SetupProvider view={view}>
      <Screen
        title={setup.title}
        place={[spot?.title, shoot?.title].filter(Boolean).join(' · ')}
        up={`/shoot/${setup.shootId}`}
        actions={
          <>
            <IconButton
              icon="calculator-variant-outline"
              name={texts.stopArithmetic}
              onPress={() => router.navigate('/stops')}
            />
            <IconButton
              icon="card-text-outline"
              name={texts.cardForTheAssistant}
              onPress={() => router.navigate({ pathname: '/sheets/[id]', params: { id: setup.id } })}
            />
            <IconButton icon="undo" name={texts.takeTheLastThingBack} onPress={undo} />
          </>
        }
      >
        <Folds of={setup.id}>
          {wide ? <WideParts places={places} onPart={goTo} /> : <PhoneParts part={part} onPart={goTo} />}
        </Folds>
        {pending === null ? (
          <NextBar {...words.nextAction(nextAction, context)} doing={doing} onPress={doNext} other={other} />
        ) : (
          <NextBar text={pending.label} detail={pending.how} doing={texts.save} onPress={pending.save} />
        )}
      </Screen>
    </SetupProvider>
  );
});

/** One setup: the ladder, the step being worked on, and the one thing to do now. */
export function SetupScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const dispatch = useAppDispatch();
  const { view, ready } = useOpenSetup(id);
  useEffect(() => readyForPictures(), []);
  useEffect(() => {
    dispatch(meteringMoved({ setupId: id, pointId: null }));
  }, [dispatch, id]);
  if (view === null)
    return ready ? (
      <NotFoundScreen />
    ) : (
      <Screen title={texts.setup} up="/">
        <Txt role="status" tone="quiet" style={{ padding: 16 }}>
          {texts.openingTheSetup}
        </Txt>
      </Screen>
    );
  return (
    <EnteringProvider key={view.open.setup.id}>
      <SetupParts view={view} />
    </EnteringProvider>
  );
}
