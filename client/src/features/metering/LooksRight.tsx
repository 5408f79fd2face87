import { texts } from './texts';
import { words } from '@/language/words';
import { useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { newId } from '@/store/ids';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { ExposureDials } from '@/ui/ExposureDials';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { formatAperture, formatIso, formatShutter, readWhole } from '@sphene/core/notation';
import type { ExposureSettings } from '@sphene/core/photometry';
import { newPoint } from '@sphene/core/setup';

type What = 'background' | 'sky' | 'frame';

/** Takes settings that look right; what becomes of them stands in the actions. */
export function useLooksRight() {
  const { setup, cameraBody } = useSetup();
  const actions = useActions();
  return (settings: ExposureSettings, what: What) => {
    const { av, tv, sv } = settings;
    const increment = cameraBody?.increment ?? 'third';
    actions.looksRight(setup.id, settings, what, {
      text: [formatShutter(tv, increment), formatAperture(av, increment), formatIso(sv)].join(', '),
      clipsAboveStops: cameraBody?.clipsAboveStops ?? 0,
      sky: newPoint(newId(), 'sky', words.pointRole('sky').name),
    });
  };
}

/** For what the settings look right. */
export const RightFor = ({ value, onChoose }: { value: What; onChoose: (what: What) => void }) => (
  <ChoiceList
    label={texts.theyLookRightFor}
    layout="row"
    value={value}
    onChoose={onChoose}
    choices={[
      { value: 'background', label: words.pointRole('background').name },
      { value: 'sky', label: words.pointRole('sky').name },
      { value: 'frame', label: texts.theWholeFrame },
    ]}
  />
);

/** The three at once, as one line: `1/160 f/4 200`. */
function InOneLine({ held, onRead }: { held: ExposureSettings; onRead: (settings: ExposureSettings) => void }) {
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState(false);
  const finish = () => {
    if (text.trim() === '') return;
    const read = readWhole(text, held);
    setWrong(read === null);
    if (read === null) return;
    onRead(read.settings);
    setText('');
  };
  return (
    <View>
      <TextInput
        label={texts.orInOneLine}
        accessibilityLabel={texts.orInOneLine}
        placeholder={texts.likeThis}
        mode="outlined"
        dense
        value={text}
        onChangeText={(next) => {
          setText(next);
          setWrong(false);
        }}
        onBlur={finish}
        onSubmitEditing={finish}
        error={wrong}
        autoCorrect={false}
      />
      {wrong && (
        <Txt size="label" tone="danger" role="alert">
          {texts.noWholeReading(text.trim())}
        </Txt>
      )}
    </View>
  );
}

/** Three dials that look right for the background, the sky or the frame: then work goes on without a reading of the face. */
export function LooksRight() {
  const { setup, cameraBody } = useSetup();
  const { camera } = useNumbers();
  const take = useLooksRight();
  const { av, tv, sv } = setup.camera.stands ?? camera ?? setup.meter;
  const [own, setOwn] = useState<ExposureSettings | null>(null);
  const [what, setWhat] = useState<What>('background');
  const settings = own ?? { av, tv, sv };
  return (
    <Disclosure title={texts.theseLookRight} summary={texts.theseLookRightWhy}>
      <ExposureDials
        names={texts.rightDials}
        value={settings}
        increment={cameraBody?.increment ?? 'third'}
        onChange={setOwn}
      />
      <InOneLine held={settings} onRead={setOwn} />
      <RightFor value={what} onChoose={setWhat} />
      <ActionButton
        label={texts.takeTheseSettings}
        onPress={() => {
          take(settings, what);
          setOwn(null);
        }}
      />
    </Disclosure>
  );
}
