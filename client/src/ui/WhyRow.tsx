import { texts } from './texts';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { WhyWords } from '@sphene/core/words';
import PathIcon from './PathIcon';
import { Txt } from './Txt';
import { WhyPanel } from './WhyPanel';
import { TOUCH } from './palette';
import { usePalette } from './theme';

/** A label and its figure; where there is a reason, a tap shows it. */
export function WhyRow({ label, value, why }: { label: string; value: string; why?: WhyWords | undefined }) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const row = (
    <View
      style={{
        flexDirection: 'row',
        justifyContent: 'space-between',
        alignItems: 'center',
        gap: 12,
        minHeight: why === undefined ? 24 : TOUCH,
      }}
    >
      <Txt tone="quiet">{label}</Txt>
      <View style={{ flexDirection: 'row', alignItems: 'center', flexShrink: 1 }}>
        <Txt style={{ textAlign: 'right', flexShrink: 1 }}>{value}</Txt>
        {why !== undefined && <PathIcon name={open ? 'chevron-up' : 'chevron-down'} color={palette.quiet} size={20} />}
      </View>
    </View>
  );
  if (why === undefined) return row;
  return (
    <View>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={texts.whyValue(label.toLowerCase(), value)}
        onPress={() => setOpen(!open)}
      >
        {row}
      </Pressable>
      {open && <WhyPanel why={why} />}
    </View>
  );
}
