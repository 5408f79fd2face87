import { words } from '@/language/words';
import { useSetupView } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { DistanceDial, HeightDial, NumberDial, SideDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { formatDistance, formatStopCount, formatStops } from '@sphene/core/notation';
import { type Light, lightPath } from '@sphene/core/setup';
import { placementsFor, type StageLight } from '@sphene/core/stage';

interface Figure {
  label: string;
  value: string;
  note?: string;
}

/** Figures in columns, large enough to be read at arm's length. */
function Figures({ figures, columns }: { figures: readonly Figure[]; columns: 2 | 3 }) {
  const palette = usePalette();
  return (
    <View role="list" style={{ flexDirection: 'row', flexWrap: 'wrap', rowGap: 6 }}>
      {figures.map(({ label, value, note }) => (
        <View
          key={label}
          role="listitem"
          aria-label={`${label}: ${value}${note === undefined ? '' : `, ${note}`}`}
          style={{
            width: columns === 2 ? '50%' : '33.33%',
            paddingRight: 4,
            borderLeftWidth: 2,
            borderLeftColor: palette.line,
            paddingLeft: 8,
          }}
        >
          <Txt size="label" tone="quiet" numberOfLines={1}>
            {label}
          </Txt>
          <Txt bold numberOfLines={1}>
            {value}
          </Txt>
          {note !== undefined && (
            <Txt size="label" tone="quiet" numberOfLines={1}>
              {note}
            </Txt>
          )}
        </View>
      ))}
    </View>
  );
}

const degrees = (value: number): string => `${Math.round(Math.abs(value))}°`;

/** What the light that is held does, as it moves: what is wanted most beside the picture, the rest under the stage. */
export function LightReadout({ its, light, most }: { its: StageLight; light: Light; most: boolean }) {
  const { kit, solution } = useSetupView();
  const { distanceUnit: unit, paces } = kit.preferences;
  const told = (m: number) => (paces ? { note: words.paces(Math.abs(m)) } : {});
  const { spreadStops } = solution.stage;
  return (
    <Figures
      columns={most ? 2 : 3}
      figures={
        most
          ? [
              { label: 'Face', value: its.faceStops === null ? 'none' : formatStops(its.faceStops) },
              { label: 'Background', value: its.backgroundStops === null ? 'none' : formatStops(its.backgroundStops) },
              { label: 'Distance', value: formatDistance(light.distanceM, unit), ...told(light.distanceM) },
              {
                label: 'From the nose',
                value:
                  `${degrees(its.noseDeg)} ${Math.abs(its.noseDeg) < 0.5 ? '' : its.noseDeg < 0 ? 'left' : 'right'}`.trim(),
              },
              {
                label: 'Softness',
                value: `${degrees(its.softnessDeg)} ${its.softnessDeg < 12 ? 'hard' : its.softnessDeg < 30 ? 'medium' : 'soft'}`,
              },
              { label: 'Beam there', value: formatDistance(its.beamM, unit) },
            ]
          : [
              {
                label: 'Over the ground',
                value: formatDistance(Math.max(0, its.overGroundM), unit),
                ...told(its.overGroundM),
              },
              { label: its.riseDeg < 0 ? 'Under the eyes' : 'Over the eyes', value: degrees(its.riseDeg) },
              { label: 'Half of its light', value: `within ${degrees(its.halfBeamDeg)}` },
              ...(spreadStops === null || light.role !== 'key'
                ? []
                : [{ label: 'Across the group', value: `${formatStopCount(spreadStops)} stops` }]),
            ]
      }
    />
  );
}

/** The same light's numbers to be typed, and starting places in one tap. */
export function LightNumbers({ light, index }: { light: Light; index: number }) {
  const { setup, kit, change, changeOne } = useSetupView();
  const unit = kit.preferences.distanceUnit;
  return (
    <>
      <Disclosure title="Type the numbers" summary="Distance, side, height, axis">
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
          <DistanceDial
            label="Stage distance"
            value={light.distanceM}
            unit={unit}
            onChange={(distanceM) => changeOne(lightPath(index, 'distanceM'), distanceM)}
          />
          <SideDial
            label="Stage side"
            value={light.sideDeg}
            onChange={(sideDeg) => changeOne(lightPath(index, 'sideDeg'), sideDeg)}
            note={light.sideDeg < 0 ? 'left of the camera' : 'right of the camera'}
          />
          <HeightDial
            label="Stage height"
            value={light.heightM}
            unit={unit}
            onChange={(heightM) => changeOne(lightPath(index, 'heightM'), heightM)}
            note="over the aim"
          />
          <NumberDial
            label="Feathered"
            unit="°"
            value={light.featherDeg}
            least={-80}
            most={80}
            step={5}
            decimals={0}
            onChange={(featherDeg) => changeOne(lightPath(index, 'featherDeg'), featherDeg)}
            note="axis past the aim"
          />
        </View>
      </Disclosure>
      <Disclosure title="Starting places" summary="In one tap, with the reason">
        {placementsFor(setup, index).map((placement) => {
          const { id, settings } = placement;
          const { title, because } = words.placement(placement, { setup, kit });
          return (
            <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
              <View style={{ flex: 1 }}>
                <Txt bold>{title}</Txt>
                <Txt size="label" tone="quiet">
                  {because}
                </Txt>
              </View>
              <ActionButton label="Place" name={`Place: ${title}`} onPress={() => change(...settings)} />
            </View>
          );
        })}
      </Disclosure>
    </>
  );
}
