import { texts } from './texts';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { Disclosure } from '@/ui/Disclosure';
import { OfferCard } from '@/ui/OfferCard';
import { Txt } from '@/ui/Txt';
import { DistanceDial, StopsDial } from '@/ui/dials';
import { useState } from 'react';
import { View } from 'react-native';

import { lightConfig } from '@sphene/core/gain';
import { formatDistance, formatStopCount, formatStops } from '@sphene/core/notation';
import type { Light } from '@sphene/core/setup';
import { asSun, heldBetween, poolOf } from '@sphene/core/stage';

interface WishedPlaceProps {
  light: Light;
  index: number;
}
type Usable = Parameters<typeof poolOf>[2];

const START = { poolM: 1.2, depthM: 2, withinStops: 0.5 };

/** A pool of a wished width: from how far, what lies at its edge, how it falls down a body. */
function PoolWish({ one }: { one: Usable }) {
  const { setup } = useSetup();
  const kit = useKit();
  const { change } = useChange();
  const [widthM, setWidthM] = useState(START.poolM);
  const unit = kit.preferences.distanceUnit;
  const pool = poolOf(setup, kit, one, widthM);
  return (
    <>
      <DistanceDial label={texts.poolWidth} value={widthM} unit={unit} onChange={setWidthM} />
      {pool === null ? (
        <Txt tone="quiet">{texts.noPlaceForPool}</Txt>
      ) : (
        <OfferCard
          title={texts.poolFrom(formatDistance(widthM, unit), formatDistance(pool.distanceM, unit))}
          lines={[
            texts.atItsEdge(formatStops(pool.edgeStops)),
            ...(pool.feetStops === null ? [] : [texts.atTheFeet(formatStops(pool.feetStops))]),
          ]}
          onApply={() => change(...pool.settings)}
        />
      )}
    </>
  );
}

/** Far and small, as the sun falls: over so much depth within so many stops. */
function SunWish({ one }: { one: Usable }) {
  const kit = useKit();
  const { change } = useChange();
  const [depthM, setDepthM] = useState(START.depthM);
  const [withinStops, setWithinStops] = useState(START.withinStops);
  const unit = kit.preferences.distanceUnit;
  const sun = asSun(one, depthM, withinStops);
  return (
    <>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <DistanceDial label={texts.depthOfScene} value={depthM} unit={unit} onChange={setDepthM} />
        <StopsDial
          label={texts.withinStops}
          value={withinStops}
          least={0.1}
          most={3}
          step={0.1}
          onChange={setWithinStops}
          note={texts.fromFrontToBack}
        />
      </View>
      {sun === null ? (
        <Txt tone="quiet">{texts.noPlaceForSun}</Txt>
      ) : (
        <OfferCard
          title={texts.asSunFrom(formatDistance(sun.distanceM, unit))}
          lines={[texts.sunDoes(sun.sizeDeg.toFixed(1), formatStopCount(sun.fallsStops))]}
          onApply={() => change(...sun.settings)}
        />
      )}
    </>
  );
}

/** Where a light goes for what it should do: a pool, the sun's fall; and how deep it holds where it stands. */
export function WishedPlace({ light, index }: WishedPlaceProps) {
  const kit = useKit();
  const { lights } = useNumbers();
  const unit = kit.preferences.distanceUnit;
  const config = lightConfig(kit, light);
  if (config === null) return null;
  const one = { index, light, config };
  const { nearM, farM } = heldBetween(one);
  const held = texts.holdsQuarter(formatDistance(nearM, unit), formatDistance(farM, unit));
  const power = lights.find(({ lightId }) => lightId === light.id)?.powerText ?? null;
  return (
    <Disclosure title={texts.placeByWish} summary={held}>
      <Txt>{held}</Txt>
      <PoolWish one={one} />
      <SunWish one={one} />
      {power !== null && <Txt tone="quiet">{texts.powerFollows(power)}</Txt>}
    </Disclosure>
  );
}
