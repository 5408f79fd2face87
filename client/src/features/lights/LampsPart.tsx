import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { newId } from '@/store/ids';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { DistanceDial, NumberDial, SideDial } from '@/ui/dials';
import { ToggleList } from '@/ui/ToggleList';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import type { LampWish } from '@sphene/core/balance';
import { type Kit, offered, percentOf } from '@sphene/core/gear';
import { formatDistance, formatStops } from '@sphene/core/notation';
import { LIGHT_ROLE_FACTS, LIGHT_ROLES, type LightRole, type PlacedLamp } from '@sphene/core/setup';
import { StandsFor } from './StandsFor';

const USUAL_LAMP_M = 1.5;
const MOST_LAMPS = 6;

/** Where a lamp stands, how far it is dimmed, and its colour. */
function LampDials({
  placed,
  lamp,
  put,
}: {
  placed: PlacedLamp;
  lamp: Kit['lamps'][number];
  put: (change: Partial<PlacedLamp>) => void;
}) {
  const kit = useKit();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
      <DistanceDial
        label={texts.distanceOf(lamp.name)}
        value={placed.distanceM}
        unit={kit.preferences.distanceUnit}
        onChange={(distanceM) => put({ distanceM })}
      />
      <SideDial
        label={texts.sideOf(lamp.name)}
        value={placed.sideDeg}
        onChange={(sideDeg) => put({ sideDeg })}
        note={placed.sideDeg < 0 ? texts.leftOfTheCamera : texts.rightOfTheCamera}
      />
      {lamp.dimmer !== null && (
        <NumberDial
          label={texts.dimmedTo}
          unit="%"
          value={percentOf(placed.dimStops)}
          least={lamp.dimmer.leastPercent}
          most={100}
          step={lamp.dimmer.stepPercent}
          decimals={lamp.dimmer.leastPercent < 1 ? 1 : 0}
          onChange={(percent) => put({ dimStops: Math.log2(percent / 100) })}
          note={texts.stopsOfFull(formatStops(placed.dimStops))}
        />
      )}
      <NumberDial
        label={texts.itsColour}
        unit="K"
        value={placed.kelvin}
        least={lamp.kelvinLow}
        most={lamp.kelvinHigh}
        step={100}
        decimals={0}
        onChange={(kelvin) => put({ kelvin })}
      />
      <NumberDial
        label={texts.besideItsAxis}
        unit="°"
        value={placed.offAxisDeg}
        least={0}
        most={90}
        step={5}
        decimals={0}
        onChange={(offAxisDeg) => put({ offAxisDeg })}
      />
    </View>
  );
}

/** Whether it comes on by itself when it gets dark: then the hour ahead knows. */
function AtDusk({
  name,
  placed,
  put,
}: {
  name: string;
  placed: PlacedLamp;
  put: (change: Partial<PlacedLamp>) => void;
}) {
  return (
    <ToggleList
      label={texts.whenItBurns(name)}
      choices={[{ value: 'dusk', label: texts.comesOnAtDusk }]}
      values={placed.fromDusk ? ['dusk'] : []}
      onChange={(values) => put({ fromDusk: values.length > 0 })}
    />
  );
}

/** What a lamp should do, how it does it, and one tap for that. */
function Wish({ wish, put }: { wish: LampWish; put: (change: Partial<PlacedLamp>) => void }) {
  const { context } = useSetup();
  const { distanceUnit } = useKit().preferences;
  const { dimStops, isSet, outOfRange, distanceM, fullDistanceM } = wish;
  const weak = outOfRange?.direction === 'too-weak';
  const moveToM = weak ? fullDistanceM : distanceM;
  return (
    <>
      <Txt bold role="status">
        {words.lampWish(wish, context)}
      </Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {dimStops !== null && outOfRange === null && !isSet && (
          <ActionButton kind="primary" label={texts.setItSo} onPress={() => put({ dimStops, on: true })} />
        )}
        {dimStops !== null && !isSet && moveToM !== null && (
          <ActionButton
            kind={outOfRange === null ? 'secondary' : 'primary'}
            label={texts.moveItTo(formatDistance(moveToM, distanceUnit))}
            onPress={() => put({ distanceM: Number(moveToM.toFixed(2)), on: true, ...(weak ? { dimStops: 0 } : {}) })}
          />
        )}
      </View>
    </>
  );
}

/** One continuous lamp: where it falls, its dimmer and colour, and what it adds there. */
function LampCard({ placed }: { placed: PlacedLamp }) {
  const { setup, context } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const palette = usePalette();
  const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
  const its = numbers.lamps.find(({ id }) => id === placed.id);
  const put = (change: Partial<PlacedLamp>) =>
    changeOne(
      'lamps',
      setup.lamps.map((one) => (one.id === placed.id ? { ...one, ...change } : one)),
    );
  /** a lamp that becomes a light falls on what such a light is for, where that is metered */
  const standFor = (role: LightRole): Partial<PlacedLamp> => {
    const point = setup.points.find((one) => one.role === LIGHT_ROLE_FACTS[role].aims);
    return point === undefined ? {} : { pointId: point.id };
  };
  if (lamp === undefined) return <Txt tone="danger">{texts.thisLampIsNotIn}</Txt>;
  return (
    <View
      role="group"
      aria-label={lamp.name}
      style={{
        gap: 8,
        padding: 12,
        backgroundColor: palette.raised,
        borderLeftWidth: 3,
        borderLeftColor: palette.ambient,
      }}
    >
      <Txt bold>{lamp.name}</Txt>
      <Txt role="status">{its === undefined ? texts.itsPointIsGone : words.lamp(its, context)}</Txt>
      <ChoiceList
        label={texts.whatItDoes(lamp.name)}
        layout="scroll"
        value={placed.role}
        onChoose={(role) => put({ role, ...(role === null ? {} : standFor(role)) })}
        choices={[
          { value: null, label: texts.asItIs },
          ...[...LIGHT_ROLES].reverse().map((role) => ({ value: role, label: words.lightRole(role).name })),
        ]}
      />
      {placed.role === 'motivated' && (
        <StandsFor name={lamp.name} value={placed.standsFor} onChoose={(standsFor) => put({ standsFor })} />
      )}
      {its?.wish != null && <Wish wish={its.wish} put={put} />}
      {placed.role !== null && its !== undefined && its.wish === null && (
        <Txt tone="quiet">{texts.meterItsPointFirst}</Txt>
      )}
      <ChoiceList
        label={texts.fallsOn(lamp.name)}
        layout="scroll"
        value={placed.pointId}
        onChoose={(pointId) => put({ pointId })}
        choices={setup.points.map(({ id, name }) => ({ value: id, label: name }))}
      />
      <LampDials placed={placed} lamp={lamp} put={put} />
      <AtDusk name={lamp.name} placed={placed} put={put} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton
          kind={placed.on ? 'secondary' : 'primary'}
          label={placed.on ? texts.switchOff : texts.switchOn}
          name={(placed.on ? texts.switchItOff : texts.switchItOn)(lamp.name)}
          onPress={() => put({ on: !placed.on })}
        />
        <ActionButton
          kind="plain"
          label={texts.remove}
          name={texts.removeIt(lamp.name)}
          onPress={() =>
            changeOne(
              'lamps',
              setup.lamps.filter(({ id }) => id !== placed.id),
            )
          }
        />
      </View>
    </View>
  );
}

/** Lamps that count as ambient with a dial; reflectors, panels and openings stand on the stage. */
export function LampsPart() {
  const { setup } = useSetup();
  const kit = useKit();
  const { changeOne } = useChange();
  const lamps = offered(kit.lamps);
  const face = setup.points.find(({ role }) => role === 'face');
  const add = (lampId: string, kelvinHigh: number) =>
    changeOne('lamps', [
      ...setup.lamps,
      {
        id: newId(),
        lampId,
        pointId: face?.id ?? setup.points[0]?.id ?? 'face',
        distanceM: USUAL_LAMP_M,
        sideDeg: 60,
        heightM: 0.2,
        offAxisDeg: 0,
        on: true,
        role: null,
        standsFor: null,
        fromDusk: false,
        dimStops: 0,
        kelvin: kelvinHigh,
      },
    ]);
  return (
    <View style={{ gap: 12 }}>
      {setup.lamps.map((placed) => (
        <LampCard key={placed.id} placed={placed} />
      ))}
      {setup.lamps.length < MOST_LAMPS && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {lamps.map(({ id, name, kelvinHigh }) => (
            <ActionButton
              key={id}
              icon="plus"
              label={name}
              name={texts.add(name)}
              onPress={() => add(id, kelvinHigh)}
            />
          ))}
        </View>
      )}
      {lamps.length === 0 && <Txt tone="quiet">{texts.noContinuousLampInThe}</Txt>}
    </View>
  );
}
