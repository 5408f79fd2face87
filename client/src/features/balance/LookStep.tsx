import { View } from 'react-native';
import { formatShare, formatStopCount, sayStops } from '@sphene/core/photometry';

import { useActions } from '@/store/application';
import { HoldBackControl } from '@/ui/HoldBackControl';
import { Txt } from '@/ui/Txt';
import { useSetupView } from './setupContext';

/** How dark the ambient on the face may sit, and where that puts the background. */
export function LookStep() {
  const { setup, solution, changeOne } = useSetupView();
  const actions = useActions();
  const { actual } = solution.look;
  const backgrounds = solution.points.filter(({ role }) => role === 'background');
  return (
    <View style={{ gap: 12 }}>
      <HoldBackControl value={setup.look.holdBackStops}
        onDraft={(value) => actions.draft(setup.id, [{ path: 'look.holdBackStops', value }])}
        onChange={(value) => changeOne('look.holdBackStops', value)} />
      {backgrounds.map((point) => (
        <Txt key={point.pointId}>
          <Txt bold>{point.name}</Txt>{point.totalStops === null ? ' lands once face and background are metered and a camera is chosen.' : ` lands ${Math.abs(point.totalStops) < 0.05 ? 'on mid grey' : `${sayStops(point.totalStops)} than mid grey`}.`}
        </Txt>
      ))}
      {solution.warnings.filter(({ kind }) => kind === 'clipped' || kind === 'lost' || kind === 'headroom').map(({ text }) => <Txt key={text} tone="danger">{text}</Txt>)}
      {actual !== null && Math.abs(actual.holdBackStops - setup.look.holdBackStops) > 0.05 && (
        <Txt size="label" tone="quiet">With the dials' own steps it comes to {formatStopCount(actual.holdBackStops)} stops, flash share {formatShare(actual.flashShare)}.</Txt>
      )}
    </View>
  );
}
