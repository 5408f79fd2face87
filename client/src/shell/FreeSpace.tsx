import { catalogue } from '@/language/language';
import { useKeeper } from '@/store/application';
import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';

import { ActionButton } from '../ui/ActionButton';
import { Txt } from '../ui/Txt';

const text = catalogue({
  nothing: 'No picture here is on the server as well, so that none can go from this device.',
  offer: (count: number, megabytes: string) =>
    `${count === 1 ? '1 test frame' : `${count} test frames`} lie here as copies (${megabytes} MB); the server has ` +
    'them too.',
  free: 'Let the copies go',
  freed: 'The copies are gone from this device. They come from the server when they are looked at.',
});

/** A letter of a data address is a byte on most devices' storage. */
const megabytes = (letters: number): string => (letters / 1e6).toFixed(1);

/** Copies of test frames that the server has as well: they go first where space is short, and only with a yes. */
export function FreeSpace() {
  const keeper = useKeeper();
  const [copies, setCopies] = useState<{ count: number; letters: number } | null>(null);
  const [freed, setFreed] = useState(false);
  const look = useCallback(() => void keeper.copies().then(setCopies), [keeper]);
  useEffect(look, [look]);
  if (copies === null) return null;
  if (freed) return <Txt role="status">{text.freed}</Txt>;
  if (copies.count === 0) return <Txt tone="quiet">{text.nothing}</Txt>;
  return (
    <View style={{ gap: 8, alignItems: 'flex-start' }}>
      <Txt>{text.offer(copies.count, megabytes(copies.letters))}</Txt>
      <ActionButton label={text.free} onPress={() => void keeper.freeCopies().then(() => setFreed(true))} />
    </View>
  );
}
