import { texts } from './texts';
import { useUndo } from '@/setupView/useUndo';
import { CheckStep } from '@/features/check/CheckStep';
import { LightsStep } from '@/features/lights/LightsStep';
import { LogPart } from '@/features/log/LogPart';
import { AmbientStep } from '@/features/metering/AmbientStep';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { StagePart } from '@/features/stage/StagePart';
import { words } from '@/language/words';
import { meteringMoved } from '@/store/deviceSlice';
import { selectDocument } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { IconButton } from '@/ui/ActionButton';
import { Ladder, ladderPx } from '@/ui/Ladder';
import { NextBar } from '@/ui/NextBar';
import { Screen } from '@/shell/Screen';
import { Heading, Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useWide } from '@/ui/useWide';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { memo, type ReactNode, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';

import { SetupProvider, type SetupView, useChange, useNumbers, useSetup } from '../../setupView/setupContext';
import { useOpenSetup } from '../../setupView/useOpenSetup';
import { CameraStep } from '../camera/CameraStep';
import { LookStep } from '../look/LookStep';
import { useNext } from './useNext';
import { LaterSetup } from '@/setupView/LaterSetup';
import { type Part, PARTS, useShortcuts } from '@/setupView/shortcuts';

const CONTENT: Record<Part, () => ReactNode> = {
  ambient: AmbientStep,
  look: LookStep,
  camera: CameraStep,
  flash: LightsStep,
  stage: StagePart,
  check: CheckStep,
  log: LogPart,
};

function SetupLadder({ compact, onTone }: { compact: boolean; onTone: () => void }) {
  const numbers = useNumbers();
  const { activatePoint, readingsPlace } = useChange();
  const { context } = useSetup();
  const show = (pointId: string) => {
    activatePoint(pointId);
    onTone();
    // the part and the point's readings are drawn first
    requestAnimationFrame(() => requestAnimationFrame(() => readingsPlace.current?.scrollIntoView({ block: 'start' })));
  };
  return (
    <Ladder
      points={numbers.points}
      said={numbers.points.map((point) => words.point(point, context)).join(' ')}
      onTone={show}
      clipsAboveStops={numbers.latitude?.clipsAboveStops ?? null}
      noiseBelowStops={numbers.latitude?.noiseBelowStops ?? null}
      compact={compact}
    />
  );
}

/** The parts as tabs: one at a time on a phone. */
function PartTabs({ part, onPart }: { part: Part; onPart: (part: Part) => void }) {
  const palette = usePalette();
  return (
    <View
      role="tablist"
      aria-label={texts.partsOfTheSetup}
      style={{ flexDirection: 'row', borderBottomWidth: 1, borderBottomColor: palette.line }}
    >
      {PARTS.map(({ part: one, label }) => {
        const chosen = one === part;
        return (
          <Pressable
            key={one}
            role="tab"
            aria-selected={chosen}
            onPress={() => onPart(one)}
            style={{
              flexGrow: 1,
              minHeight: TOUCH,
              alignItems: 'center',
              justifyContent: 'center',
              borderBottomWidth: 3,
              borderBottomColor: chosen ? palette.accent : 'transparent',
            }}
          >
            <Txt size="label" bold={chosen} tone={chosen ? 'text' : 'quiet'}>
              {label}
            </Txt>
          </Pressable>
        );
      })}
    </View>
  );
}

/** Scrolled this far the ladder becomes a strip; back at the top it opens again. */
const SHRINK_AT = 40;

/** One part at a time. Ladder and tabs lie over the scrolled part, so that nothing moves under the thumb when the ladder shrinks. */
function PhoneParts({ part, onPart }: { part: Part; onPart: (part: Part) => void }) {
  const palette = usePalette();
  const [scrolled, setScrolled] = useState(false);
  // what lies over the part besides the ladder, px
  const [besidesPx, setBesidesPx] = useState(66);
  const head = useRef<HTMLElement | null>(null);
  const tones = useNumbers().points.length;
  const Content = CONTENT[part];
  // while metering and on the stage the ladder is the strip, so that pad or stage fit on the screen
  const strip = part === 'ambient' || part === 'stage';
  const compact = scrolled || strip;
  const headPx = besidesPx + ladderPx(tones, strip);
  // a screen that lies hidden under another has no height
  const measure = () =>
    setBesidesPx((before) => {
      const tall = head.current?.offsetHeight ?? 0;
      return tall === 0 ? before : tall - ladderPx(tones, compact);
    });
  // room for one more tone comes in the same frame as the tone, or a button would slip from under a finger that is down on it
  useLayoutEffect(measure);
  return (
    <View style={{ flex: 1 }}>
      <View
        ref={(node) => {
          head.current = node as unknown as HTMLElement | null;
        }}
        style={{ position: 'absolute', top: 0, left: 0, right: 0, zIndex: 1, backgroundColor: palette.ground }}
        onLayout={measure}
      >
        <View style={{ paddingHorizontal: 16, paddingTop: 8 }}>
          <SetupLadder
            compact={compact}
            onTone={() => {
              setScrolled(false);
              onPart('ambient');
            }}
          />
        </View>
        <PartTabs
          part={part}
          onPart={(next) => {
            setScrolled(false);
            onPart(next);
          }}
        />
      </View>
      <ScrollView
        key={part}
        role="tabpanel"
        aria-label={PARTS.find((one) => one.part === part)?.label ?? ''}
        tabIndex={0}
        style={{ flex: 1, scrollPaddingTop: headPx } as object}
        contentContainerStyle={{ padding: 16, paddingTop: headPx + 12 }}
        keyboardShouldPersistTaps="handled"
        scrollEventThrottle={32}
        onScroll={({ nativeEvent }) => setScrolled(nativeEvent.contentOffset.y > SHRINK_AT)}
      >
        <Content />
      </ScrollView>
    </View>
  );
}

/** All steps under each other, on a wide screen. */
const StepsColumn = memo(function StepsColumn({
  places,
}: {
  places: React.RefObject<Partial<Record<Part, HTMLElement | null>>>;
}) {
  const palette = usePalette();
  return (
    <ScrollView
      role="region"
      aria-label={texts.steps}
      tabIndex={0}
      style={{ flex: 1 }}
      contentContainerStyle={{ paddingVertical: 16, gap: 24 }}
      keyboardShouldPersistTaps="handled"
    >
      {PARTS.filter(({ part }) => part !== 'log' && part !== 'stage').map(({ part, label }) => {
        const Content = CONTENT[part];
        return (
          <View
            key={part}
            role="region"
            aria-label={label}
            ref={(node) => {
              places.current[part] = node as unknown as HTMLElement | null;
            }}
            style={{ gap: 12, borderTopWidth: 1, borderTopColor: palette.line, paddingTop: 12 }}
          >
            <Heading size="value">{label}</Heading>
            <Content />
          </View>
        );
      })}
    </ScrollView>
  );
});
const LaterLog = memo(LogPart);

/** The ladder with everything that it says, in sentences. */
function LadderColumn({ onTone }: { onTone: () => void }) {
  const { points, warnings } = useNumbers();
  const { context } = useSetup();
  return (
    <ScrollView
      role="region"
      aria-label={texts.ladder}
      tabIndex={0}
      style={{ width: 300, flexGrow: 0 }}
      contentContainerStyle={{ paddingVertical: 16, gap: 12 }}
    >
      <SetupLadder compact={false} onTone={onTone} />
      {points.map((point) => (
        <Txt key={point.pointId} size="label" tone="quiet">
          {words.point(point, context)}
        </Txt>
      ))}
      {warnings
        .map((warning) => words.warning(warning, context))
        .map((text) => (
          <Txt key={text} size="label" tone="danger">
            {text}
          </Txt>
        ))}
    </ScrollView>
  );
}

type Places = React.RefObject<Partial<Record<Part, HTMLElement | null>>>;

/** The stage, and under it the log. */
function StageColumn({ places }: { places: Places }) {
  const palette = usePalette();
  const at = (part: Part) => (node: unknown) => {
    places.current[part] = node as HTMLElement | null;
  };
  return (
    <ScrollView
      role="region"
      aria-label={texts.stageAndLog}
      tabIndex={0}
      style={{ width: 440, flexGrow: 0 }}
      contentContainerStyle={{ paddingVertical: 16, gap: 24 }}
      keyboardShouldPersistTaps="handled"
    >
      <View role="region" aria-label={texts.stage} ref={at('stage')} style={{ gap: 12 }}>
        <Heading size="value">{texts.stage}</Heading>
        <StagePart />
      </View>
      <View
        role="region"
        aria-label={texts.log}
        ref={at('log')}
        style={{ gap: 12, borderTopWidth: 1, borderTopColor: palette.line, paddingTop: 12 }}
      >
        <Heading size="value">{texts.log}</Heading>
        <LaterSetup>
          <LaterLog />
        </LaterSetup>
      </View>
    </ScrollView>
  );
}

function WideParts({ places, onPart }: { places: Places; onPart: (part: Part) => void }) {
  return (
    <View
      style={{
        flex: 1,
        flexDirection: 'row',
        gap: 24,
        paddingHorizontal: 24,
        maxWidth: 1440,
        width: '100%',
        alignSelf: 'center',
      }}
    >
      <LadderColumn onTone={() => onPart('ambient')} />
      <LaterSetup>
        <StepsColumn places={places} />
      </LaterSetup>
      <StageColumn places={places} />
    </View>
  );
}

function SetupParts({ view }: { view: SetupView }) {
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
  useShortcuts({ onPart: goTo, onNext: doNext, onUndo: undo });
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
            <IconButton icon="undo" name={texts.takeTheLastThingBack} onPress={undo} />
          </>
        }
      >
        {wide ? <WideParts places={places} onPart={goTo} /> : <PhoneParts part={part} onPart={goTo} />}
        <NextBar {...words.nextAction(nextAction, context)} doing={doing} onPress={doNext} other={other} />
      </Screen>
    </SetupProvider>
  );
}

/** One setup: the ladder, the step being worked on, and the one thing to do now. */
export function SetupScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const dispatch = useAppDispatch();
  const { view, ready } = useOpenSetup(id);
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
  return <SetupParts key={view.open.setup.id} view={view} />;
}
