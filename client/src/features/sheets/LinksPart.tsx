import { texts } from './texts';
import { formatMoment } from '@/shell/formatMoment';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { QrCode } from '@/ui/QrCode';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';

import { CARD_HOURS, type CardLink, type CardLinks, type CardSheetKind } from '@sphene/core/sheets';
import { addressOf, linksOf, makeLink, withdrawLink } from './links';

/** How long a link may be wanted for, hours. */
const HOURS: readonly number[] = [4, CARD_HOURS.usual, 72, CARD_HOURS.most];

type Said = { text: string; wrong: boolean };

const SHEET_NAMES = { assistant: texts.assistant, second: texts.second };

/** One link that is in use: its code, its address, and the way to take it back. */
function Link({
  link,
  address,
  isNewest,
  onSaid,
  onTaken,
}: {
  link: CardLink;
  address: string;
  isNewest: boolean;
  onSaid: (said: Said) => void;
  onTaken: () => void;
}) {
  const palette = usePalette();
  const when = texts.until(formatMoment(link.expiresAt));
  const name = SHEET_NAMES[link.sheet];
  const copy = () =>
    navigator.clipboard.writeText(address).then(
      () => onSaid({ text: texts.copied, wrong: false }),
      () => onSaid({ text: texts.notCopied, wrong: true }),
    );
  const takeBack = async () => {
    if (!(await withdrawLink(link.key))) return onSaid({ text: texts.noServer, wrong: true });
    onSaid({ text: texts.takenBack, wrong: false });
    onTaken();
  };
  return (
    <View role="listitem" style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingTop: 8, gap: 8 }}>
      <Txt bold>
        {name} <Txt tone="quiet">{when}</Txt>
      </Txt>
      {isNewest && <QrCode text={address} said={texts.codeSaid(address)} />}
      <Txt selectable style={{ overflowWrap: 'anywhere' } as object}>
        {address}
      </Txt>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <ActionButton icon="content-copy" label={texts.copyLink} onPress={() => void copy()} />
        <ActionButton
          icon="close"
          label={texts.takeBack}
          name={texts.takeBackIt(name, when)}
          onPress={() => void takeBack()}
        />
      </View>
    </View>
  );
}

/** Links by which others open a sheet of this setup on a device of theirs. */
export function LinksPart({ setupId, sheet }: { setupId: string; sheet: CardSheetKind }) {
  const [hours, setHours] = useState<number>(CARD_HOURS.usual);
  const [links, setLinks] = useState<CardLinks | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const look = useCallback(async () => {
    const asked = await linksOf(setupId);
    if (asked.ok) setLinks(asked.value);
    return asked.ok;
  }, [setupId]);
  useEffect(() => {
    let gone = false;
    void linksOf(setupId).then((asked) => {
      if (gone) return;
      if (asked.ok) setLinks(asked.value);
      else setSaid({ text: texts.noServer, wrong: true });
    });
    return () => {
      gone = true;
    };
  }, [setupId]);
  const make = async () => {
    const made = await makeLink(setupId, sheet, hours);
    if (made.ok) setSaid(null);
    else if (made.fault.kind === 'refused') setSaid({ text: texts.notMade(made.fault.why), wrong: true });
    else setSaid({ text: texts.noServer, wrong: true });
    await look();
  };
  return (
    <Disclosure title={texts.link} summary={texts.linkSummary}>
      <Txt>{texts.linkWhat}</Txt>
      <ChoiceList
        label={texts.forHours}
        value={String(hours)}
        onChoose={(value) => setHours(Number(value))}
        choices={HOURS.map((value) => ({ value: String(value), label: texts.hours(value) }))}
      />
      <ActionButton kind="primary" label={texts.makeLink} onPress={() => void make()} />
      {links !== null && links.publicUrl === null && <Txt tone="quiet">{texts.onlyHere}</Txt>}
      {said !== null && (
        <Txt role={said.wrong ? 'alert' : 'status'} tone={said.wrong ? 'danger' : 'text'}>
          {said.text}
        </Txt>
      )}
      {links !== null && links.links.length > 0 && (
        <View role="list" style={{ gap: 16 }}>
          {links.links.map((link, index) => (
            <Link
              key={link.key}
              link={link}
              address={addressOf(link.key, links.publicUrl)}
              isNewest={index === 0}
              onSaid={setSaid}
              onTaken={() => void look()}
            />
          ))}
        </View>
      )}
    </Disclosure>
  );
}
