import { texts } from './texts';
import { PictureWithPlan } from '@/features/stage/PictureWithPlan';
import { words } from '@/language/words';
import { LaterSetup } from '@/setupView/LaterSetup';
import { useNumbers, useSetup } from '@/setupView/setupContext';
import { type Part, PARTS } from '@/setupView/shortcuts';
import { Heading, Txt } from '@/ui/Txt';
import { memo, type RefObject, useState } from 'react';
import { ScrollView, View } from 'react-native';

import { Dials } from './Dials';
import { CONTENT } from './parts';
import { SetupLadder } from './SetupLadder';

type Places = RefObject<Partial<Record<Part, HTMLElement | null>>>;

/** All parts under each other: the one column that scrolls. */
const StepsColumn = memo(function StepsColumn({ places }: { places: Places }) {
  return (
    <ScrollView
      role="region"
      aria-label={texts.steps}
      tabIndex={0}
      style={{ flex: 1 }}
      contentContainerStyle={{ paddingVertical: 16, paddingRight: 8, gap: 40 }}
      keyboardShouldPersistTaps="handled"
    >
      {PARTS.map(({ part, label }) => {
        const Content = CONTENT[part];
        return (
          <View
            key={part}
            role="region"
            aria-label={label}
            ref={(node) => {
              places.current[part] = node as unknown as HTMLElement | null;
            }}
            style={{ gap: 12 }}
          >
            <Heading size="value">{label}</Heading>
            {/* what is dragged on the stage is followed at once; the others catch up when the thumb rests */}
            {part === 'stage' ? (
              <Content />
            ) : (
              <LaterSetup>
                <Content />
              </LaterSetup>
            )}
          </View>
        );
      })}
    </ScrollView>
  );
});

/** What is always in view: settings and powers, the picture with the plan laid in, the ladder. */
function Overview({ onTone, onPlan }: { onTone: () => void; onPlan: () => void }) {
  const { warnings } = useNumbers();
  const { context } = useSetup();
  const [roomPx, setRoomPx] = useState({ width: OVERVIEW_PX, height: 0 });
  return (
    <View role="region" aria-label={texts.overview} style={{ width: OVERVIEW_PX, paddingVertical: 16, gap: 16 }}>
      <Dials />
      <View
        style={{ flex: 1, minHeight: 120 }}
        onLayout={({ nativeEvent: { layout } }) => setRoomPx({ width: layout.width, height: layout.height })}
      >
        {roomPx.height > 0 && <PictureWithPlan roomPx={roomPx} onPlan={onPlan} />}
      </View>
      <SetupLadder compact={false} onTone={onTone} />
      {warnings
        .map((warning) => words.warning(warning, context))
        .map((text) => (
          <Txt key={text} size="label" tone="danger">
            {text}
          </Txt>
        ))}
    </View>
  );
}
const OVERVIEW_PX = 440;

/** Two columns: what is always in view, and beside it all parts. */
export function WideParts({ places, onPart }: { places: Places; onPart: (part: Part) => void }) {
  return (
    <View
      style={{
        flex: 1,
        flexDirection: 'row',
        gap: 40,
        paddingHorizontal: 24,
        maxWidth: 1440,
        width: '100%',
        alignSelf: 'center',
      }}
    >
      <Overview onTone={() => onPart('ambient')} onPlan={() => onPart('stage')} />
      <StepsColumn places={places} />
    </View>
  );
}
