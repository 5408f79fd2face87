import { useActions } from '@/store/application';
import { noticed, settlingMoved } from '@/store/deviceSlice';
import { selectAside, selectConflicts } from '@/store/selectors';
import { type RootState, useAppDispatch, useAppSelector } from '@/store/store';
import { usePathname } from 'expo-router';
import { useEffect } from 'react';
import { Pressable, View } from 'react-native';
import { useStore } from 'react-redux';

import { type Conflict, type Document, nameOfDocument, type Refusal } from '@sphene/core/documents';
import { ActionButton } from '../ui/ActionButton';
import PathIcon from '../ui/PathIcon';
import { Heading, Txt } from '../ui/Txt';
import { TOUCH } from '../ui/palette';
import { usePalette } from '../ui/theme';
import { downloadText } from './download';
import { formatMoment } from './formatMoment';
import { Sheet } from './Sheet';
import { texts } from './texts';
import { type Work, useWork } from './work';

/** Two values of one field, each with who gave it and when; the one in force is told. */
function Asked({ conflict, work }: { conflict: Conflict; work: Work }) {
  const palette = usePalette();
  const actions = useActions();
  const store = useStore<RootState>();
  const { of, claims } = work.sayConflict(store.getState(), conflict);
  return (
    <View role="group" aria-label={texts.twoValuesFor(of)} style={{ gap: 8 }}>
      <Heading size="value">{of}</Heading>
      {conflict.claims.map(({ by, at }, index) => {
        const { text = '', inForce = false } = claims[index] ?? {};
        const who = texts.whoAndWhen(by?.name ?? texts.anotherDevice, at === null ? '' : formatMoment(at));
        return (
          <View
            key={index}
            style={{
              gap: 4,
              padding: 12,
              backgroundColor: palette.raised,
              borderLeftWidth: 3,
              borderLeftColor: inForce ? palette.accent : palette.line,
            }}
          >
            <Txt size="label" tone="quiet">
              {who}
              {inForce ? texts.afterInForce : ''}
            </Txt>
            <Txt>{text}</Txt>
            <View style={{ alignItems: 'flex-start', paddingTop: 4 }}>
              <ActionButton
                label={inForce ? texts.leaveIt : texts.takeThis}
                name={texts.choose(text)}
                onPress={() => actions.answer(conflict, index)}
              />
            </View>
          </View>
        );
      })}
    </View>
  );
}

const nameOf = (document: Document | undefined): string => {
  if (document === undefined) return texts.somethingThatIsGone;
  const unnamed = document.type === 'reading' ? texts.reading(document.text.slice(0, 24)) : texts.entryOfTheLog;
  return nameOfDocument(document) || unnamed;
};

/** A change that the server did not take: why, and three ways to go on. */
function SetAside({
  id,
  reason,
  document,
  work,
}: {
  id: string;
  reason: Refusal;
  document: Document | undefined;
  work: Work;
}) {
  const palette = usePalette();
  const actions = useActions();
  const dispatch = useAppDispatch();
  const name = nameOf(document);
  const mend = () => {
    if (!actions.mend(id)) dispatch(noticed({ text: texts.cannotBeMended }));
  };
  return (
    <View
      role="group"
      aria-label={texts.notTaken(name)}
      style={{
        gap: 8,
        padding: 12,
        backgroundColor: palette.raised,
        borderLeftWidth: 3,
        borderLeftColor: palette.danger,
      }}
    >
      <Txt bold>{name}</Txt>
      <Txt>{work.sayRefusal(reason)}</Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton label={texts.mend} name={texts.mendIt(name)} onPress={mend} />
        <ActionButton
          label={texts.exportIt}
          name={texts.exportThe(name)}
          onPress={() => downloadText(`${id}.json`, `${JSON.stringify(document ?? null, null, 2)}\n`)}
        />
        <ActionButton label={texts.discard} name={texts.discardIt(name)} onPress={() => actions.discard(id)} />
      </View>
    </View>
  );
}

/**
 * A mark while something waits for the person: what two devices said of one field, and what the server did not take.
 * It never opens by itself.
 */
export function Unsettled() {
  const palette = usePalette();
  const conflicts = useAppSelector(selectConflicts);
  const aside = useAppSelector(selectAside);
  const { work, load } = useWork();
  const dispatch = useAppDispatch();
  const address = usePathname();
  const open = useAppSelector((state) => state.device.settlingAt === address);
  const setOpen = (to: boolean) => dispatch(settlingMoved(to ? address : null));
  const count = conflicts.length + aside.length;
  useEffect(() => {
    if (open && work === null) void load();
  }, [open, work, load]);
  if (count === 0) return null;
  return (
    <>
      <Pressable
        role="button"
        aria-label={texts.thingsToSettle(count)}
        onPress={() => setOpen(true)}
        style={{
          minWidth: TOUCH,
          minHeight: TOUCH,
          flexDirection: 'row',
          alignItems: 'center',
          justifyContent: 'center',
        }}
      >
        <PathIcon name="alert-outline" size={20} color={palette.danger} />
        <Txt size="label" tone="danger" bold>
          {String(count)}
        </Txt>
      </Pressable>
      {open && (
        <Sheet title={texts.toSettle} onClose={() => setOpen(false)}>
          {work === null && <Txt role="status">{texts.opening}</Txt>}
          {work !== null && conflicts.length > 0 && (
            <View style={{ gap: 16 }}>
              <Txt tone="quiet">{texts.twoDevicesChanged}</Txt>
              {conflicts.map((conflict) => (
                <Asked key={conflict.id} conflict={conflict} work={work} />
              ))}
            </View>
          )}
          {work !== null && aside.length > 0 && (
            <View style={{ gap: 16 }}>
              <Txt tone="quiet">{texts.theServerDidNotTakeThese}</Txt>
              {aside.map((one) => (
                <SetAside key={one.id} {...one} work={work} />
              ))}
            </View>
          )}
        </Sheet>
      )}
    </>
  );
}
