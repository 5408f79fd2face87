import { words } from '@/language/words';
import { useSetupView } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { newId } from '@/store/ids';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { DistanceDial, NumberDial, SideDial, StopsDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { offered } from '@sphene/core/gear';
import type { PlacedLamp } from '@sphene/core/setup';

const USUAL_LAMP_M = 1.5;
const MOST_LAMPS = 6;

/** One continuous lamp: where it falls, its dimmer and colour, and what it adds there. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
function LampCard({ placed }: { placed: PlacedLamp }) {
  const { setup, kit, solution, changeOne, context } = useSetupView();
  const actions = useActions();
  const palette = usePalette();
  const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
  const its = solution.lamps.find(({ id }) => id === placed.id);
  const put = (change: Partial<PlacedLamp>) =>
    changeOne(
      'lamps',
      setup.lamps.map((one) => (one.id === placed.id ? { ...one, ...change } : one)),
    );
  if (lamp === undefined) return <Txt tone="danger">This lamp is not in the kit any more.</Txt>;
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
      <Txt role="status">{its === undefined ? 'Its point is gone.' : words.lamp(its, context)}</Txt>
      <ChoiceList
        label={`${lamp.name} falls on`}
        layout="scroll"
        value={placed.pointId}
        onChoose={(pointId) => put({ pointId })}
        choices={setup.points.map(({ id, name }) => ({ value: id, label: name }))}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <DistanceDial
          label={`Distance of ${lamp.name}`}
          value={placed.distanceM}
          unit={kit.preferences.distanceUnit}
          onChange={(distanceM) => put({ distanceM })}
        />
        <SideDial
          label={`Side of ${lamp.name}`}
          value={placed.sideDeg}
          onChange={(sideDeg) => put({ sideDeg })}
          note={placed.sideDeg < 0 ? 'left of the camera' : 'right of the camera'}
        />
        <StopsDial
          label="Dimmed by"
          signed
          value={placed.dimStops}
          least={-10}
          most={0}
          step={1 / 3}
          onChange={(dimStops) => put({ dimStops })}
          note="stops below full"
        />
        <NumberDial
          label="Its colour"
          unit="K"
          value={placed.kelvin}
          least={lamp.kelvinLow}
          most={lamp.kelvinHigh}
          step={100}
          decimals={0}
          onChange={(kelvin) => put({ kelvin })}
        />
        <NumberDial
          label="Beside its axis"
          unit="°"
          value={placed.offAxisDeg}
          least={0}
          most={90}
          step={5}
          decimals={0}
          onChange={(offAxisDeg) => put({ offAxisDeg })}
        />
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton
          label="It is on, meter again"
          name={`${lamp.name} is on: meter again`}
          onPress={() => actions.addSceneChange(setup.id, 'opening')}
        />
        <ActionButton
          kind="plain"
          label="Remove"
          name={`Remove ${lamp.name}`}
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
  const { setup, kit, changeOne } = useSetupView();
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
            <ActionButton key={id} icon="plus" label={name} name={`Add ${name}`} onPress={() => add(id, kelvinHigh)} />
          ))}
        </View>
      )}
      {lamps.length === 0 && <Txt tone="quiet">No continuous lamp in the kit.</Txt>}
    </View>
  );
}
