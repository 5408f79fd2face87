import { texts } from './texts';
import { words } from '@/language/words';
import { TASTE, useTaste } from '@/setupView/taste';
import { useActions } from '@/store/application';
import { selectGear } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { Heading, Txt } from '@/ui/Txt';
import { format } from 'date-fns/format';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import {
  LEAST_SETUPS,
  TASTE_FIGURES,
  tasteDrift,
  type TasteFigure,
  type TasteSample,
  type UsualLook,
  usualLooks,
} from '@sphene/core/review';
import { DriftChart } from './DriftChart';

/** What is usual in one kind of scene. */
function Usual({ usual }: { usual: UsualLook }) {
  return (
    <View style={{ gap: 2 }}>
      <Txt bold>{texts.ofSetups(words.review.scene(usual.scene), usual.setups)}</Txt>
      {TASTE_FIGURES.map((figure) => {
        const spread = usual.figures[figure];
        if (spread === null) return null;
        const say = (value: number) => words.review.tasteValue(figure, value);
        return (
          <Txt key={figure}>
            {words.review.tasteFigure(figure)} <Txt bold>{say(spread.median)}</Txt>{' '}
            <Txt tone="quiet">{texts.spread(say(spread.low), say(spread.high))}</Txt>
          </Txt>
        );
      })}
    </View>
  );
}

/** How one figure moved over the months. */
function Drift({ samples }: { samples: readonly TasteSample[] }) {
  const [figure, setFigure] = useState<TasteFigure>('holdBackStops');
  const months = useMemo(() => tasteDrift(samples, figure), [samples, figure]);
  const say = (value: number) => words.review.tasteValue(figure, value);
  const rows = months.map(({ fromMs, median, count }) => texts.month(format(fromMs, 'MMM yyyy'), say(median), count));
  return (
    <View style={{ gap: 8 }}>
      <Heading level={3}>{texts.drift}</Heading>
      <ChoiceList
        label={texts.driftOf}
        showLabel={false}
        layout="scroll"
        value={figure}
        onChoose={setFigure}
        choices={TASTE_FIGURES.map((value) => ({ value, label: words.review.tasteFigure(value) }))}
      />
      {months.length < 2 ? (
        <Txt tone="quiet">{texts.oneMonth}</Txt>
      ) : (
        <>
          <DriftChart months={months} say={say} said={texts.driftSaid(rows.join(', '))} />
          <Txt size="label" tone="quiet">
            {rows.join(' · ')}
          </Txt>
        </>
      )}
    </View>
  );
}

/** One's own taste: shown, drifting, erasable. */
export function TastePart() {
  const actions = useActions();
  const samples = useTaste();
  const isErased = useAppSelector((state) => selectGear(state).preferences.forgotten[TASTE] !== undefined);
  const usual = useMemo(() => usualLooks(samples), [samples]);
  return (
    <Disclosure title={texts.taste} summary={texts.tasteSummary}>
      <Txt>{texts.tasteWhat}</Txt>
      {usual.length === 0 && <Txt tone="quiet">{texts.tooFew(LEAST_SETUPS)}</Txt>}
      {usual.map((one) => (
        <Usual key={one.scene} usual={one} />
      ))}
      {samples.length > 0 && <Drift samples={samples} />}
      <View style={{ gap: 8, alignItems: 'flex-start' }}>
        {samples.length > 0 && (
          <ActionButton icon="trash-can-outline" label={texts.erase} onPress={() => actions.forget(TASTE, true)} />
        )}
        <Txt size="label" tone="quiet" role="status">
          {isErased ? texts.erased : texts.eraseWhat}
        </Txt>
        {isErased && (
          <ActionButton kind="plain" label={texts.countAgain} onPress={() => actions.forget(TASTE, false)} />
        )}
      </View>
    </Disclosure>
  );
}
