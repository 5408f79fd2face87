import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { selectReadings } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { View } from 'react-native';

import { answerOf, type ReadingCause, type ReadingQuestion } from '@sphene/core/metering';

/** What is said of a reading by a person: which cause it was, that it is right, or that it counts for nothing. */
function useAnswers(question: ReadingQuestion) {
  const { setup } = useSetup();
  const { changeOne, activatePoint } = useChange();
  const actions = useActions();
  const readings = useAppSelector((state) => selectReadings(state, setup.id));
  const right = () => changeOne('confirmed', [...setup.confirmed.slice(-199), question.id]);
  const because = (cause: ReadingCause) => {
    const reading = readings.find(({ id }) => id === question.readingId);
    if (reading === undefined) return;
    const standing = readings.filter(({ struckAt }) => struckAt === null);
    const point = setup.points.find(({ id }) => id === reading.pointId);
    const answer = answerOf(cause, reading, standing, point);
    switch (answer.kind) {
      case 'event':
        return actions.addSceneChange(setup.id, answer.what, answer.at);
      case 'correct':
        return actions.correctReading(answer.readingId, answer.change);
      case 'again':
        return activatePoint(answer.pointId);
      case 'right':
        return right();
    }
  };
  return { right, because, strike: () => actions.strike('reading', question.readingId, true) };
}

/** The likely causes, best first, each taken with one tap, and the reading that would tell. */
function Causes({ question }: { question: ReadingQuestion }) {
  const { context } = useSetup();
  const { activatePoint } = useChange();
  const { because } = useAnswers(question);
  if (question.kind !== 'surprise') return null;
  const { causes, tells } = words.question(question, context);
  const { tells: next } = question;
  return (
    <>
      <View role="list" aria-label={texts.whatItMayBe} style={{ gap: 4 }}>
        {question.causes.map((cause, index) => (
          <View key={cause.kind} role="listitem" style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <Txt size="label" tone="quiet" style={{ width: 40, textAlign: 'right' }}>
              {causes[index]?.chance ?? ''}
            </Txt>
            <Txt size="label" style={{ flex: 1 }}>
              {causes[index]?.text ?? ''}
            </Txt>
            {cause.kind !== 'right' && (
              <ActionButton
                kind="plain"
                label={cause.kind === 'earlier' ? texts.meterIt : texts.thatIsIt}
                name={texts.thatIsItName(causes[index]?.text ?? '')}
                onPress={() => because(cause)}
              />
            )}
          </View>
        ))}
      </View>
      {tells !== null && next !== null && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Txt size="label" style={{ flex: 1 }}>
            {tells}
          </Txt>
          {next.light === 'ambient' && (
            <ActionButton kind="plain" label={texts.meterIt} onPress={() => activatePoint(next.pointId)} />
          )}
        </View>
      )}
    </>
  );
}

/** A reading that does not fit, with what it may be and the ways to answer. The reading is kept either way. */
function Question({ question, more }: { question: ReadingQuestion; more: number }) {
  const { context } = useSetup();
  const palette = usePalette();
  const { right, strike } = useAnswers(question);
  const { text, cause } = words.question(question, context);
  return (
    <View role="alert" style={{ gap: 8, borderLeftWidth: 3, borderLeftColor: palette.danger, paddingLeft: 12 }}>
      <Txt bold>{text}</Txt>
      {(question.kind !== 'surprise' || question.causes.length === 0) && (
        <Txt size="label" tone="quiet">
          {cause}
        </Txt>
      )}
      <Causes question={question} />
      {more > 0 && (
        <Txt size="label" tone="quiet">
          {texts.moreAfterThis(more)}
        </Txt>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton label={texts.itIsRight} onPress={right} />
        <ActionButton label={texts.strikeItOut} onPress={strike} />
      </View>
    </View>
  );
}

/** What lies a little off what was foretold: said once, its causes one tap away. */
function QuietLine({ question }: { question: ReadingQuestion }) {
  const { context } = useSetup();
  const { right } = useAnswers(question);
  const [open, setOpen] = useState(false);
  return (
    <View style={{ gap: 4 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Txt size="label" tone="quiet" style={{ flex: 1 }}>
          {words.question(question, context).text}
        </Txt>
        <ActionButton kind="plain" label={open ? texts.lessOfIt : texts.whyIsThat} onPress={() => setOpen(!open)} />
      </View>
      {open && (
        <>
          <Causes question={question} />
          <View style={{ flexDirection: 'row' }}>
            <ActionButton label={texts.itIsRight} onPress={right} />
          </View>
        </>
      )}
    </View>
  );
}

/** Readings that do not fit: the first that is asked about, else a quiet line for one that lies a little off. */
export function Questions() {
  const { questions } = useNumbers();
  const asked = questions.filter((one) => one.kind !== 'surprise' || one.asked);
  const [first] = asked;
  if (first !== undefined) return <Question key={first.id} question={first} more={asked.length - 1} />;
  const [quiet] = questions;
  return quiet === undefined ? null : <QuietLine key={quiet.id} question={quiet} />;
}
