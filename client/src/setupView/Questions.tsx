import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

/** Readings that do not fit, each with its likely cause and two ways to answer. The reading is kept either way. */
export function Questions() {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const palette = usePalette();
  const actions = useActions();
  const [question] = numbers.questions;
  if (question === undefined) return null;
  const { text, cause } = words.question(question, context);
  const more = numbers.questions.length - 1;
  return (
    <View role="alert" style={{ gap: 8, borderLeftWidth: 3, borderLeftColor: palette.danger, paddingLeft: 12 }}>
      <Txt bold>{text}</Txt>
      <Txt size="label" tone="quiet">
        {cause}
        {more > 0 ? texts.moreAfterThis(more) : ''}
      </Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton
          label={texts.itIsRight}
          onPress={() => changeOne('confirmed', [...setup.confirmed.slice(-199), question.id])}
        />
        <ActionButton label={texts.strikeItOut} onPress={() => actions.strike('reading', question.readingId, true)} />
      </View>
    </View>
  );
}
