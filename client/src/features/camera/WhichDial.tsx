import { texts } from './texts';
import { words } from '@/language/words';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';

import { type DialColumn, type DialSource, ripple } from '@sphene/core/explain';
import { formatStops } from '@sphene/core/notation';
import { useAdvice, useChange, useKit, useSetup } from '@/setupView/setupContext';
import { RippleList } from './RippleList';

const NAME_PX = 96;
const CELL_PX = 74;

/** A step of one dial before it is taken: what it does to each source, what follows to keep the look. */
function StepAhead({ column, sources }: { column: DialColumn; sources: readonly DialSource[] }) {
  const { setup, context } = useSetup();
  const kit = useKit();
  const { change } = useChange();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const [name, step] = [words.dialControl(column.control), words.dialStep(column.step, context)];
  const moved = (source: DialSource) => {
    const stops = column.stops[source.id] ?? 0;
    const called = words.dialSource(source, context).toLowerCase();
    return `${called} ${stops === 0 ? texts.unmoved : words.stopsBothWays(stops)}`;
  };
  const ahead = column.settings.length === 0 ? null : ripple(setup, kit, facts, new Date(clockMs), column.settings);
  return (
    <View role="group" aria-label={texts.oneStep(name)} style={{ gap: 8 }}>
      <Txt bold>
        {name} {step}
      </Txt>
      <Txt>{texts.byItself(sources.map((source) => moved(source)).join(', '))}</Txt>
      {ahead === null ? (
        <Txt size="label" tone="quiet">
          {texts.theKitHasNothingFor}
        </Txt>
      ) : (
        <>
          <Txt size="label" tone="quiet">
            {texts.takenHereThisFollowsTo}
          </Txt>
          <RippleList ripple={words.ripple(ahead, context)} />
          <ActionButton
            label={texts.takeTheStep}
            name={texts.takeTheStepOf(name, step)}
            onPress={() => change(...column.settings)}
          />
        </>
      )}
    </View>
  );
}

/** A control of the table: one step of it, and a tap that shows what follows. */
function ControlHead({ column, chosen, onPress }: { column: DialColumn; chosen: boolean; onPress: () => void }) {
  const { context } = useSetup();
  const palette = usePalette();
  const [name, step] = [words.dialControl(column.control), words.dialStep(column.step, context)];
  return (
    <View role="columnheader" style={{ width: CELL_PX, padding: 2 }}>
      <Pressable
        role="button"
        aria-pressed={chosen}
        aria-label={texts.whatFollows(name, step)}
        onPress={onPress}
        style={{
          minHeight: TOUCH,
          justifyContent: 'center',
          borderWidth: chosen ? 2 : 1,
          borderColor: chosen ? palette.accent : palette.line,
          borderRadius: 4,
        }}
      >
        <Txt size="label" bold style={{ textAlign: 'center' }}>
          {name}
        </Txt>
        <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
          {step}
        </Txt>
      </Pressable>
    </View>
  );
}

/** What each control moves of one source. */
function SourceRow({ source, columns }: { source: DialSource; columns: readonly DialColumn[] }) {
  const { context } = useSetup();
  const palette = usePalette();
  return (
    <View
      role="row"
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        minHeight: 36,
        borderTopWidth: 1,
        borderTopColor: palette.raised,
      }}
    >
      <View role="rowheader" style={{ width: NAME_PX }}>
        <Txt size="label">{words.dialSource(source, context)}</Txt>
      </View>
      {columns.map(({ dial, stops }) => {
        const moves = (stops[source.id] ?? 0) !== 0;
        return (
          <View key={dial} role="cell" style={{ width: CELL_PX }}>
            <Txt bold={moves} tone={moves ? 'text' : 'quiet'} style={{ textAlign: 'center' }}>
              {moves ? formatStops(stops[source.id] ?? 0) : '·'}
            </Txt>
          </View>
        );
      })}
    </View>
  );
}

/**
 * Which dial moves only the thing wanted: sources by controls, in stops for one step; a tap on a control shows
 * what follows.
 */
export function WhichDial() {
  const { dials } = useAdvice();
  const [chosen, setChosen] = useState<string | null>(null);
  if (dials === null) return <Txt tone="quiet">{texts.meterTheFaceFirst}</Txt>;
  const column = dials.columns.find(({ dial }) => dial === chosen);
  return (
    <View style={{ gap: 12 }}>
      <ScrollView horizontal role="region" aria-label={texts.sourcesByControls} tabIndex={0}>
        <View role="table" aria-label={texts.stopsForOneStepOf}>
          <View role="row" style={{ flexDirection: 'row' }}>
            <View role="columnheader" style={{ width: NAME_PX, justifyContent: 'flex-end' }}>
              <Txt size="label" tone="quiet">
                {texts.stopsAStep}
              </Txt>
            </View>
            {dials.columns.map((one) => (
              <ControlHead
                key={one.dial}
                column={one}
                chosen={one.dial === chosen}
                onPress={() => setChosen(one.dial === chosen ? null : one.dial)}
              />
            ))}
          </View>
          {dials.sources.map((source) => (
            <SourceRow key={source.id} source={source} columns={dials.columns} />
          ))}
        </View>
      </ScrollView>
      <Txt size="label" tone="quiet">
        {texts.allStepsAreTowardsDarker}
      </Txt>
      {column !== undefined && <StepAhead column={column} sources={dials.sources} />}
    </View>
  );
}
