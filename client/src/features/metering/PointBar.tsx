import { texts } from './texts';
import { words } from '@/language/words';
import { useActivePoint, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { newId } from '@/store/ids';
import { selectReadings } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { type ReactNode, useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { formatAperture, formatStops } from '@sphene/core/notation';
import { newPoint, POINT_ROLES, type PointRole } from '@sphene/core/setup';

const MOST_POINTS = 20;

/** The points of the setup, each with its latest reading and its stops over the face; more are one tap away. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function PointBar({ beside }: { beside: ReactNode }) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne, activatePoint } = useChange();
  const activePointId = useActivePoint();
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  const [adding, setAdding] = useState(false);
  const [ownName, setOwnName] = useState('');
  const few = setup.points.length <= 2;
  const face = numbers.points.find(({ role }) => role === 'face');
  const noteOf = (pointId: string): string => {
    const point = numbers.points.find((one) => one.pointId === pointId);
    const reading = readings.find(({ id }) => id === point?.readingId);
    if (point === undefined || reading === undefined) return texts.notMetered;
    const over = point === face || point.overFaceStops === null ? '' : `, ${formatStops(point.overFaceStops)}`;
    const age = point.stale !== null ? ', old' : few ? `, ${words.age(point.ambientAgeMinutes ?? 0)}` : '';
    return `${formatAperture(reading.av, kit.preferences.meterIncrement)}${over}${age}`;
  };
  const missing = POINT_ROLES.filter((role) => role !== 'own' && !setup.points.some((point) => point.role === role));
  const add = (role: PointRole, name?: string) => {
    const point = newPoint(newId(), role, name ?? words.pointRole(role).name);
    changeOne('points', [...setup.points, point]);
    activatePoint(point.id);
    setAdding(false);
    setOwnName('');
  };
  const [next] = missing;
  const full = setup.points.length >= MOST_POINTS;
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList
        label={texts.point}
        showLabel={false}
        layout={few ? 'row' : 'scroll'}
        value={activePointId}
        onChoose={activatePoint}
        choices={setup.points.map(({ id, name }) => ({ value: id, label: name, note: noteOf(id) }))}
      />
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
        {next !== undefined && !full && (
          <ActionButton
            label={words.pointRole(next).name}
            name={texts.add(words.pointRole(next).name.toLowerCase())}
            icon="plus"
            onPress={() => add(next)}
          />
        )}
        {!full && (
          <IconButton
            icon="menu-down"
            name={adding ? texts.fewerPoints : texts.morePoints}
            onPress={() => setAdding(!adding)}
          />
        )}
        <View style={{ flex: 1, minWidth: 0 }}>{beside}</View>
      </View>
      {adding && (
        <View role="group" aria-label={texts.morePoints} style={{ gap: 8 }}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {missing.slice(1).map((role) => (
              <ActionButton
                key={role}
                label={words.pointRole(role).name}
                name={texts.add(words.pointRole(role).name.toLowerCase())}
                icon="plus"
                onPress={() => add(role)}
              />
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
              onSubmitEditing={() => {
                if (ownName.trim() !== '') add('own', ownName.trim());
              }}
            />
            <ActionButton
              label={texts.add2}
              name={texts.addOwnPoint}
              disabled={ownName.trim() === ''}
              onPress={() => add('own', ownName.trim())}
            />
          </View>
          {missing.length === 0 && (
            <Txt size="label" tone="quiet">
              {texts.allUsualPointsAreThere}
            </Txt>
          )}
        </View>
      )}
    </View>
  );
}
