import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import type { Sheet } from '@sphene/core/sheets';
import { texts } from '../texts';
import { downloadSheet } from './print';

/** The papers that a sheet is printed on. */
const PAPERS = ['a4', 'letter', 'pocket'] as const;

/** A sheet as PDF, on each paper. @param sheet written when it is wanted where it is long */
export function PrintPart({ sheet }: { sheet: Sheet | (() => Sheet) }) {
  const [failed, setFailed] = useState(false);
  const print = (paper: (typeof PAPERS)[number]) => {
    setFailed(false);
    downloadSheet(typeof sheet === 'function' ? sheet() : sheet, paper).catch((error: unknown) => {
      console.error(error);
      setFailed(true);
    });
  };
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {PAPERS.map((paper) => (
          <ActionButton
            key={paper}
            icon="tray-arrow-up"
            label={texts.papers[paper]}
            name={texts.printOn(texts.papers[paper])}
            onPress={() => print(paper)}
          />
        ))}
      </View>
      {failed && (
        <Txt role="alert" tone="danger">
          {texts.pdfFailed}
        </Txt>
      )}
      <Txt size="label" tone="quiet">
        {texts.pocketHow}
      </Txt>
    </View>
  );
}
