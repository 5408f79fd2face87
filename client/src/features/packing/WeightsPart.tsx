import { texts } from './texts';
import { words } from '@/language/words';
import { KeptTextField } from '@/shell/KeptTextField';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import type { PackedThing } from '@sphene/core/plan';
import type { Packing } from '@sphene/core/record';
import { packedName } from '@sphene/core/sheets';

const MOST_KG = 200;

/** A weight as it was typed, kg; null: nothing; undefined: no weight. */
function readKg(text: string): number | null | undefined {
  if (text === '') return null;
  const kg = Number(text.replace(',', '.').replace(/\s*kg$/i, ''));
  return kg >= 0 && kg <= MOST_KG ? kg : undefined;
}

/** What each thing weighs, where somebody knows it better than what is usual. */
export function WeightsPart({
  things,
  massKg,
  onChange,
}: {
  things: readonly PackedThing[];
  massKg: Packing['massKg'];
  onChange: (massKg: Packing['massKg']) => void;
}) {
  const [wrong, setWrong] = useState(false);
  const keep = (key: string, text: string): boolean => {
    const kg = readKg(text);
    setWrong(kg === undefined);
    if (kg === undefined) return false;
    const { [key]: _before, ...others } = massKg;
    onChange(kg === null ? others : { ...others, [key]: kg });
    return true;
  };
  return (
    <Disclosure title={texts.weights} summary={texts.weightsSummary}>
      {wrong && (
        <Txt role="alert" tone="danger">
          {texts.weightWrong}
        </Txt>
      )}
      <View style={{ gap: 8 }}>
        {things.map((thing) => (
          <View key={thing.key} style={{ flexDirection: 'row' }}>
            <KeptTextField
              label={texts.weightOf(packedName({ ...thing, count: 1 }, words))}
              value={massKg[thing.key] === undefined ? '' : String(massKg[thing.key])}
              placeholder={`${(thing.massKg / thing.count).toFixed(2)} (${texts.usual})`}
              most={8}
              onKeep={(text) => keep(thing.key, text)}
            />
          </View>
        ))}
      </View>
    </Disclosure>
  );
}
