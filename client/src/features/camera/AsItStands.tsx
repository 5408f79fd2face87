import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { ExposureDials } from '@/ui/ExposureDials';
import { Txt } from '@/ui/Txt';
import { View } from 'react-native';

import type { CameraSolution } from '@sphene/core/exposure';
import type { ExposureSettings } from '@sphene/core/photometry';

const said = ({ text: { shutter, aperture, iso } }: CameraSolution): string => [shutter, aperture, iso].join(', ');

/** What is suggested beside a camera that stands otherwise, and why it should be set. */
export function Suggested() {
  const { stands } = useSetup().setup.camera;
  const { suggested, toSet } = useNumbers();
  const { changeOne } = useChange();
  if (stands === null || toSet === null || suggested === null) return null;
  const { av, tv, sv } = suggested;
  const put = (settings: ExposureSettings, inForce: boolean) => changeOne('camera.stands', { ...settings, inForce });
  return (
    <View role="group" aria-label={texts.suggested} style={{ gap: 8 }}>
      <Txt>
        <Txt bold>{texts.suggestedIs(said(suggested))}</Txt> {words.toSet(toSet.because)}
      </Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton label={texts.itIsSetSo} onPress={() => put({ av, tv, sv }, true)} />
        {!stands.inForce && (
          <ActionButton
            kind="plain"
            label={texts.keepItAsItStands}
            onPress={() => put({ av: stands.av, tv: stands.tv, sv: stands.sv }, true)}
          />
        )}
      </View>
    </View>
  );
}

/** What is dialled on the camera now, typed as it is: from then on all figures are for it. */
export function AsItStands() {
  const { setup, cameraBody } = useSetup();
  const { camera } = useNumbers();
  const { changeOne } = useChange();
  if (camera === null) return null;
  const { stands } = setup.camera;
  return (
    <Disclosure
      title={texts.asItStands}
      summary={stands === null ? texts.notToldYet : stands.inForce ? texts.figuresAreForIt : texts.anotherIsWished}
    >
      <ExposureDials
        names={texts.standsDials}
        value={stands ?? camera}
        increment={cameraBody?.increment ?? 'third'}
        onChange={(settings) => changeOne('camera.stands', { ...settings, inForce: true })}
      />
      {stands !== null && (
        <ActionButton kind="plain" label={texts.forgetHowItStands} onPress={() => changeOne('camera.stands', null)} />
      )}
    </Disclosure>
  );
}
