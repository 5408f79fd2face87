import { texts } from './texts';
import { words } from '@/language/words';
import { useActivePoint, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { formatMoment } from '@/shell/formatMoment';
import { newId } from '@/store/ids';
import { selectReadings } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { type ReactNode, useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { meterIncrementOf } from '@sphene/core/metering';
import { formatAperture, formatStopCount, formatStops } from '@sphene/core/notation';
import { newPoint, POINT_ROLES, type PointRole, type Reading } from '@sphene/core/setup';

const MOST_POINTS = 20;

/** Older than this a reading is told by its day and time, minutes: by then the setup rests. */
const AT_REST_MINUTES = 120;
const whenOf = ({ at }: Reading, minutes: number): string =>
  minutes > AT_REST_MINUTES ? formatMoment(at) : words.age(minutes);

/** A point's note: its reading, how far it lies over the face, and how old it is. */
function useNotes(few: boolean) {
  const { setup } = useSetup();
  const kit = useKit();
  const { points } = useNumbers();
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  return (pointId: string): string => {
    const point = points.find((one) => one.pointId === pointId);
    const reading = readings.find(({ id }) => id === point?.readingId);
    if (point === undefined || reading === undefined) return texts.notMetered;
    const parts = [formatAperture(reading.av, meterIncrementOf(reading.meterId, kit))];
    if (point.role !== 'face' && point.overFaceStops !== null) parts.push(formatStops(point.overFaceStops));
    if (point.basis === 'carried') parts.push(texts.carried);
    if (point.stale !== null) parts.push(`± ${formatStopCount(point.stale.sdStops)}`);
    else if (few && point.basis !== 'carried') parts.push(whenOf(reading, point.ambientAgeMinutes ?? 0));
    return parts.join(', ');
  };
}

/** Adds a point where it is metered next. */
function useAddPoint() {
  const { points } = useSetup().setup;
  const { changeOne, activatePoint } = useChange();
  return (role: PointRole, name = words.pointRole(role).name) => {
    const point = newPoint(newId(), role, name);
    changeOne('points', [...points, point]);
    activatePoint(point.id);
  };
}

const AddRole = ({ role, onAdd }: { role: PointRole; onAdd: (role: PointRole) => void }) => (
  <ActionButton
    label={words.pointRole(role).name}
    name={texts.add(words.pointRole(role).name.toLowerCase())}
    icon="plus"
    kind="plain"
    onPress={() => onAdd(role)}
  />
);

/** Points beyond the next usual one, and one by a name of one's own. */
function MorePoints({
  missing,
  onAdd,
}: {
  missing: readonly PointRole[];
  onAdd: (role: PointRole, name?: string) => void;
}) {
  const [ownName, setOwnName] = useState('');
  const name = ownName.trim();
  const addOwn = () => {
    if (name !== '') onAdd('own', name);
  };
  return (
    <View role="group" aria-label={texts.morePoints} style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {missing.slice(1).map((role) => (
          <AddRole key={role} role={role} onAdd={onAdd} />
        ))}
      </View>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <TextInput
          label={texts.ownPoint}
          accessibilityLabel={texts.ownPoint}
          mode="outlined"
          dense
          value={ownName}
          onChangeText={setOwnName}
          maxLength={60}
          style={{ flex: 1, minWidth: 0 }}
          onSubmitEditing={addOwn}
        />
        <ActionButton label={texts.addInShort} name={texts.addOwnPoint} disabled={name === ''} onPress={addOwn} />
      </View>
      {missing.length === 0 && (
        <Txt size="label" tone="quiet">
          {texts.allUsualPointsAreThere}
        </Txt>
      )}
    </View>
  );
}

/** The points of the setup, each with its latest reading and its stops over the face; more are one tap away. */
export function PointBar({ beside }: { beside: ReactNode }) {
  const { points } = useSetup().setup;
  const { activatePoint } = useChange();
  const activePointId = useActivePoint();
  const [adding, setAdding] = useState(false);
  const few = points.length <= 2;
  const noteOf = useNotes(few);
  const addPoint = useAddPoint();
  const add = (role: PointRole, name?: string) => {
    addPoint(role, name);
    setAdding(false);
  };
  const missing = POINT_ROLES.filter((role) => role !== 'own' && !points.some((point) => point.role === role));
  const [next] = missing;
  const full = points.length >= MOST_POINTS;
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList
        label={texts.point}
        showLabel={false}
        notes="each"
        layout={few ? 'row' : 'scroll'}
        value={activePointId}
        onChoose={activatePoint}
        choices={points.map(({ id, name }) => ({ value: id, label: name, note: noteOf(id) }))}
      />
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
        {next !== undefined && !full && <AddRole role={next} onAdd={add} />}
        {!full && (
          <IconButton
            icon="menu-down"
            name={adding ? texts.fewerPoints : texts.morePoints}
            onPress={() => setAdding(!adding)}
          />
        )}
        <View style={{ flex: 1, minWidth: 0 }}>{beside}</View>
      </View>
      {adding && <MorePoints missing={missing} onAdd={add} />}
    </View>
  );
}
