import { words } from '@/language/words';
import { IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { ToggleList } from '@/ui/ToggleList';
import { Txt } from '@/ui/Txt';
import { ApertureDial, DistanceDial, IsoDial, NumberDial, ShutterDial } from '@/ui/dials';
import { View } from 'react-native';

import { limitsInForce, MOTION_LIMITS } from '@sphene/core/exposure';
import type { CameraDial } from '@sphene/core/gear';
import { formatAperture, formatShutter } from '@sphene/core/notation';
import { MOTIONS } from '@sphene/core/setup';
import { useSetupView } from '../../setupView/setupContext';
import { CameraFigures } from './CameraFigures';
import { SecondBody, Video } from './OtherCameras';
import { WaysOut } from './WaysOut';
import { WhichDial } from './WhichDial';

const NONE = 'none';
const WARNINGS = ['slowest-over-sync', 'depth-missing', 'dark-band', 'high-speed-sync-missing'];
/** People stand this near and far when nothing was said yet. */
const USUAL_PEOPLE = { nearestM: 2.5, farthestM: 3 };
const MOST_DELAY_MS = 20;

/** Body, lens, how it is held, how people move: what they allow. */
function Gear() {
  const { setup, kit, cameraBody, lens, changeOne, change } = useSetupView();
  const { camera } = setup;
  return (
    <>
      <ChoiceList
        label="Camera"
        value={camera.cameraId ?? undefined}
        onChoose={(id) => changeOne('camera.cameraId', id)}
        choices={kit.cameras.map(({ id, name }) => ({ value: id, label: name }))}
      />
      {kit.cameras.length === 0 && (
        <Txt>There is no camera in the kit. Import a setup that brings one, or open the sample shoot.</Txt>
      )}
      {kit.lenses.length > 0 && (
        <ChoiceList
          label="Lens"
          value={camera.lensId ?? NONE}
          onChoose={(id) =>
            change({ path: 'camera.lensId', value: id === NONE ? null : id }, { path: 'camera.focalMm', value: null })
          }
          choices={[
            { value: NONE, label: 'Not said' },
            ...kit.lenses.map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
      )}
      {lens !== undefined && lens.longestMm > lens.shortestMm && (
        <NumberDial
          label="Focal length"
          unit="mm"
          value={camera.focalMm ?? lens.longestMm}
          least={lens.shortestMm}
          most={lens.longestMm}
          step={5}
          decimals={0}
          onChange={(mm) => changeOne('camera.focalMm', mm)}
          note={camera.focalMm === null ? 'the longest, the harder case' : 'as you said'}
        />
      )}
      <ChoiceList
        label="Held"
        layout="row"
        value={camera.support}
        onChoose={(support) => changeOne('camera.support', support)}
        choices={[
          { value: 'hand', label: 'In the hand' },
          { value: 'tripod', label: 'Tripod' },
        ]}
      />
      <ChoiceList
        label="What moves"
        layout="scroll"
        value={camera.motion}
        onChoose={(motion) => changeOne('camera.motion', motion)}
        choices={MOTIONS.map((value) => ({
          value,
          label: words.motion(value).name,
          note:
            value === 'none' ? 'any shutter' : formatShutter(MOTION_LIMITS[value], cameraBody?.increment ?? 'third'),
        }))}
      />
    </>
  );
}

/** The wanted aperture: typed, or from the nearest and the farthest person. */
function WantedAperture() {
  const { setup, kit, solution, cameraBody, lens, changeOne } = useSetupView();
  const { depth, wantedAv } = setup.camera;
  const increment = cameraBody?.increment ?? 'third';
  const unit = kit.preferences.distanceUnit;
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList
        label="Aperture wanted"
        layout="row"
        value={depth === null ? 'typed' : 'people'}
        onChoose={(by) => changeOne('camera.depth', by === 'typed' ? null : USUAL_PEOPLE)}
        choices={[
          { value: 'typed', label: 'As typed' },
          { value: 'people', label: 'By the people', note: 'all of them sharp' },
        ]}
      />
      {depth === null ? (
        <ApertureDial
          label="Wanted aperture"
          value={wantedAv}
          increment={increment}
          least={lens?.widestAv ?? cameraBody?.widestAv ?? wantedAv}
          most={lens?.smallestAv ?? cameraBody?.smallestAv ?? wantedAv}
          onChange={(av) => changeOne('camera.wantedAv', av)}
        />
      ) : (
        <>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
            <DistanceDial
              label="Nearest person"
              value={depth.nearestM}
              unit={unit}
              onChange={(nearestM) =>
                changeOne('camera.depth', { nearestM, farthestM: Math.max(nearestM, depth.farthestM) })
              }
            />
            <DistanceDial
              label="Farthest person"
              value={depth.farthestM}
              unit={unit}
              onChange={(farthestM) =>
                changeOne('camera.depth', { nearestM: Math.min(farthestM, depth.nearestM), farthestM })
              }
            />
          </View>
          <Txt size="label" tone="quiet">
            {solution.depth === null
              ? 'Name the lens: the depth hangs on its focal length.'
              : `${formatAperture(solution.depth.neededAv, 'tenth')} holds them sharp at ` +
                `${Math.round(solution.depth.focalMm)} mm, focused at ${solution.depth.focusM.toFixed(1)} m; circle ` +
                `of confusion ${solution.depth.circleMm.toFixed(3)} mm.`}
          </Txt>
        </>
      )}
    </View>
  );
}

const DIAL_NAMES: Record<CameraDial, string> = { aperture: 'Aperture', iso: 'ISO', shutter: 'Shutter' };
const ROLE_IN_ORDER = ['kept as wanted', 'gives way next', 'gives way first'];

/** Which dial is kept and which gives way first. */
function KeepOrder() {
  const { setup, cameraBody, changeOne } = useSetupView();
  const { keepOrder, wantedTv } = setup.camera;
  const up = (index: number) => {
    const order = [...keepOrder];
    const [dial] = order.splice(index, 1);
    if (dial !== undefined) order.splice(index - 1, 0, dial);
    changeOne('camera.keepOrder', order);
  };
  return (
    <View role="list" aria-label="Order of preference">
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
              name={`Keep ${DIAL_NAMES[dial]} before ${DIAL_NAMES[keepOrder[index - 1] ?? 'iso']}`}
              onPress={() => up(index)}
            />
          )}
        </View>
      ))}
      {keepOrder[2] !== 'shutter' && (
        <ShutterDial
          label="Shutter liked best"
          value={wantedTv ?? cameraBody?.syncTv ?? 7}
          increment={cameraBody?.increment ?? 'third'}
          onChange={(tv) => changeOne('camera.wantedTv', tv)}
          {...(wantedTv === null
            ? { note: 'sync' }
            : { note: 'set here', onReset: () => changeOne('camera.wantedTv', null) })}
        />
      )}
    </View>
  );
}

/** The limits that hold here, from the kit unless changed. */
function Limits() {
  const { setup, cameraBody, lens, changeOne } = useSetupView();
  const { limits, syncDelayMs } = setup.camera;
  if (cameraBody === undefined) return null;
  const { increment } = cameraBody;
  const inForce = limitsInForce(cameraBody, lens ?? null, setup.camera);
  const from = (key: keyof typeof limits, source = 'from the kit') =>
    limits[key] === null
      ? { note: source }
      : { note: 'set here', onReset: () => changeOne(`camera.limits.${key}`, null) };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
      <ShutterDial
        label="Slowest sharp shutter"
        value={inForce.slowestTv}
        increment={increment}
        onChange={(tv) => changeOne('camera.limits.slowestTv', tv)}
        {...from('slowestTv', words.shutterReason(inForce.slowestBecause))}
      />
      <ShutterDial
        label="Sync"
        value={inForce.syncTv}
        increment={increment}
        onChange={(tv) => changeOne('camera.limits.syncTv', tv)}
        {...from('syncTv')}
      />
      <IsoDial
        label="Lowest ISO"
        value={inForce.baseSv}
        increment={increment}
        onChange={(sv) => changeOne('camera.limits.baseSv', sv)}
        {...from('baseSv')}
      />
      <IsoDial
        label="Highest ISO"
        value={inForce.highestSv}
        increment={increment}
        onChange={(sv) => changeOne('camera.limits.highestSv', sv)}
        {...from('highestSv')}
      />
      <NumberDial
        label="Flash fires late by"
        unit="ms"
        value={syncDelayMs}
        least={0}
        most={MOST_DELAY_MS}
        step={0.5}
        decimals={1}
        onChange={(ms) => changeOne('camera.syncDelayMs', ms)}
        note={syncDelayMs === 0 ? 'radios of one make' : `safe sync ${formatShutter(inForce.safeSyncTv, 'third')}`}
      />
    </View>
  );
}

/** The camera with its lens and filters, what is held and what gives way, and the settings that follow. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function CameraStep() {
  const { setup, kit, solution, cameraBody, changeOne, context } = useSetupView();
  const { filterIds, highSpeedSync, keepOrder, video, secondCameraId } = setup.camera;
  return (
    <View style={{ gap: 16 }}>
      <CameraFigures />
      {solution.warnings
        .filter(({ kind }) => WARNINGS.includes(kind))
        .map((warning) => (
          <Txt key={warning.kind} tone="danger">
            {words.warning(warning, context)}
          </Txt>
        ))}
      <WaysOut cures="camera" />
      <Gear />
      {cameraBody !== undefined && (
        <>
          <WantedAperture />
          <ToggleList
            label="Filters on the lens"
            values={filterIds}
            onChange={(ids) => changeOne('camera.filterIds', ids)}
            choices={kit.filters.map(({ id, name, kind, lossStops }) => ({
              value: id,
              label: name,
              note: kind === 'polariser' ? `−${lossStops.toFixed(1)}, darkens sky` : `−${lossStops.toFixed(1)}`,
            }))}
          />
          {cameraBody.highSpeedSync ? (
            <ChoiceList
              label="Shutter past sync"
              layout="row"
              value={highSpeedSync ? 'on' : 'off'}
              onChoose={(choice) => changeOne('camera.highSpeedSync', choice === 'on')}
              choices={[
                { value: 'off', label: 'Stay at sync' },
                { value: 'on', label: 'High-speed sync' },
              ]}
            />
          ) : (
            <Txt size="label" tone="quiet">
              This body has no high-speed sync.
            </Txt>
          )}
          <View>
            <Disclosure title="What is kept" summary={`${keepOrder.map((dial) => DIAL_NAMES[dial]).join(', then ')}`}>
              <KeepOrder />
            </Disclosure>
            <Disclosure title="Limits" summary="Sharp shutter, sync, ISO, late radios">
              <Limits />
            </Disclosure>
            <Disclosure title="Which dial" summary="What one step of each control does, and what follows">
              <WhichDial />
            </Disclosure>
            <Disclosure
              title="Second camera"
              summary={
                solution.second === null
                  ? 'The same picture on another body'
                  : `${solution.second.cameraName}: ${words.secondBody(solution.second)}`
              }
            >
              <SecondBody chosen={secondCameraId} />
            </Disclosure>
            <Disclosure
              title="Video"
              summary={
                video === null
                  ? 'Stills'
                  : solution.video === null
                    ? ''
                    : words.video(solution.video, solution.camera?.text.aperture ?? null, context).text
              }
            >
              <Video />
            </Disclosure>
          </View>
        </>
      )}
    </View>
  );
}
