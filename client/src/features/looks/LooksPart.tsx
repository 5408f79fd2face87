import { texts } from './texts';
import { SmallPicture } from '@/features/picture/SmallPicture';
import { words } from '@/language/words';
import { useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { selectNumbers } from '@/setupView/selectSolution';
import { useActions } from '@/store/application';
import { selectDocument, selectLooks, selectSetups } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { Heading, Txt } from '@/ui/Txt';
import { useRef, useState } from 'react';
import { View } from 'react-native';

import { lookPictureOf, SHIPPED_LOOK_IDS, SHIPPED_LOOKS, type ShippedLookId } from '@sphene/core/looks';
import type { Picture as Developed } from '@sphene/core/renderer';
import type { Setup } from '@sphene/core/setup';
import { jpegOf } from './jpegOf';
import { LookCard } from './LookCard';
import { OwnLook } from './OwnLook';

const PICTURE_PX = { width: 166, height: 208 };
const MOST_LETTERS = 80;
/** Older ones are found by their own kept looks. */
const MOST_SETUPS = 24;

/** The picture as it is now, and the tap that keeps it as relations. */
function KeepThis() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const actions = useActions();
  const taken = useAppSelector(selectLooks).map(({ name }) => name);
  const drawn = useRef<Developed | null>(null);
  if (numbers.camera === null) return <Txt tone="quiet">{texts.meterFirst}</Txt>;
  const keep = () => {
    const picture = lookPictureOf(setup, kit, numbers);
    const title = setup.title.slice(0, MOST_LETTERS - 4);
    const free = taken.includes(title) ? `${title} ${taken.filter((one) => one.startsWith(title)).length + 1}` : title;
    const image = drawn.current === null ? null : jpegOf(drawn.current);
    actions.keepLook(free, { shootId: setup.shootId, setupId: setup.id }, picture, image);
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12, alignItems: 'center' }}>
      <SmallPicture
        setup={setup}
        kit={kit}
        numbers={numbers}
        roomPx={PICTURE_PX}
        name={texts.pictureNow}
        onDrawn={(developed) => {
          drawn.current = developed;
        }}
      />
      <View style={{ flex: 1, minWidth: 160, gap: 8, alignItems: 'flex-start' }}>
        <Txt>{words.lookTold(lookPictureOf(setup, kit, numbers))}</Txt>
        <ActionButton label={texts.keepThis} icon="plus" onPress={keep} />
        <Txt size="label" tone="quiet">
          {texts.keepHint}
        </Txt>
      </View>
    </View>
  );
}

/** Another setup's picture, as it was made: the same look in another session. */
function AsInAnother({ setup }: { setup: Setup }) {
  const kit = useKit();
  const numbers = useAppSelector((state) => selectNumbers(state, setup.id));
  if (numbers === undefined) return null;
  return <LookCard name={setup.title} picture={lookPictureOf(setup, kit, numbers)} />;
}

/** Setups of this and other shoots to be compared with, by their names. */
function OtherSetups() {
  const { setup } = useSetup();
  const [chosen, setChosen] = useState<string | null>(null);
  const others = useAppSelector(selectSetups)
    .filter(({ id }) => id !== setup.id)
    .slice(-MOST_SETUPS);
  const other = others.find(({ id }) => id === chosen);
  const shootTitle = useAppSelector((state) => selectDocument(state, 'shoot', other?.shootId ?? '')?.title);
  if (others.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList
        label={texts.chooseSetup}
        layout="scroll"
        value={chosen ?? ''}
        onChoose={setChosen}
        choices={others.map(({ id, title }) => ({ value: id, label: title }))}
      />
      {other !== undefined && (
        <>
          <Txt size="label" tone="quiet">
            {shootTitle ?? ''}
          </Txt>
          <AsInAnother setup={other} />
        </>
      )}
    </View>
  );
}

/** The looks that ship: the one that is chosen says what it is for and its price, and is tried here. */
function Shipped() {
  const [chosen, setChosen] = useState<ShippedLookId | null>(null);
  const said = chosen === null ? null : words.shippedLook(chosen);
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList
        label={texts.chooseLook}
        value={chosen ?? undefined}
        onChoose={setChosen}
        choices={SHIPPED_LOOK_IDS.map((id) => ({ value: id, label: words.shippedLook(id).name }))}
      />
      {chosen !== null && said !== null && (
        <View role="group" aria-label={said.name} style={{ gap: 8 }}>
          <Txt>{said.because}</Txt>
          <Txt tone="quiet">{texts.price(said.price)}</Txt>
          <LookCard name={said.name} picture={SHIPPED_LOOKS[chosen]} />
        </View>
      )}
    </View>
  );
}

/** What is under the fold: worked out only when it is opened. */
function Content() {
  const looks = useAppSelector(selectLooks);
  return (
    <View style={{ gap: 16 }}>
      <KeepThis />
      {looks.length > 0 && (
        <View role="group" aria-label={texts.yours}>
          <Heading>{texts.yours}</Heading>
          {looks.map((look) => (
            <OwnLook key={look.id} look={look} />
          ))}
        </View>
      )}
      <View role="group" aria-label={texts.thatShip}>
        <Heading>{texts.thatShip}</Heading>
        <Shipped />
      </View>
      <View role="group" aria-label={texts.ofOtherSetups}>
        <Heading>{texts.ofOtherSetups}</Heading>
        <OtherSetups />
      </View>
    </View>
  );
}

/** Looks: this one kept as relations, others taken here with the kit at hand, and the picture held against them. */
export function LooksPart() {
  const own = useAppSelector(selectLooks).length;
  return (
    <Disclosure title={texts.looks} summary={texts.summary(own)}>
      <Content />
    </Disclosure>
  );
}
