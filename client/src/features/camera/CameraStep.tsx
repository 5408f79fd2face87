import { texts } from './texts';
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
import { useChange, useKit, useNumbers, useSetup } from '../../setupView/setupContext';
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
  const { setup, cameraBody, lens } = useSetup();
  const kit = useKit();
  const { changeOne, change } = useChange();
  const { camera } = setup;
  return (
    <>
      <ChoiceList
        label={texts.camera}
        value={camera.cameraId ?? undefined}
        onChoose={(id) => changeOne('camera.cameraId', id)}
        choices={kit.cameras.map(({ id, name }) => ({ value: id, label: name }))}
      />
      {kit.cameras.length === 0 && <Txt>{texts.thereIsNoCameraIn}</Txt>}
      {kit.lenses.length > 0 && (
        <ChoiceList
          label={texts.lens}
          value={camera.lensId ?? NONE}
          onChoose={(id) =>
            change({ path: 'camera.lensId', value: id === NONE ? null : id }, { path: 'camera.focalMm', value: null })
          }
          choices={[
            { value: NONE, label: texts.notSaid },
            ...kit.lenses.map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
      )}
      {lens !== undefined && lens.longestMm > lens.shortestMm && (
        <NumberDial
          label={texts.focalLength}
          unit="mm"
          value={camera.focalMm ?? lens.longestMm}
          least={lens.shortestMm}
          most={lens.longestMm}
          step={5}
          decimals={0}
          onChange={(mm) => changeOne('camera.focalMm', mm)}
          note={camera.focalMm === null ? texts.theLongestTheHarderCase : texts.asYouSaid}
        />
      )}
      <ChoiceList
        label={texts.held}
        layout="row"
        value={camera.support}
        onChoose={(support) => changeOne('camera.support', support)}
        choices={[
          { value: 'hand', label: texts.inTheHand },
          { value: 'tripod', label: texts.tripod },
        ]}
      />
      <ChoiceList
        label={texts.whatMoves}
        layout="scroll"
        value={camera.motion}
        onChoose={(motion) => changeOne('camera.motion', motion)}
        choices={MOTIONS.map((value) => ({
          value,
          label: words.motion(value).name,
          note:
            value === 'none' ? texts.anyShutter : formatShutter(MOTION_LIMITS[value], cameraBody?.increment ?? 'third'),
        }))}
      />
    </>
  );
}

/** The wanted aperture: typed, or from the nearest and the farthest person. */
function WantedAperture() {
  const { setup, cameraBody, lens } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const { depth, wantedAv } = setup.camera;
  const increment = cameraBody?.increment ?? 'third';
  const unit = kit.preferences.distanceUnit;
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList
        label={texts.apertureWanted}
        layout="row"
        value={depth === null ? 'typed' : 'people'}
        onChoose={(by) => changeOne('camera.depth', by === 'typed' ? null : USUAL_PEOPLE)}
        choices={[
          { value: 'typed', label: texts.asTyped },
          { value: 'people', label: texts.byThePeople, note: texts.allOfThemSharp },
        ]}
      />
      {depth === null ? (
        <ApertureDial
          label={texts.wantedAperture}
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
              label={texts.nearestPerson}
              value={depth.nearestM}
              unit={unit}
              onChange={(nearestM) =>
                changeOne('camera.depth', { nearestM, farthestM: Math.max(nearestM, depth.farthestM) })
              }
            />
            <DistanceDial
              label={texts.farthestPerson}
              value={depth.farthestM}
              unit={unit}
              onChange={(farthestM) =>
                changeOne('camera.depth', { nearestM: Math.min(farthestM, depth.nearestM), farthestM })
              }
            />
          </View>
          <Txt size="label" tone="quiet">
            {numbers.depth === null
              ? texts.nameTheLensTheDepth
              : `${formatAperture(numbers.depth.neededAv, 'tenth')} holds them sharp at ` +
                texts.mmFocusedAtMCircle(Math.round(numbers.depth.focalMm), numbers.depth.focusM.toFixed(1)) +
                texts.ofConfusionMm(numbers.depth.circleMm.toFixed(3))}
          </Txt>
        </>
      )}
    </View>
  );
}

const DIAL_NAMES: Record<CameraDial, string> = { aperture: texts.aperture, iso: 'ISO', shutter: texts.shutter };
const ROLE_IN_ORDER = [texts.keptAsWanted, texts.givesWayNext, texts.givesWayFirst];

/** Which dial is kept and which gives way first. */
function KeepOrder() {
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
              name={`Keep ${DIAL_NAMES[dial]} before ${DIAL_NAMES[keepOrder[index - 1] ?? 'iso']}`}
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
            ? { note: 'sync' }
            : { note: texts.setHere, onReset: () => changeOne('camera.wantedTv', null) })}
        />
      )}
    </View>
  );
}

/** The limits that hold here, from the kit unless changed. */
function Limits() {
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
        note={syncDelayMs === 0 ? texts.radiosOfOneMake : `safe sync ${formatShutter(inForce.safeSyncTv, 'third')}`}
      />
    </View>
  );
}

/** The camera with its lens and filters, what is held and what gives way, and the settings that follow. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function CameraStep() {
  const { setup, cameraBody, context } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const { filterIds, highSpeedSync, keepOrder, video, secondCameraId } = setup.camera;
  return (
    <View style={{ gap: 16 }}>
      <CameraFigures />
      {numbers.warnings
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
            label={texts.filtersOnTheLens}
            values={filterIds}
            onChange={(ids) => changeOne('camera.filterIds', ids)}
            choices={kit.filters.map(({ id, name, kind, lossStops }) => ({
              value: id,
              label: name,
              note: kind === 'polariser' ? texts.darkensSky(lossStops.toFixed(1)) : `−${lossStops.toFixed(1)}`,
            }))}
          />
          {cameraBody.highSpeedSync ? (
            <ChoiceList
              label={texts.shutterPastSync}
              layout="row"
              value={highSpeedSync ? 'on' : 'off'}
              onChoose={(choice) => changeOne('camera.highSpeedSync', choice === 'on')}
              choices={[
                { value: 'off', label: texts.stayAtSync },
                { value: 'on', label: texts.highSpeedSync },
              ]}
            />
          ) : (
            <Txt size="label" tone="quiet">
              {texts.thisBodyHasNoHigh}
            </Txt>
          )}
          <View>
            <Disclosure
              title={texts.whatIsKept}
              summary={`${keepOrder.map((dial) => DIAL_NAMES[dial]).join(', then ')}`}
            >
              <KeepOrder />
            </Disclosure>
            <Disclosure title={texts.limits} summary={texts.sharpShutterSyncIsoLate}>
              <Limits />
            </Disclosure>
            <Disclosure title={texts.whichDial} summary={texts.whatOneStepOfEach}>
              <WhichDial />
            </Disclosure>
            <Disclosure
              title={texts.secondCamera}
              summary={
                numbers.second === null
                  ? texts.theSamePictureOnAnother
                  : `${numbers.second.cameraName}: ${words.secondBody(numbers.second)}`
              }
            >
              <SecondBody chosen={secondCameraId} />
            </Disclosure>
            <Disclosure
              title={texts.video}
              summary={
                video === null
                  ? texts.stills
                  : numbers.video === null
                    ? ''
                    : words.video(numbers.video, numbers.camera?.text.aperture ?? null, context).text
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
