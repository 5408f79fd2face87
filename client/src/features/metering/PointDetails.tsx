import { texts } from './texts';
import { noticed } from '@/store/deviceSlice';
import { words } from '@/language/words';
import { useAdvice, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { selectReadings } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Heading, Txt } from '@/ui/Txt';
import { WhyRow } from '@/ui/WhyRow';
import { ApertureDial, IsoDial, ShutterDial, ToneDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { View } from 'react-native';

import { formatAperture, formatIso, formatShutter } from '@sphene/core/notation';
import { type MeteringPoint, METHOD_CHOICES, methodKey, type Reading } from '@sphene/core/setup';

const ASSUMED: Record<Reading['assumed'][number], string> = {
  shutter: 'shutter',
  iso: 'ISO',
  aperture: 'aperture',
  direction: 'direction',
  figure: texts.theFigure,
  mode: texts.theMode,
};
const SHOWN = 6;

/** Puts a reading right: what was taken over or mistaken, changed; everything is computed anew. */
function Correction({ reading, onDone }: { reading: Reading; onDone: () => void }) {
  const actions = useActions();
  const dispatch = useAppDispatch();
  const [draft, setDraft] = useState(reading);
  const { method } = draft;
  return (
    <View role="group" aria-label={texts.putTheReadingRight} style={{ gap: 8, paddingVertical: 8 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <ApertureDial
          label={texts.aperture}
          value={draft.av}
          increment="tenth"
          onChange={(av) => setDraft({ ...draft, av })}
        />
        <ShutterDial
          label={texts.shutter}
          value={draft.tv}
          increment="third"
          onChange={(tv) => setDraft({ ...draft, tv })}
        />
        <IsoDial label="ISO" value={draft.sv} increment="third" onChange={(sv) => setDraft({ ...draft, sv })} />
      </View>
      {method.kind !== 'frame' && (
        <ChoiceList
          label={texts.meteredBy}
          value={methodKey(method)}
          choices={METHOD_CHOICES.map(({ key }) => ({ value: key, label: words.methodChoice(key).name }))}
          onChoose={(key) =>
            setDraft({ ...draft, method: METHOD_CHOICES.find((one) => one.key === key)?.method ?? method })
          }
        />
      )}
      <ChoiceList
        label={texts.theMeterWasIn}
        layout="row"
        value={draft.meterMode ?? 'unsaid'}
        onChoose={(mode) => setDraft({ ...draft, meterMode: mode === 'unsaid' ? null : mode })}
        choices={[
          { value: 'ambient', label: texts.ambient },
          { value: 'flash', label: texts.flash },
          { value: 'unsaid', label: texts.notSaid },
        ]}
      />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <ActionButton
          label={texts.putRight}
          kind="primary"
          grow
          onPress={() => {
            const { av, tv, sv, meterMode } = draft;
            actions.correctReading(reading.id, { av, tv, sv, method, meterMode, assumed: [] });
            dispatch(noticed({ text: texts.readingPutRightTheOld }));
            onDone();
          }}
        />
        <ActionButton label={texts.leaveIt} onPress={onDone} />
      </View>
    </View>
  );
}

function ReadingRow({ reading, inForce, age }: { reading: Reading; inForce: boolean; age: number }) {
  const kit = useKit();
  const actions = useActions();
  const palette = usePalette();
  const [correcting, setCorrecting] = useState(false);
  const struck = reading.struckAt !== null;
  const text =
    `${formatAperture(reading.av, kit.preferences.meterIncrement)} at ` +
    `${formatShutter(reading.tv, 'third')}, ${formatIso(reading.sv)}`;
  const assumed = reading.assumed.map((what) => ASSUMED[what]).join(', ');
  return (
    <View role="listitem" style={{ borderTopWidth: 1, borderTopColor: palette.raised }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
        <View style={{ flex: 1, paddingVertical: 6 }}>
          <Txt
            bold={inForce}
            tone={struck ? 'quiet' : 'text'}
            style={struck ? { textDecorationLine: 'line-through' } : null}
          >
            {text}
            {inForce ? texts.inForce : ''}
          </Txt>
          <Txt size="label" tone="quiet">
            {words.age(age)} · {words.method(reading.method)}
            {reading.origin === 'simulated' ? texts.simulatedMeter : ''}
            {struck ? texts.struckOut : ''}
          </Txt>
          {assumed !== '' && !struck && (
            <Txt size="label" tone="quiet">
              Taken over: {assumed}
            </Txt>
          )}
        </View>
        {!struck && (
          <ActionButton
            label={texts.sameAgain}
            name={texts.sameAgain2(text)}
            kind="plain"
            onPress={() => {
              const { pointId, av, tv, sv, read, method, text: typed } = reading;
              actions.addReading(reading.setupId, { pointId, av, tv, sv, read, method, text: typed });
            }}
          />
        )}
        {!struck && (
          <IconButton icon="pencil-outline" name={texts.putRight2(text)} onPress={() => setCorrecting(!correcting)} />
        )}
        <IconButton
          icon={struck ? 'restore' : 'close'}
          name={`${struck ? texts.restore : texts.strikeOut} reading ${text}`}
          onPress={() => actions.strike('reading', reading.id, !struck)}
        />
      </View>
      {correcting && <Correction reading={reading} onDone={() => setCorrecting(false)} />}
    </View>
  );
}

/** One point: what its reading means at the camera, its readings, and what is said of it. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function PointDetails({ point }: { point: MeteringPoint }) {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { changeOne, activatePoint, readingsPlace } = useChange();
  const advice = useAdvice();
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const readings = useAppSelector((state) => selectReadings(state, setup.id)).filter(
    (reading) => reading.light === 'ambient' && reading.pointId === point.id,
  );
  const [all, setAll] = useState(false);
  const solved = numbers.points.find(({ pointId }) => pointId === point.id);
  const changePoint = (change: Partial<MeteringPoint>) =>
    changeOne(
      'points',
      setup.points.map((one) => (one.id === point.id ? { ...one, ...change } : one)),
    );
  const newest = readings.toReversed();
  const removable = point.role !== 'face' && readings.length === 0;
  const chain = advice.why[`point:${point.id}`];
  return (
    <View
      role="group"
      aria-label={texts.readingsOf(point.name)}
      ref={(node) => {
        readingsPlace.current = node as unknown as HTMLElement | null;
      }}
      style={{ gap: 8, paddingTop: 8 }}
    >
      <Heading size="value">{point.name}</Heading>
      {solved?.ambientEv100 != null && (
        <View style={{ gap: 2 }}>
          <Txt>
            EV {solved.ambientEv100.toFixed(1)} ± {(solved.uncertaintyStops ?? 0).toFixed(1)}
            {solved.overFaceStops === null || point.role === 'face'
              ? ''
              : texts.thanTheFace(words.stopsBothWays(solved.overFaceStops))}
          </Txt>
          {solved.placedStops !== null && (
            <WhyRow
              label={texts.lands}
              value={words.stopsBothWays(solved.placedStops)}
              why={chain === undefined ? undefined : words.why(chain, context)}
            />
          )}
          {solved.atCamera !== null && (
            <Txt tone="quiet">{texts.atCameraSettings(words.atCamera(solved.atCamera))}</Txt>
          )}
          {solved.ifRightText !== null && <Txt tone="quiet">{texts.ifRight(solved.ifRightText)}</Txt>}
          {solved.stale !== null && <Txt tone="danger">No longer holds: {words.staleness(solved.stale)}.</Txt>}
          {solved.basis === 'carried' && <Txt tone="quiet">{texts.carriedOverItMovedWith}</Txt>}
        </View>
      )}
      {newest.length === 0 && <Txt tone="quiet">{texts.noReadingYet}</Txt>}
      <View role="list">
        {newest.slice(0, all ? undefined : SHOWN).map((reading) => (
          <ReadingRow
            key={reading.id}
            reading={reading}
            inForce={reading.id === solved?.readingId}
            age={Math.max(0, Math.floor((clockMs - Date.parse(reading.at)) / 60_000))}
          />
        ))}
      </View>
      {newest.length > SHOWN && !all && (
        <ActionButton label={texts.all(newest.length)} kind="plain" onPress={() => setAll(true)} />
      )}
      <ChoiceList
        label={texts.standsIn(point.name)}
        layout="row"
        value={point.standsIn ?? 'unsaid'}
        onChoose={(light) => changePoint({ standsIn: light === 'unsaid' ? null : light })}
        choices={[
          { value: 'sun', label: texts.sun },
          { value: 'shade', label: texts.shade },
          { value: 'indoors', label: texts.indoors },
          { value: 'unsaid', label: texts.notSaid },
        ]}
      />
      <ToneDial
        label={texts.itsToneFromMidGrey}
        value={point.toneStops}
        onChange={(toneStops) => changePoint({ toneStops })}
        note={texts.whereItLandsWhenLit}
      />
      {removable && (
        <View style={{ flexDirection: 'row' }}>
          <ActionButton
            label={texts.remove(point.name.toLowerCase())}
            icon="trash-can-outline"
            onPress={() => {
              activatePoint(null);
              changeOne(
                'points',
                setup.points.filter(({ id }) => id !== point.id),
              );
            }}
          />
        </View>
      )}
    </View>
  );
}
