import { texts } from './texts';
import { words } from '@/language/words';
import { View } from 'react-native';

import { formatStops } from '@sphene/core/notation';
import { LOOK_RANGES } from '@sphene/core/setup';
import { MarkedSlider } from './MarkedSlider';
import { Txt } from './Txt';
import { patchTone } from './ladderGeometry';
import { usePalette } from './theme';

interface BackgroundControlProps {
  name: string;
  value: number;
  /** what the look on the face then is, in this person's words */
  faceText: string;
  onDraft: (value: number) => void;
  onChange: (value: number) => void;
}

const { least, most } = LOOK_RANGES.background;
const PATCHES = Array.from({ length: most - least }, (_, index) => least + index);

/** Where the background lands against mid grey, on a step wedge of its own. */
export function BackgroundControl({ name, value, faceText, onDraft, onChange }: BackgroundControlProps) {
  const palette = usePalette();
  const said = Math.abs(value) < 0.05 ? texts.onMidGrey : texts.thanMidGrey(words.stops(value));
  return (
    <View style={{ gap: 8 }}>
      <View>
        <Txt size="label" tone="quiet">
          {texts.itLands(name)}
        </Txt>
        <Txt size="figure" bold tone="ambient">
          {formatStops(value)}
          <Txt size="text" tone="quiet">
            {' '}
            {said}
          </Txt>
        </Txt>
      </View>
      <Txt size="label" tone="quiet">
        {texts.onTheFaceIs(faceText)}
      </Txt>
      <MarkedSlider
        label={texts.whereTheLands(name.toLowerCase())}
        value={value}
        range={LOOK_RANGES.background}
        less={texts.aTenthDarker}
        more={texts.aTenthBrighter}
        said={texts.onTheFace(said, faceText)}
        marks={words.backgroundMarks().map(({ stops, name: mark, words: note }) => ({
          value: stops,
          name: mark,
          note: formatStops(stops),
          words: note,
        }))}
        track={() =>
          PATCHES.map((stop) => (
            <View
              key={stop}
              style={{
                flex: 1,
                backgroundColor: patchTone(stop, palette.patch),
                borderWidth: stop === 0 ? 1 : 0,
                borderColor: palette.accent,
              }}
            />
          ))
        }
        onDraft={onDraft}
        onChange={onChange}
      />
    </View>
  );
}
