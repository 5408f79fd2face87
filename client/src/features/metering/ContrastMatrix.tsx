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

const CONTRAST_WARNINGS = ['span', 'headroom', 'face-contrast', 'fooled', 'one-source'];

/** Stops of light between any two metered points. */
function Table() {
  const { setup } = useSetup();
  const { pointIds, stops } = useNumbers().contrast;
  const palette = usePalette();
  const nameOf = (index: number) => setup.points.find(({ id }) => id === pointIds[index])?.name ?? '';
  const metered = pointIds.map((_, index) => index).filter((index) => stops[index]?.[index] !== null);
  if (metered.length < 2) return <Txt tone="quiet">{texts.meterTwoPointsOrMore}</Txt>;
  return (
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
                {nameOf(column)}
              </Txt>
            </View>
          ))}
        </View>
        {metered.map((row) => (
          <View key={row} role="row" style={{ flexDirection: 'row', borderTopWidth: 1, borderTopColor: palette.line }}>
            <View role="rowheader" style={{ ...CELL, width: 96 }}>
              <Txt size="label" bold>
                {nameOf(row)}
              </Txt>
            </View>
            {metered.map((column) => {
              const between = row === column ? null : stops[row]?.[column];
              return (
                <View key={column} role="cell" style={CELL}>
                  <Txt tone={row === column ? 'quiet' : 'text'}>{between == null ? '·' : formatStops(between)}</Txt>
                </View>
              );
            })}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}

/** What the exposure for one of two points does to the other. */
function Pairs() {
  const { context } = useSetup();
  return useNumbers().pairs.map((pair) => {
    const { title, lines } = words.contrastPair(pair, context);
    return (
      <View key={`${pair.brighterId} ${pair.darkerId}`} role="group" aria-label={title}>
        <Txt bold>{title}</Txt>
        <Txt tone={pair.brighter.burns ? 'danger' : 'quiet'}>{lines[0]}</Txt>
        <Txt tone={pair.darker.sinks ? 'danger' : 'quiet'}>{lines[1]}</Txt>
      </View>
    );
  });
}

/** Stops of light between any two points, on demand; warnings about contrast always. */
export function ContrastMatrix() {
  const { setup, context } = useSetup();
  const { warnings } = useNumbers();
  const { changeOne } = useChange();
  const [open, setOpen] = useState(false);
  return (
    <View style={{ gap: 8, paddingTop: 8 }}>
      {warnings
        .filter(({ kind }) => CONTRAST_WARNINGS.includes(kind))
        .map((warning) => words.warning(warning, context))
        .map((text) => (
          <Txt key={text} tone="danger">
            {text}
          </Txt>
        ))}
      <View style={{ flexDirection: 'row' }}>
        <ActionButton label={open ? texts.hideContrast : texts.contrastBetweenPoints} onPress={() => setOpen(!open)} />
      </View>
      {open && <Table />}
      {open && <Pairs />}
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
