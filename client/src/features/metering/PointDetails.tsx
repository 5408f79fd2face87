import { texts } from './texts';
import { words } from '@/language/words';
import { useAdvice, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { selectReadings, selectSceneChanges } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Heading, Txt } from '@/ui/Txt';
import { ToggleList } from '@/ui/ToggleList';
import { WhyRow } from '@/ui/WhyRow';
import { ToneDial } from '@/ui/dials';
import { useState } from 'react';
import { View } from 'react-native';

import type { PointSolution } from '@sphene/core/balance';
import { readingSteps } from '@sphene/core/metering';
import { formatDistance, formatStopCount } from '@sphene/core/notation';
import type { MeteringPoint, Reading } from '@sphene/core/setup';
import { ReadingRow } from './ReadingRow';

const SHOWN = 6;

/** What the point's reading comes to: level, where it lands, what it means at the camera, whether it still holds. */
function Level({ solved }: { solved: PointSolution }) {
  const { context } = useSetup();
  const { why } = useAdvice();
  const { distanceUnit } = useKit().preferences;
  const chain = why[`point:${solved.pointId}`];
  if (solved.ambientEv100 === null) return null;
  const over = solved.role === 'face' ? null : solved.overFaceStops;
  const { rise } = solved;
  return (
    <View style={{ gap: 2 }}>
      <Txt>
        {texts.levelOf(solved.ambientEv100.toFixed(1), (solved.uncertaintyStops ?? 0).toFixed(1))}
        {over === null ? '' : texts.thanTheFace(words.stopsBothWays(over))}
      </Txt>
      {solved.placedStops !== null && (
        <WhyRow
          label={texts.lands}
          value={words.stopsBothWays(solved.placedStops)}
          why={chain === undefined ? undefined : words.why(chain, context)}
        />
      )}
      {solved.atCamera !== null && <Txt tone="quiet">{texts.atCameraSettings(words.atCamera(solved.atCamera))}</Txt>}
      {solved.ifRightText !== null && <Txt tone="quiet">{texts.ifRight(solved.ifRightText)}</Txt>}
      {rise !== null && (
        <Txt tone="quiet">
          {rise.keyM === null
            ? texts.mayRise(formatStopCount(rise.stops))
            : texts.mayRiseTo(formatStopCount(rise.stops), formatDistance(rise.keyM, distanceUnit))}
        </Txt>
      )}
      {solved.stale !== null && (
        <Txt tone={solved.stale.asked ? 'danger' : 'quiet'}>
          {texts.lessSure(formatStopCount(solved.stale.sdStops), words.staleness(solved.stale))}
        </Txt>
      )}
      {solved.basis === 'carried' && <Txt tone="quiet">{texts.carriedOverItMovedWith}</Txt>}
    </View>
  );
}

/** The point's readings, the newest first. */
function Readings({ readings, inForceId }: { readings: readonly Reading[]; inForceId: string | null }) {
  const { setup } = useSetup();
  const changes = useAppSelector((state) => selectSceneChanges(state, setup.id));
  const steps = readingSteps(readings, changes, readings[0]?.pointId ?? '');
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const [all, setAll] = useState(false);
  const newest = [...readings].reverse();
  return (
    <>
      {newest.length === 0 && <Txt tone="quiet">{texts.noReadingYet}</Txt>}
      <View role="list">
        {newest.slice(0, all ? undefined : SHOWN).map((reading) => (
          <ReadingRow
            key={reading.id}
            reading={reading}
            inForce={reading.id === inForceId}
            step={steps.get(reading.id) ?? null}
            age={Math.max(0, Math.floor((clockMs - Date.parse(reading.at)) / 60_000))}
          />
        ))}
      </View>
      {newest.length > SHOWN && !all && (
        <ActionButton label={texts.all(newest.length)} kind="plain" onPress={() => setAll(true)} />
      )}
    </>
  );
}

/** What is said of a point: the light it stands in and its tone; one that was never metered may go. */
function SaidOfIt({ point, removable }: { point: MeteringPoint; removable: boolean }) {
  const { points } = useSetup().setup;
  const { changeOne, activatePoint } = useChange();
  const put = (change: Partial<MeteringPoint>) =>
    changeOne(
      'points',
      points.map((one) => (one.id === point.id ? { ...one, ...change } : one)),
    );
  const remove = () => {
    activatePoint(null);
    changeOne(
      'points',
      points.filter(({ id }) => id !== point.id),
    );
  };
  return (
    <>
      <ChoiceList
        label={texts.standsIn(point.name)}
        layout="row"
        value={point.standsIn ?? 'unsaid'}
        onChoose={(light) => put({ standsIn: light === 'unsaid' ? null : light })}
        choices={[
          { value: 'sun', label: texts.sun },
          { value: 'shade', label: texts.shade },
          { value: 'indoors', label: texts.indoors },
          { value: 'unsaid', label: texts.notSaid },
        ]}
      />
      <ToggleList
        label={texts.theLightThere}
        values={point.patchy ? ['patchy'] : []}
        onChange={(values) => put({ patchy: values.length > 0 })}
        choices={[{ value: 'patchy', label: texts.patchy, note: texts.patchyWhy }]}
      />
      <ToneDial
        label={texts.itsToneFromMidGrey}
        value={point.toneStops}
        onChange={(toneStops) => put({ toneStops })}
        note={texts.whereItLandsWhenLit}
      />
      {point.leftOut && (
        <View style={{ flexDirection: 'row' }}>
          <ActionButton label={texts.meterItAfterAll} onPress={() => put({ leftOut: false })} />
        </View>
      )}
      {removable && (
        <View style={{ flexDirection: 'row' }}>
          <ActionButton label={texts.remove(point.name.toLowerCase())} icon="trash-can-outline" onPress={remove} />
        </View>
      )}
    </>
  );
}

/** One point: what its reading means at the camera, its readings, and what is said of it. */
export function PointDetails({ point }: { point: MeteringPoint }) {
  const { setup } = useSetup();
  const { points } = useNumbers();
  const { readingsPlace } = useChange();
  const readings = useAppSelector((state) => selectReadings(state, setup.id)).filter(
    (reading) => reading.light === 'ambient' && reading.pointId === point.id,
  );
  const solved = points.find(({ pointId }) => pointId === point.id);
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
      {solved !== undefined && <Level solved={solved} />}
      <Readings readings={readings} inForceId={solved?.readingId ?? null} />
      <SaidOfIt point={point} removable={point.role !== 'face' && readings.length === 0} />
    </View>
  );
}
