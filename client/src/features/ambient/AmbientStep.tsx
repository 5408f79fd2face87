import { useState } from 'react';
import { View } from 'react-native';
import { formatAperture } from '@sphene/core/photometry';

import { useActions } from '@/store/application';
import { selectReadings } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { useSetupView } from '@/features/balance/setupContext';
import { ChoiceList } from '@/ui/ChoiceList';
import { ReadingEntry } from '@/ui/ReadingEntry';

/** How long ago, in the largest unit that says enough. */
function sayAge(minutes: number): string {
  if (minutes < 1) return 'just now';
  if (minutes < 60) return `${minutes} min ago`;
  return minutes < 48 * 60 ? `${Math.round(minutes / 60)} h ago` : `${Math.round(minutes / 1440)} days ago`;
}

/** Metering what is there: a point, and what the meter shows at it. */
export function AmbientStep() {
  const { setup, kit, solution, changeOne, change } = useSetupView();
  const actions = useActions();
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  const firstUnmetered = solution.points.find(({ ambientEv100 }) => ambientEv100 === null) ?? solution.points[0];
  const [chosen, setChosen] = useState<string | null>(null);
  const pointId = chosen ?? firstUnmetered?.pointId ?? '';
  const point = setup.points.find(({ id }) => id === pointId);
  const { meterIncrement } = kit.preferences;
  const note = (id: string): string => {
    const reading = readings.findLast((one) => one.pointId === id && one.light === 'ambient' && one.struckAt === null);
    const age = solution.points.find((one) => one.pointId === id)?.ambientAgeMinutes;
    return reading === undefined ? 'not metered' : `${formatAperture(reading.av, meterIncrement)}, ${sayAge(age ?? 0)}`;
  };
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList label="Point" showLabel={false} oneRow value={pointId} onChoose={setChosen} choices={setup.points.map(({ id, name }) => ({ value: id, label: name, note: note(id) }))} />
      <ReadingEntry
        label={`${point?.name ?? 'Point'}, ambient`}
        held={setup.meter}
        onHeld={(held) => (held.tv !== setup.meter.tv ? changeOne('meter.tv', held.tv) : change({ path: 'meter.sv', value: held.sv }))}
        meterIncrement={meterIncrement}
        saveLabel={`Save for ${point?.name.toLowerCase() ?? 'the point'}`}
        onSave={({ text, av, tv, sv }) => {
          actions.addReading(setup.id, { pointId, light: 'ambient', text, av, tv, sv, fired: null });
          setChosen(null);
        }}
      />
    </View>
  );
}
