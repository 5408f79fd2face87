import { useNextText } from '@/shell/work';
import PathIcon from '@/ui/PathIcon';
import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';

import type { Setup } from '@sphene/core/setup';

/** A setup in a list: where, what, and what is to do next there. */
export function SetupRow({ setup, spotTitle }: { setup: Setup; spotTitle?: string }) {
  const palette = usePalette();
  const router = useRouter();
  const next = useNextText(setup.id);
  return (
    <Pressable
      role="link"
      aria-label={[spotTitle, setup.title, next].filter(Boolean).join(', ')}
      onPress={() => router.navigate({ pathname: '/setup/[id]', params: { id: setup.id } })}
      style={({ pressed }) => ({
        flexDirection: 'row',
        alignItems: 'center',
        minHeight: TOUCH + 8,
        gap: 8,
        borderTopWidth: 1,
        borderTopColor: palette.line,
        paddingTop: 8,
        opacity: pressed ? 0.7 : 1,
      })}
    >
      <View style={{ flex: 1 }}>
        {spotTitle !== undefined && (
          <Txt size="label" tone="quiet">
            {spotTitle}
          </Txt>
        )}
        <Txt bold>{setup.title}</Txt>
        {next !== undefined && (
          <Txt size="label" tone="accent">
            {next}
          </Txt>
        )}
      </View>
      <PathIcon name="chevron-right" color={palette.quiet} />
    </Pressable>
  );
}
