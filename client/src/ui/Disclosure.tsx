import { type ReactNode, useState } from 'react';
import { Pressable, View } from 'react-native';

import PathIcon from './PathIcon';
import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

interface DisclosureProps {
  title: string;
  summary: string;
  children: ReactNode;
  /** in the midst of work it is open from the start */
  inUse?: boolean;
}

/** A part that is folded away until it is wanted, with what it says in one line. */
export function Disclosure({ title, summary, children, inUse = false }: DisclosureProps) {
  const palette = usePalette();
  const [chosen, setChosen] = useState<boolean | null>(null);
  const open = chosen ?? inUse;
  return (
    <View role="group" aria-label={title} style={{ borderTopWidth: 1, borderTopColor: palette.line }}>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${title}. ${summary}`}
        onPress={() => setChosen(!open)}
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
