import { texts } from './texts';
import { Pressable, View } from 'react-native';

import PathIcon from './PathIcon';
import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

interface NextBarProps {
  text: string;
  detail: string;
  /** what a tap does, in a word or two; null when there is nothing to tap */
  doing: string | null;
  onPress: () => void;
}

/** The one thing to do now, always on screen at thumb height; the whole bar is the button. */
export function NextBar({ text, detail, doing, onPress }: NextBarProps) {
  const palette = usePalette();
  const inside = (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 12,
        paddingHorizontal: 16,
        paddingVertical: 10,
        maxWidth: 1280,
        width: '100%',
        alignSelf: 'center',
      }}
    >
      <View style={{ flex: 1 }}>
        <Txt size="value" bold tone="onAccent" numberOfLines={2}>
          {text}
        </Txt>
        <Txt size="label" tone="onAccent">
          {detail}
        </Txt>
      </View>
      {doing !== null && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4, minHeight: TOUCH }}>
          <Txt bold tone="onAccent">
            {doing}
          </Txt>
          <PathIcon name="chevron-right" color={palette.onAccent} />
        </View>
      )}
    </View>
  );
  const surface = {
    backgroundColor: palette.accent,
    clipPath: 'polygon(0 0, calc(100% - 20px) 0, 100% 20px, 100% 100%, 0 100%)',
  } as object;
  return (
    <View role="region" aria-label={texts.next}>
      <View aria-live="polite">
        {doing === null ? (
          <View style={surface}>{inside}</View>
        ) : (
          <Pressable
            role="button"
            aria-label={`${doing}: ${text}. ${detail}`}
            onPress={onPress}
            style={({ pressed }) => [surface, { opacity: pressed ? 0.85 : 1 }]}
          >
            {inside}
          </Pressable>
        )}
      </View>
    </View>
  );
}
