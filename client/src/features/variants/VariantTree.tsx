import { texts } from './texts';
import { useSetup } from '@/setupView/setupContext';
import { Heading, Txt } from '@/ui/Txt';
import { View } from 'react-native';

import type { Setup } from '@sphene/core/setup';

const INDENT_PX = 20;

interface Branch {
  id: string;
  name: string;
  depth: number;
}

/** Variants under what they were made from, and the one in force under its own. */
function branches({ variants, variantOf }: Setup): Branch[] {
  const known = (id: string | null) => variants.some((one) => one.id === id);
  const under = (from: string | null, depth: number): Branch[] =>
    variants
      .filter((one) => (from === null ? !known(one.from) : one.from === from))
      .flatMap(({ id, name }): Branch[] => [{ id, name, depth }, ...now(id, depth + 1), ...under(id, depth + 1)]);
  const now = (from: string, depth: number): Branch[] =>
    variantOf === from ? [{ id: 'now', name: texts.now, depth }] : [];
  return [...under(null, 0), ...(known(variantOf) ? [] : [{ id: 'now', name: texts.now, depth: 0 }])];
}

/** What was made from what, for the log. */
export function VariantTree() {
  const { setup } = useSetup();
  if (setup.variants.length === 0) return null;
  return (
    <View style={{ gap: 4 }}>
      <Heading>{texts.madeFrom}</Heading>
      <View role="list" aria-label={texts.madeFrom}>
        {branches(setup).map(({ id, name, depth }) => (
          <View key={id} role="listitem" style={{ paddingLeft: depth * INDENT_PX }}>
            <Txt bold={id === 'now'}>{name}</Txt>
          </View>
        ))}
      </View>
    </View>
  );
}
