import { texts } from './texts';
import { useRouter } from 'expo-router';
import Head from 'expo-router/head';
import type { ReactNode } from 'react';
import { View } from 'react-native';

import { Notices } from './Notices';
import { SyncNote } from './SyncNote';
import { Unsettled } from './Unsettled';
import { IconButton } from '../ui/ActionButton';
import { Mark } from '../ui/Mark';
import { Heading, Txt } from '../ui/Txt';
import { usePalette } from '../ui/theme';

interface ScreenProps {
  title: string;
  /** where this is, in a few words under the title */
  place?: string | undefined;
  /** the address one goes up to; `back` where it can be opened from anywhere; none on the first screen */
  up?: string | undefined;
  actions?: ReactNode;
  children: ReactNode;
}

/** The frame of every screen: where am I, is it kept, and what can be done with the whole. */
export function Screen({ title, place, up, actions, children }: ScreenProps) {
  const palette = usePalette();
  const router = useRouter();
  return (
    <View style={{ flex: 1, backgroundColor: palette.ground }}>
      <Head>
        <title>{texts.sphene(title)}</title>
      </Head>
      <View
        role="banner"
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          minHeight: 56,
          paddingLeft: up === undefined ? 16 : 4,
          paddingRight: 4,
          gap: 4,
          borderBottomWidth: 1,
          borderBottomColor: palette.raised,
        }}
      >
        {up === undefined ? (
          <Mark />
        ) : (
          <IconButton
            icon="arrow-left"
            name={texts.back}
            onPress={() =>
              up === 'back' && router.canGoBack() ? router.back() : router.dismissTo(up === 'back' ? '/' : up)
            }
          />
        )}
        <View style={{ flex: 1, paddingLeft: up === undefined ? 8 : 0 }}>
          <View style={{ flexShrink: 1 }}>
            <Heading level={1}>{title}</Heading>
          </View>
          {place !== undefined && (
            <Txt size="label" tone="quiet" numberOfLines={1}>
              {place}
            </Txt>
          )}
        </View>
        <Unsettled />
        <SyncNote />
        {actions}
      </View>
      <View role="main" style={{ flex: 1 }}>
        {children}
      </View>
      <Notices />
    </View>
  );
}
