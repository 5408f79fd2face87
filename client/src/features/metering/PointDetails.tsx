import { noticed } from '@/store/deviceSlice';
import { words } from '@/language/words';
import { useSetupView } from '@/setupView/setupContext';
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
  figure: 'the figure',
  mode: 'the mode',
};
const SHOWN = 6;

/** Puts a reading right: what was taken over or mistaken, changed; everything is computed anew. */
function Correction({ reading, onDone }: { reading: Reading; onDone: () => void }) {
  const actions = useActions();
  const dispatch = useAppDispatch();
  const [draft, setDraft] = useState(reading);
  const { method } = draft;
  return (
    <View role="group" aria-label="Put the reading right" style={{ gap: 8, paddingVertical: 8 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <ApertureDial
          label="Aperture"
          value={draft.av}
          increment="tenth"
          onChange={(av) => setDraft({ ...draft, av })}
        />
        <ShutterDial label="Shutter" value={draft.tv} increment="third" onChange={(tv) => setDraft({ ...draft, tv })} />
        <IsoDial label="ISO" value={draft.sv} increment="third" onChange={(sv) => setDraft({ ...draft, sv })} />
      </View>
      {method.kind !== 'frame' && (
        <ChoiceList
          label="Metered by"
          value={methodKey(method)}
          choices={METHOD_CHOICES.map(({ key }) => ({ value: key, label: words.methodChoice(key).name }))}
          onChoose={(key) =>
            setDraft({ ...draft, method: METHOD_CHOICES.find((one) => one.key === key)?.method ?? method })
          }
        />
      )}
      <ChoiceList
        label="The meter was in"
        layout="row"
        value={draft.meterMode ?? 'unsaid'}
        onChoose={(mode) => setDraft({ ...draft, meterMode: mode === 'unsaid' ? null : mode })}
        choices={[
          { value: 'ambient', label: 'Ambient' },
          { value: 'flash', label: 'Flash' },
          { value: 'unsaid', label: 'Not said' },
        ]}
      />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <ActionButton
          label="Put right"
          kind="primary"
          grow
          onPress={() => {
            const { av, tv, sv, meterMode } = draft;
            actions.correctReading(reading.id, { av, tv, sv, method, meterMode, assumed: [] });
            dispatch(noticed({ text: 'Reading put right; the old one is struck out in the log.' }));
            onDone();
          }}
        />
        <ActionButton label="Leave it" onPress={onDone} />
      </View>
    </View>
  );
}

function ReadingRow({ reading, inForce, age }: { reading: Reading; inForce: boolean; age: number }) {
  const { kit } = useSetupView();
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
            {inForce ? ' · in force' : ''}
          </Txt>
          <Txt size="label" tone="quiet">
            {words.age(age)} · {words.method(reading.method)}
            {reading.origin === 'simulated' ? ' · simulated meter' : ''}
            {struck ? ' · struck out' : ''}
          </Txt>
          {assumed !== '' && !struck && (
            <Txt size="label" tone="quiet">
              Taken over: {assumed}
            </Txt>
          )}
        </View>
        {!struck && (
          <ActionButton
            label="Same again"
            name={`Same again, ${text}`}
            kind="plain"
            onPress={() => {
              const { pointId, av, tv, sv, read, method, text: typed } = reading;
              actions.addReading(reading.setupId, { pointId, av, tv, sv, read, method, text: typed });
            }}
          />
        )}
        {!struck && (
          <IconButton icon="pencil-outline" name={`Put right ${text}`} onPress={() => setCorrecting(!correcting)} />
        )}
        <IconButton
          icon={struck ? 'restore' : 'close'}
          name={`${struck ? 'Restore' : 'Strike out'} reading ${text}`}
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
  const { setup, solution, changeOne, activatePoint, readingsPlace, advice, context } = useSetupView();
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const readings = useAppSelector((state) => selectReadings(state, setup.id)).filter(
    (reading) => reading.light === 'ambient' && reading.pointId === point.id,
  );
  const [all, setAll] = useState(false);
  const solved = solution.points.find(({ pointId }) => pointId === point.id);
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
      aria-label={`Readings of ${point.name}`}
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
              : `, ${words.stopsBothWays(solved.overFaceStops)} than the face`}
          </Txt>
          {solved.placedStops !== null && (
            <WhyRow
              label="Lands"
              value={words.stopsBothWays(solved.placedStops)}
              why={chain === undefined ? undefined : words.why(chain, context)}
            />
          )}
          {solved.atCamera !== null && (
            <Txt tone="quiet">At the camera's settings: {words.atCamera(solved.atCamera)}</Txt>
          )}
          {solved.ifRightText !== null && <Txt tone="quiet">Camera, if this were right: {solved.ifRightText}</Txt>}
          {solved.stale !== null && <Txt tone="danger">No longer holds: {words.staleness(solved.stale)}.</Txt>}
          {solved.basis === 'carried' && (
            <Txt tone="quiet">Carried over: it moved with a point in the same light that was metered again.</Txt>
          )}
        </View>
      )}
      {newest.length === 0 && <Txt tone="quiet">No reading yet.</Txt>}
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
        <ActionButton label={`All ${newest.length}`} kind="plain" onPress={() => setAll(true)} />
      )}
      <ChoiceList
        label={`${point.name} stands in`}
        layout="row"
        value={point.standsIn ?? 'unsaid'}
        onChoose={(light) => changePoint({ standsIn: light === 'unsaid' ? null : light })}
        choices={[
          { value: 'sun', label: 'Sun' },
          { value: 'shade', label: 'Shade' },
          { value: 'indoors', label: 'Indoors' },
          { value: 'unsaid', label: 'Not said' },
        ]}
      />
      <ToneDial
        label="Its tone, from mid grey"
        value={point.toneStops}
        onChange={(toneStops) => changePoint({ toneStops })}
        note="where it lands when lit as the face should be"
      />
      {removable && (
        <View style={{ flexDirection: 'row' }}>
          <ActionButton
            label={`Remove ${point.name.toLowerCase()}`}
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
