import { type ReactNode, useState } from 'react';
import { Pressable, View } from 'react-native';

import PathIcon from './PathIcon';
import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

/** A part that is folded away until it is wanted, with what it says in one line. */
export function Disclosure({ title, summary, children }: { title: string; summary: string; children: ReactNode }) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  return (
    <View role="group" aria-label={title} style={{ borderTopWidth: 1, borderTopColor: palette.line }}>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${title}. ${summary}`}
        onPress={() => setOpen(!open)}
        style={{ flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: TOUCH + 8, paddingVertical: 6 }}
      >
        <View style={{ flex: 1 }}>
          <Txt bold>{title}</Txt>
          {!open && (
            <Txt size="label" tone="quiet">
              {summary}
            </Txt>
          )}
        </View>
        <PathIcon name={open ? 'chevron-up' : 'chevron-down'} color={palette.quiet} />
      </Pressable>
      {open && <View style={{ gap: 12, paddingBottom: 16 }}>{children}</View>}
    </View>
  );
}
