import { texts } from './texts';
import { useActivePoint, useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { selectReadings } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { View } from 'react-native';

/** The point that is metered next reads as the face did: one tap. */
export function SameAsFace() {
  const { setup } = useSetup();
  const { points } = useNumbers();
  const { activatePoint } = useChange();
  const actions = useActions();
  const pointId = useActivePoint();
  const face = points.find(({ role }) => role === 'face');
  const reading = useAppSelector((state) => selectReadings(state, setup.id)).find(({ id }) => id === face?.readingId);
  const point = setup.points.find(({ id }) => id === pointId);
  if (reading === undefined || point === undefined || point.id === face?.pointId) return null;
  if (reading.method.kind === 'frame') return null;
  const take = () => {
    const { av, tv, sv, read, method, text } = reading;
    actions.addReading(setup.id, { pointId, av, tv, sv, read, method, text, patchy: point.patchy });
    activatePoint(null);
  };
  return (
    <View style={{ flexDirection: 'row' }}>
      <ActionButton label={texts.sameAsTheFace} name={texts.sameAsTheFaceFor(point.name)} onPress={take} />
    </View>
  );
}
