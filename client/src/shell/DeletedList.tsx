import { useActions } from '@/store/application';
import { selectDeleted } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { View } from 'react-native';

import { BRING_BACK_DAYS, nameOfDocument } from '@sphene/core/documents';
import { ActionButton } from '../ui/ActionButton';
import { Disclosure } from '../ui/Disclosure';
import { Txt } from '../ui/Txt';
import { formatMoment } from './formatMoment';
import { texts } from './texts';

const DAY_MS = 24 * 3600_000;

/** What was deleted, on whatever device, and can still be brought back with all that lies inside. */
export function DeletedList() {
  const actions = useActions();
  const now = useAppSelector((state) => state.device.clockMs);
  const deleted = useAppSelector(selectDeleted).filter(
    ({ at }) => Number.isNaN(Date.parse(at)) || now - Date.parse(at) < BRING_BACK_DAYS * DAY_MS,
  );
  if (deleted.length === 0) return null;
  return (
    <Disclosure title={texts.deleted} summary={texts.canBeBroughtBack(deleted.length)}>
      <View role="list" style={{ gap: 8 }}>
        {deleted.map(({ document, at }) => {
          const name = nameOfDocument(document);
          const when = Number.isNaN(Date.parse(at)) ? texts.justNow : formatMoment(at);
          return (
            <View key={document.id} role="listitem" style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
              <View style={{ flex: 1 }}>
                <Txt bold>{name}</Txt>
                <Txt size="label" tone="quiet">
                  {texts.deletedAt(when)}
                </Txt>
              </View>
              <ActionButton
                label={texts.bringBack}
                name={texts.bringItBack(name)}
                onPress={() => actions.bringBack([document.id])}
              />
            </View>
          );
        })}
      </View>
    </Disclosure>
  );
}
