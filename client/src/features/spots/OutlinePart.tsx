import { texts } from './texts';
import { selectGear } from '@/store/selectors';
import type { SpotFacts } from '@/store/shootActions';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { NumberDial } from '@/ui/dials';
import { ToggleList } from '@/ui/ToggleList';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import { MOST_OBSTACLES, type Obstacle, type Spot } from '@sphene/core/documents';
import type { Preferences } from '@sphene/core/gear';
import { distanceFromUnit, distanceInUnit, formatDistance } from '@sphene/core/notation';
import { learnOutline } from '@sphene/core/plan';
import { BEARING, useSunNow } from './FramePart';

const RIDGE: Obstacle = { fromDeg: 200, toDeg: 280, size: { by: 'angle', riseDeg: 10 }, leaves: false };
const WALL: Obstacle = { fromDeg: 200, toDeg: 280, size: { by: 'height', heightM: 6, awayM: 15 }, leaves: false };
const TREES: Obstacle = { ...WALL, size: { by: 'height', heightM: 12, awayM: 20 }, leaves: true };

const nameOf = ({ size, leaves }: Obstacle, index: number): string => {
  if (leaves) return texts.trees(index);
  return size.by === 'angle' ? texts.ridge(index) : texts.wall(index);
};
const sizeSaid = ({ size }: Obstacle, unit: Preferences['distanceUnit']): string =>
  size.by === 'angle'
    ? texts.ridgeSaid(String(size.riseDeg))
    : texts.wallSaid(formatDistance(size.heightM, unit), formatDistance(size.awayM, unit));

/** A height or distance in the person's unit, kept in metres. */
function MetresDial({
  label,
  valueM,
  leastM,
  mostM,
  onChange,
}: {
  label: string;
  valueM: number;
  leastM: number;
  mostM: number;
  onChange: (metres: number) => void;
}) {
  const { distanceUnit: unit } = useAppSelector(selectGear).preferences;
  const inUnit = (metres: number) => Number(distanceInUnit(metres, unit).toFixed(1));
  return (
    <NumberDial
      label={label}
      unit={unit}
      value={inUnit(valueM)}
      least={inUnit(leastM)}
      most={inUnit(mostM)}
      step={1}
      decimals={1}
      onChange={(value) => onChange(Math.min(mostM, Math.max(leastM, distanceFromUnit(value, unit))))}
    />
  );
}

/** One thing round the spot, with what it is made of. */
function ObstacleRow({
  obstacle,
  index,
  onChange,
  onRemove,
}: {
  obstacle: Obstacle;
  index: number;
  onChange: (obstacle: Obstacle) => void;
  onRemove: () => void;
}) {
  const { fromDeg, toDeg, size, leaves } = obstacle;
  const name = nameOf(obstacle, index);
  const { distanceUnit: unit } = useAppSelector(selectGear).preferences;
  return (
    <Disclosure
      title={name}
      summary={`${texts.bearings(String(fromDeg), String(toDeg))}, ${sizeSaid(obstacle, unit)}`}
      inUse
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: 12 }}>
        <NumberDial
          {...BEARING}
          label={texts.fromBearing}
          value={fromDeg}
          onChange={(deg) => onChange({ ...obstacle, fromDeg: deg })}
        />
        <NumberDial
          {...BEARING}
          label={texts.toBearing}
          value={toDeg}
          onChange={(deg) => onChange({ ...obstacle, toDeg: deg })}
        />
        {size.by === 'angle' ? (
          <NumberDial
            label={texts.rises}
            unit="°"
            value={size.riseDeg}
            least={0}
            most={89}
            step={1}
            decimals={1}
            onChange={(riseDeg) => onChange({ ...obstacle, size: { by: 'angle', riseDeg } })}
          />
        ) : (
          <>
            <MetresDial
              label={texts.high}
              valueM={size.heightM}
              leastM={0.1}
              mostM={2000}
              onChange={(heightM) => onChange({ ...obstacle, size: { ...size, heightM } })}
            />
            <MetresDial
              label={texts.away}
              valueM={size.awayM}
              leastM={0.5}
              mostM={20_000}
              onChange={(awayM) => onChange({ ...obstacle, size: { ...size, awayM } })}
            />
          </>
        )}
        <IconButton icon="trash-can-outline" name={texts.remove(name)} onPress={onRemove} />
      </View>
      <ToggleList
        label={texts.through}
        choices={[{ value: 'leaves', label: texts.leaves }]}
        values={leaves ? ['leaves'] : []}
        onChange={(values) => onChange({ ...obstacle, leaves: values.length > 0 })}
      />
    </Disclosure>
  );
}

/** Ridges, walls, houses and trees by bearing; the sun itself teaches where they are. */
export function OutlinePart({ spot, describe }: { spot: Spot; describe: (said: Partial<SpotFacts>) => void }) {
  const { outline } = spot;
  const sunNow = useSunNow(spot);
  const [isDown, setDown] = useState(false);
  const learn = (what: 'left' | 'came') => {
    const sun = sunNow();
    setDown(sun === null);
    if (sun !== null) describe({ outline: learnOutline(outline, sun, what) });
  };
  const add = (obstacle: Obstacle) => describe({ outline: [...outline, obstacle] });
  const full = outline.length >= MOST_OBSTACLES;
  return (
    <Disclosure
      title={texts.whatStandsRound}
      summary={outline.length === 0 ? texts.nothingRound : texts.obstacles(outline.length)}
    >
      {outline.length === 0 && <Txt tone="quiet">{texts.nothingRound}</Txt>}
      {outline.map((obstacle, index) => (
        <ObstacleRow
          key={index}
          obstacle={obstacle}
          index={index + 1}
          onChange={(next) => describe({ outline: outline.map((one, at) => (at === index ? next : one)) })}
          onRemove={() => describe({ outline: outline.filter((_, at) => at !== index) })}
        />
      ))}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {spot.place !== null && (
          <>
            <ActionButton label={texts.sunLeftNow} onPress={() => learn('left')} />
            <ActionButton label={texts.sunCameNow} onPress={() => learn('came')} />
          </>
        )}
        <ActionButton label={texts.addRidge} icon="plus" disabled={full} onPress={() => add(RIDGE)} />
        <ActionButton label={texts.addWall} icon="plus" disabled={full} onPress={() => add(WALL)} />
        <ActionButton label={texts.addTrees} icon="plus" disabled={full} onPress={() => add(TREES)} />
      </View>
      {isDown && (
        <Txt role="alert" tone="danger">
          {texts.sunIsDown}
        </Txt>
      )}
    </Disclosure>
  );
}
