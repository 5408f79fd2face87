import { selectEdits } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { View } from 'react-native';

import { type DocumentEdit, nameOfDocument } from '@sphene/core/documents';
import { Disclosure } from '../ui/Disclosure';
import { Txt } from '../ui/Txt';
import { formatMoment } from './formatMoment';
import { texts } from './texts';
import { useWork } from './work';

/** One change of a name or a thing of the kit: when, where, and what from and to. */
function Line({ edit }: { edit: DocumentEdit }) {
  const { work } = useWork();
  const of = useAppSelector((state) => {
    const its = state.documents.byId[edit.documentId];
    return its === undefined ? '' : nameOfDocument(its);
  });
  return (
    <View role="listitem">
      <Txt size="label" tone="quiet">
        {texts.whoAndWhen(edit.by.name, formatMoment(edit.at))}
      </Txt>
      {edit.fields.map((field) => (
        <Txt key={field.path.join()}>{work?.sayField(of, field) ?? ''}</Txt>
      ))}
    </View>
  );
}

const SHOWN = 50;

/**
 * What was changed, where and when, the newest first.
 * @param shootId of a shoot and what is in it; null: of the kit and the preferences
 */
export function EditHistory({ shootId }: { shootId: string | null }) {
  const edits = useAppSelector((state) => selectEdits(state, shootId));
  if (edits.length === 0) return null;
  return (
    <Disclosure title={texts.changes} summary={texts.changesMade(edits.length)}>
      <View role="list" style={{ gap: 12 }}>
        {edits.slice(0, SHOWN).map((edit) => (
          <Line key={edit.id} edit={edit} />
        ))}
      </View>
    </Disclosure>
  );
}
