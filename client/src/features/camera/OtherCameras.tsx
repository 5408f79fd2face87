import { texts } from './texts';
import { words } from '@/language/words';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { NumberDial } from '@/ui/dials';
import { View } from 'react-native';

import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';

const NONE = 'none';

/** The same picture on a second body. */
export function SecondBody({ chosen }: { chosen: string | null }) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const { second } = numbers;
  return (
    <View style={{ gap: 12 }}>
      <ChoiceList
        label={texts.secondCamera}
        value={chosen ?? NONE}
        onChoose={(id) => changeOne('camera.secondCameraId', id === NONE ? null : id)}
        choices={[
          { value: NONE, label: texts.none },
          ...kit.cameras
            .filter(({ id }) => id !== setup.camera.cameraId)
            .map(({ id, name }) => ({ value: id, label: name })),
        ]}
      />
      {second !== null && (
        <View role="status" style={{ gap: 4 }}>
          <Txt size="value" bold>
            {second.camera.text.shutter}, {second.camera.text.aperture}, {second.camera.text.iso}
          </Txt>
          <Txt>{words.secondFollows(second)}</Txt>
          {!second.camera.met && <Txt tone="danger">{words.cameraReason(second.camera)}</Txt>}
        </View>
      )}
      {chosen !== null && second === null && <Txt tone="quiet">{texts.itsSettingsStandHereOnce}</Txt>}
    </View>
  );
}

const RATES = [24, 25, 30, 50, 60, 100, 120];

/** Filming: shutter from frame rate and angle, the filter for the wanted aperture, flicker. */
export function Video() {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const { video } = setup.camera;
  const its = numbers.video;
  const said = its === null ? null : words.video(its, numbers.camera?.text.aperture ?? null, context);
  return (
    <View style={{ gap: 12 }}>
      <ChoiceList
        label={texts.thisSetupIsFor}
        layout="row"
        value={video === null ? 'stills' : 'video'}
        onChoose={(what) =>
          changeOne('camera.video', what === 'stills' ? null : { framesPerSecond: 25, angleDeg: 180 })
        }
        choices={[
          { value: 'stills', label: texts.stills },
          { value: 'video', label: texts.video, note: texts.noFlash },
        ]}
      />
      {video !== null && its !== null && said !== null && (
        <>
          <ChoiceList
            label={texts.framesASecond}
            layout="scroll"
            value={String(video.framesPerSecond)}
            onChoose={(rate) => changeOne('camera.video', { ...video, framesPerSecond: Number(rate) })}
            choices={RATES.map((rate) => ({ value: String(rate), label: String(rate) }))}
          />
          <NumberDial
            label={texts.shutterAngle}
            unit="°"
            value={video.angleDeg}
            least={1}
            most={360}
            step={5}
            decimals={1}
            onChange={(angleDeg) => changeOne('camera.video', { ...video, angleDeg })}
            note={its.shutterText}
          />
          <Txt>{said.text}</Txt>
          <Txt bold={its.ndNeededStops > 0}>{said.nd}</Txt>
          {its.flicker !== null && (
            <View style={{ gap: 8 }}>
              <Txt tone="danger">{said.flicker}</Txt>
              {its.flicker.safeAngleDeg !== null && (
                <ActionButton
                  label={texts.take(its.flicker.safeAngleDeg.toFixed(1))}
                  onPress={() =>
                    changeOne('camera.video', { ...video, angleDeg: its.flicker?.safeAngleDeg ?? video.angleDeg })
                  }
                />
              )}
            </View>
          )}
        </>
      )}
    </View>
  );
}
