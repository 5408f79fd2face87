import { texts } from './texts';
import { words } from '@/language/words';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { ToggleList } from '@/ui/ToggleList';
import { Txt } from '@/ui/Txt';
import { ApertureDial, DistanceDial, NumberDial } from '@/ui/dials';
import { View } from 'react-native';

import { MOTION_LIMITS } from '@sphene/core/exposure';
import { formatAperture, formatShutter } from '@sphene/core/notation';
import { MOTIONS } from '@sphene/core/setup';
import { TakenOverLine } from '@/setupView/TakenOverLine';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { AsItStands, Suggested } from './AsItStands';
import { CameraFigures } from './CameraFigures';
import { DIAL_NAMES, KeepOrder, Limits } from './KeptAndLimits';
import { SecondBody, Video } from './OtherCameras';
import { SameAmbientList } from './SameAmbientList';
import { WaysOut } from './WaysOut';
import { WhichDial } from './WhichDial';

const NONE = 'none';
const WARNINGS = ['slowest-over-sync', 'depth-missing', 'dark-band', 'high-speed-sync-missing', 'smear'];
/** People stand this near and far when nothing was said yet. */
const USUAL_PEOPLE = { nearestM: 2.5, farthestM: 3 };

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
              : texts.holdsThemSharp(
                  formatAperture(numbers.depth.neededAv, 'tenth'),
                  Math.round(numbers.depth.focalMm),
                  numbers.depth.focusM.toFixed(1),
                  numbers.depth.circleMm.toFixed(3),
                )}
          </Txt>
        </>
      )}
    </View>
  );
}

/** Filters on the lens. */
function Filters() {
  const { filterIds } = useSetup().setup.camera;
  const kit = useKit();
  const { changeOne } = useChange();
  return (
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
  );
}

/** Whether the shutter may go past sync: a matter of flash. */
function PastSync() {
  const { setup, cameraBody } = useSetup();
  const { changeOne } = useChange();
  if (setup.lights.length === 0) return null;
  if (cameraBody?.highSpeedSync !== true)
    return (
      <Txt size="label" tone="quiet">
        {texts.thisBodyHasNoHigh}
      </Txt>
    );
  return (
    <ChoiceList
      label={texts.shutterPastSync}
      layout="row"
      value={setup.camera.highSpeedSync ? 'on' : 'off'}
      onChoose={(choice) => changeOne('camera.highSpeedSync', choice === 'on')}
      choices={[
        { value: 'off', label: texts.stayAtSync },
        { value: 'on', label: texts.highSpeedSync },
      ]}
    />
  );
}

/** What gives way first, the limits, other bodies and film: folded away until they are wanted. */
function Folded() {
  const { setup, context } = useSetup();
  const { second, video, camera } = useNumbers();
  const { keepOrder, secondCameraId } = setup.camera;
  const filmed = video === null ? '' : words.video(video, camera?.text.aperture ?? null, context).text;
  return (
    <View>
      <AsItStands />
      <Disclosure title={texts.sameAmbient} summary={texts.sameAmbientWhy}>
        <SameAmbientList />
      </Disclosure>
      <Disclosure
        title={texts.whatIsKept}
        summary={keepOrder.map((dial) => DIAL_NAMES[dial]).reduce((said, dial) => texts.thenDial(said, dial))}
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
        summary={second === null ? texts.theSamePictureOnAnother : `${second.cameraName}: ${words.secondBody(second)}`}
      >
        <SecondBody chosen={secondCameraId} />
      </Disclosure>
      <Disclosure title={texts.video} summary={setup.camera.video === null ? texts.stills : filmed}>
        <Video />
      </Disclosure>
    </View>
  );
}

/** The camera with its lens and filters, what is held and what gives way, and the settings that follow. */
export function CameraStep() {
  const { cameraBody, context } = useSetup();
  const { warnings } = useNumbers();
  return (
    <View style={{ gap: 16 }}>
      <CameraFigures />
      <Suggested />
      <TakenOverLine part="camera" />
      {warnings
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
          <Filters />
          <PastSync />
          <Folded />
        </>
      )}
    </View>
  );
}
