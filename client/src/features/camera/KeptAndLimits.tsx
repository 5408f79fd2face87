import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useSetup } from '@/setupView/setupContext';
import { IconButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { IsoDial, NumberDial, ShutterDial } from '@/ui/dials';
import { View } from 'react-native';

import { limitsInForce } from '@sphene/core/exposure';
import type { CameraDial } from '@sphene/core/gear';
import { formatShutter } from '@sphene/core/notation';

const MOST_DELAY_MS = 20;
/** What the dials of a camera are called. */
export const DIAL_NAMES: Record<CameraDial, string> = { aperture: texts.aperture, iso: 'ISO', shutter: texts.shutter };
const ROLE_IN_ORDER = [texts.keptAsWanted, texts.givesWayNext, texts.givesWayFirst];

/** Which dial is kept and which gives way first. */
export function KeepOrder() {
  const { setup, cameraBody } = useSetup();
  const { changeOne } = useChange();
  const { keepOrder, wantedTv } = setup.camera;
  const up = (index: number) => {
    const order = [...keepOrder];
    const [dial] = order.splice(index, 1);
    if (dial !== undefined) order.splice(index - 1, 0, dial);
    changeOne('camera.keepOrder', order);
  };
  return (
    <View role="list" aria-label={texts.orderOfPreference}>
      {keepOrder.map((dial, index) => (
        <View key={dial} role="listitem" style={{ flexDirection: 'row', alignItems: 'center', minHeight: 48 }}>
          <Txt bold style={{ width: 88 }}>
            {DIAL_NAMES[dial]}
          </Txt>
          <Txt size="label" tone="quiet" style={{ flex: 1 }}>
            {ROLE_IN_ORDER[index]}
          </Txt>
          {index > 0 && (
            <IconButton
              icon="chevron-up"
              name={texts.keepBefore(DIAL_NAMES[dial], DIAL_NAMES[keepOrder[index - 1] ?? 'iso'])}
              onPress={() => up(index)}
            />
          )}
        </View>
      ))}
      {keepOrder[2] !== 'shutter' && (
        <ShutterDial
          label={texts.shutterLikedBest}
          value={wantedTv ?? cameraBody?.syncTv ?? 7}
          increment={cameraBody?.increment ?? 'third'}
          onChange={(tv) => changeOne('camera.wantedTv', tv)}
          {...(wantedTv === null
            ? { note: texts.syncInText }
            : { note: texts.setHere, onReset: () => changeOne('camera.wantedTv', null) })}
        />
      )}
    </View>
  );
}

/** The limits that hold here, from the kit unless changed. */
export function Limits() {
  const { setup, cameraBody, lens } = useSetup();
  const { changeOne } = useChange();
  const { limits, syncDelayMs } = setup.camera;
  if (cameraBody === undefined) return null;
  const { increment } = cameraBody;
  const inForce = limitsInForce(cameraBody, lens ?? null, setup.camera);
  const from = (key: keyof typeof limits, source = texts.fromTheKit) =>
    limits[key] === null
      ? { note: source }
      : { note: texts.setHere, onReset: () => changeOne(`camera.limits.${key}`, null) };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
      <ShutterDial
        label={texts.slowestSharpShutter}
        value={inForce.slowestTv}
        increment={increment}
        onChange={(tv) => changeOne('camera.limits.slowestTv', tv)}
        {...from('slowestTv', words.shutterReason(inForce.slowestBecause))}
      />
      <ShutterDial
        label={texts.sync}
        value={inForce.syncTv}
        increment={increment}
        onChange={(tv) => changeOne('camera.limits.syncTv', tv)}
        {...from('syncTv')}
      />
      <IsoDial
        label={texts.lowestIso}
        value={inForce.baseSv}
        increment={increment}
        onChange={(sv) => changeOne('camera.limits.baseSv', sv)}
        {...from('baseSv')}
      />
      <IsoDial
        label={texts.highestIso}
        value={inForce.highestSv}
        increment={increment}
        onChange={(sv) => changeOne('camera.limits.highestSv', sv)}
        {...from('highestSv')}
      />
      <NumberDial
        label={texts.flashFiresLateBy}
        unit="ms"
        value={syncDelayMs}
        least={0}
        most={MOST_DELAY_MS}
        step={0.5}
        decimals={1}
        onChange={(ms) => changeOne('camera.syncDelayMs', ms)}
        note={syncDelayMs === 0 ? texts.radiosOfOneMake : texts.safeSync(formatShutter(inForce.safeSyncTv, 'third'))}
      />
    </View>
  );
}
