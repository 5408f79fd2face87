import { createContext, type ReactNode, useContext, useState } from 'react';
import { Pressable, View } from 'react-native';

import PathIcon from './PathIcon';
import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

/** What was opened or folded by hand, by its path: it stays so when the part is left and come back to. */
const byHand = new Map<string, boolean>();
const PathContext = createContext('');

/** Parts of one thing (a setup, a light) are remembered apart from those of another. */
export function Folds({ of, children }: { of: string; children: ReactNode }) {
  const path = useContext(PathContext);
  return <PathContext value={`${path}/${of}`}>{children}</PathContext>;
}

/** Whether a part is open: as it was left, else as it is to begin with. */
export function useFold(name: string, atFirst = false) {
  const path = `${useContext(PathContext)}/${name}`;
  const [chosen, setChosen] = useState(() => byHand.get(path) ?? null);
  return {
    path,
    open: chosen ?? atFirst,
    setOpen: (open: boolean) => {
      byHand.set(path, open);
      setChosen(open);
    },
  };
}

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
  const { path, open, setOpen } = useFold(title, inUse);
  return (
    <View role="group" aria-label={title} style={{ borderTopWidth: 1, borderTopColor: palette.control }}>
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
      {open && (
        <PathContext value={path}>
          <View style={{ gap: 12, paddingBottom: 16 }}>{children}</View>
        </PathContext>
      )}
    </View>
  );
}
