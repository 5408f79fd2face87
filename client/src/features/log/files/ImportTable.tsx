import { texts } from './texts';
import { words } from '@/language/words';
import { selectSetups } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { ScrollView, View } from 'react-native';

import { type ColumnMap, MAPPED_FIELDS, MOST_IMPORTED, type ReadingsImport } from '@sphene/core/exchange';
import type { ImportState, useImport } from './useImport';

type Import = ReturnType<typeof useImport>;
const NONE = 'none';

/** The heading and first rows as they stand in the file. */
function Preview({ head, rows }: { head: readonly string[]; rows: readonly (readonly string[])[] }) {
  const palette = usePalette();
  return (
    <View style={{ gap: 4 }}>
      <Txt size="label" tone="quiet">
        {texts.preview}
      </Txt>
      <ScrollView horizontal tabIndex={0} role="group" aria-label={texts.preview}>
        <View>
          {[head, ...rows].map((cells, row) => (
            <View key={row} style={{ flexDirection: 'row', borderTopWidth: 1, borderTopColor: palette.control }}>
              {cells.slice(0, 30).map((cell, column) => (
                <View key={column} style={{ width: 132, padding: 6 }}>
                  <Txt size="label" bold={row === 0} numberOfLines={2}>
                    {cell.slice(0, 80)}
                  </Txt>
                </View>
              ))}
            </View>
          ))}
        </View>
      </ScrollView>
    </View>
  );
}

const isEnough = ({ time, date, aperture, note }: ColumnMap): boolean =>
  (time !== null || date !== null) && (aperture !== null || note !== null);

/** Which column is what, with the first rows beside it. */
function Mapping({
  state,
  flow,
  shootId,
}: {
  state: Extract<ImportState, { step: 'mapping' }>;
  flow: Import;
  shootId: string;
}) {
  const setups = useAppSelector(selectSetups).filter((setup) => setup.shootId === shootId);
  const { head, rows, isOwn, columns, setupId } = state;
  const isReady = isOwn || isEnough(columns);
  const choices = [
    { value: NONE, label: texts.noColumn },
    ...head.map((name, index) => ({
      value: String(index),
      label: name.trim() === '' ? texts.unnamed(index + 1) : name.slice(0, 24),
    })),
  ];
  return (
    <View style={{ gap: 12 }}>
      <Txt>{isOwn ? texts.own : texts.mapWhat}</Txt>
      <Preview head={head} rows={rows} />
      {!isOwn && (
        <>
          {MAPPED_FIELDS.map((field) => (
            <ChoiceList
              key={field}
              label={texts.column(words.files.column(field))}
              showLabel
              layout="scroll"
              value={columns[field] === null ? NONE : String(columns[field])}
              onChoose={(value) => flow.map({ ...columns, [field]: value === NONE ? null : Number(value) })}
              choices={choices}
            />
          ))}
          <ChoiceList
            label={texts.target}
            showLabel
            layout="scroll"
            value={setupId ?? ''}
            onChoose={flow.into}
            choices={setups.map(({ id, title }) => ({ value: id, label: title }))}
          />
        </>
      )}
      {!isReady && <Txt role="status">{texts.needsTime}</Txt>}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <ActionButton kind="primary" label={texts.tryIt} disabled={!isReady} onPress={() => void flow.tryIt(state)} />
        <ActionButton label={texts.leaveIt} onPress={flow.leave} />
      </View>
    </View>
  );
}

/** What the table holds, and what is wrong with it. */
function Tried({ gathered, here, flow }: { gathered: ReadingsImport; here: number; flow: Import }) {
  const { readings, notes, told, faults, tooMany } = gathered;
  const count = readings.length + notes.length;
  const isWhole = faults === 0 && !tooMany && count > here;
  return (
    <View style={{ gap: 8 }}>
      <Txt role="status" bold>
        {texts.found(readings.length, notes.length)}
      </Txt>
      {here > 0 && <Txt>{count === here ? texts.nothingNew : texts.hereAlready(here)}</Txt>}
      {tooMany && (
        <Txt role="alert" tone="danger">
          {texts.tooMany(MOST_IMPORTED)}
        </Txt>
      )}
      {faults > 0 && (
        <View role="alert" style={{ gap: 2 }}>
          <Txt tone="danger" bold>
            {texts.faults(faults)}
          </Txt>
          {told.map(({ line, fault }) => (
            <Txt key={line} tone="danger">
              {texts.line(line, words.files.rowFault(fault))}
            </Txt>
          ))}
          {faults > told.length && <Txt tone="danger">{texts.more(faults - told.length)}</Txt>}
          <Txt>{texts.allOrNothing}</Txt>
        </View>
      )}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {isWhole && <ActionButton kind="primary" label={texts.keep} onPress={() => void flow.keep(gathered)} />}
        <ActionButton label={texts.leaveIt} onPress={flow.leave} />
      </View>
    </View>
  );
}

/** A table on its way in, step by step. */
export function ImportTable({ flow, shootId }: { flow: Import; shootId: string }) {
  const { state } = flow;
  switch (state.step) {
    case 'rest':
      return state.said === null ? null : (
        <Txt role={state.wrong ? 'alert' : 'status'} tone={state.wrong ? 'danger' : 'text'}>
          {state.said}
        </Txt>
      );
    case 'mapping':
      return <Mapping state={state} flow={flow} shootId={shootId} />;
    case 'trying':
      return (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Txt role="status">{texts.trying(state.rows, Math.round(100 * state.share))}</Txt>
          <ActionButton kind="plain" icon="close" label={texts.stop} onPress={flow.stop} />
        </View>
      );
    case 'tried':
      return <Tried gathered={state.gathered} here={state.here} flow={flow} />;
    case 'keeping':
      return <Txt role="status">{texts.keeping}</Txt>;
  }
}
