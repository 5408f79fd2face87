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
  /** the way round it: left for later, or left out */
  other?: { label: string; onPress: () => void } | null;
}

/** The one thing to do now, always on screen at thumb height; the whole bar is the button, but for the way round it. */
export function NextBar({ text, detail, doing, onPress, other = null }: NextBarProps) {
  const palette = usePalette();
  const inside = (
    <View style={{ flexDirection: 'row', gap: 12, paddingHorizontal: 16, paddingVertical: 10, minHeight: 2 * TOUCH }}>
      <View style={{ flex: 1, justifyContent: 'center' }}>
        <Txt size="value" bold tone="onAccent" numberOfLines={2}>
          {text}
        </Txt>
        <Txt size="label" tone="onAccent">
          {detail}
        </Txt>
      </View>
      {doing !== null && (
        <View
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            alignSelf: other === null ? 'center' : 'flex-start',
            gap: 4,
            minHeight: TOUCH,
            marginTop: other === null ? 0 : 2,
          }}
        >
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
    <View role="region" aria-label={texts.next} style={surface}>
      <View aria-live="polite" style={{ maxWidth: 1280, width: '100%', alignSelf: 'center' }}>
        {doing === null ? (
          inside
        ) : (
          <Pressable
            role="button"
            aria-label={`${doing}: ${text}. ${detail}`}
            onPress={onPress}
            style={({ pressed }) => ({ opacity: pressed ? 0.85 : 1 })}
          >
            {inside}
          </Pressable>
        )}
        {other !== null && (
          <Pressable
            role="button"
            aria-label={`${other.label}: ${text}`}
            onPress={other.onPress}
            style={({ pressed }) => ({
              position: 'absolute',
              right: 0,
              bottom: 0,
              minWidth: 2 * TOUCH,
              minHeight: TOUCH,
              alignItems: 'flex-end',
              justifyContent: 'center',
              paddingHorizontal: 20,
              opacity: pressed ? 0.7 : 1,
            })}
          >
            <Txt size="label" tone="onAccent" style={{ textDecorationLine: 'underline' }}>
              {other.label}
            </Txt>
          </Pressable>
        )}
      </View>
    </View>
  );
}
