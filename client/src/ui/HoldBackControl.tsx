import { texts } from './texts';
import { words } from '@/language/words';
import { View } from 'react-native';

import { LOOK_WAY_IDS, type LookWayId } from '@sphene/core/gear';
import { formatStopCount } from '@sphene/core/notation';
import { HOLD_BACK_RANGE } from '@sphene/core/setup';
import { LookEntry } from './LookEntry';
import { MarkedSlider } from './MarkedSlider';
import { Txt } from './Txt';
import { usePalette } from './theme';

interface HoldBackControlProps {
  value: number;
  /** how this person says it; stands first */
  way: LookWayId;
  /** while it moves */
  onDraft: (value: number) => void;
  /** when it is let go */
  onChange: (value: number) => void;
}

/** The one control for the look: how far the ambient on the face is held back, said in every school's words at once. */
export function HoldBackControl({ value, way, onDraft, onChange }: HoldBackControlProps) {
  const palette = usePalette();
  const others = LOOK_WAY_IDS.filter((id) => id !== way).map((id) => ({ way: id, text: words.look(value, id) }));
  const inWords = words.lookInWords(value);
  return (
    <View style={{ gap: 8 }}>
      <LookEntry way={way} value={value} onChange={onChange} />
      <Txt>{inWords}.</Txt>
      <View role="list" aria-label={texts.theSameInOtherWords}>
        {others.map(({ way: other, text }) => (
          <View key={other} role="listitem">
            <Txt size="label" tone="quiet">
              {text}
            </Txt>
          </View>
        ))}
      </View>
      <MarkedSlider
        label={texts.ambientHeldBackOnThe}
        value={value}
        range={HOLD_BACK_RANGE}
        bend={2}
        less={texts.holdBackATenthLess}
        more={texts.holdBackATenthMore}
        said={`${words.look(value, way)}. ${others.map(({ text }) => text).join(', ')}. ${inWords}`}
        marks={words.lookMarks().map((mark) => ({
          value: mark.stops,
          name: mark.name,
          note: words.lookFigure(mark.stops, way).figure,
          words: texts.stops(mark.words, formatStopCount(mark.stops)),
        }))}
        track={(place) => (
          <>
            <View
              style={
                {
                  width: place,
                  backgroundColor: palette.flash,
                  clipPath: 'polygon(0 0, 100% 0, 100% 100%, 0 50%)',
                } as object
              }
            />
            <View
              style={
                {
                  flex: 1,
                  backgroundColor: palette.ambient,
                  clipPath: 'polygon(0 0, 100% 50%, 100% 100%, 0 100%)',
                } as object
              }
            />
          </>
        )}
        onDraft={onDraft}
        onChange={onChange}
      />
    </View>
  );
}
