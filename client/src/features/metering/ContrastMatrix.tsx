import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { StopsDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';

import { formatStops } from '@sphene/core/notation';

const CELL = { width: 88, minHeight: 36, justifyContent: 'center' as const };

/** Stops of light between any two points, on demand; warnings about contrast always. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function ContrastMatrix() {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const nameOf = (pointId: string) => setup.points.find(({ id }) => id === pointId)?.name ?? '';
  const { pointIds, stops } = numbers.contrast;
  const metered = pointIds.map((_, index) => index).filter((index) => stops[index]?.[index] !== null);
  const warnings = numbers.warnings.filter(
    ({ kind }) =>
      kind === 'span' || kind === 'headroom' || kind === 'face-contrast' || kind === 'fooled' || kind === 'one-source',
  );
  return (
    <View style={{ gap: 8, paddingTop: 8 }}>
      {warnings
        .map((warning) => words.warning(warning, context))
        .map((text) => (
          <Txt key={text} tone="danger">
            {text}
          </Txt>
        ))}
      <View style={{ flexDirection: 'row' }}>
        <ActionButton label={open ? texts.hideContrast : texts.contrastBetweenPoints} onPress={() => setOpen(!open)} />
      </View>
      {open && metered.length < 2 && <Txt tone="quiet">{texts.meterTwoPointsOrMore}</Txt>}
      {open && metered.length >= 2 && (
        <ScrollView horizontal tabIndex={0} role="region" aria-label={texts.contrast}>
          <View role="table" aria-label={texts.stopsOfLightRowOver}>
            <View role="row" style={{ flexDirection: 'row' }}>
              <View role="columnheader" style={{ ...CELL, width: 96 }}>
                <Txt size="label" tone="quiet">
                  {texts.rowOverColumn}
                </Txt>
              </View>
              {metered.map((column) => (
                <View key={column} role="columnheader" style={CELL}>
                  <Txt size="label" bold>
                    {nameOf(pointIds[column] ?? '')}
                  </Txt>
                </View>
              ))}
            </View>
            {metered.map((row) => (
              <View
                key={row}
                role="row"
                style={{ flexDirection: 'row', borderTopWidth: 1, borderTopColor: palette.line }}
              >
                <View role="rowheader" style={{ ...CELL, width: 96 }}>
                  <Txt size="label" bold>
                    {nameOf(pointIds[row] ?? '')}
                  </Txt>
                </View>
                {metered.map((column) => {
                  const between = stops[row]?.[column];
                  return (
                    <View key={column} role="cell" style={CELL}>
                      <Txt tone={row === column ? 'quiet' : 'text'}>
                        {row === column || between == null ? '·' : formatStops(between)}
                      </Txt>
                    </View>
                  );
                })}
              </View>
            ))}
          </View>
        </ScrollView>
      )}
      {setup.points.some(({ role }) => role === 'shadow') && (
        <StopsDial
          label={texts.contrastOnTheFaceAt}
          value={setup.look.faceContrastStops}
          least={0}
          most={6}
          step={0.5}
          onChange={(value) => changeOne('look.faceContrastStops', value)}
          note={texts.shadowSideUnderTheLit}
        />
      )}
    </View>
  );
}
