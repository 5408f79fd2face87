import { texts } from './texts';
import { words } from '@/language/words';
import { useAdvice, useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ChoiceList } from '@/ui/ChoiceList';
import { OfferCard } from '@/ui/OfferCard';
import { Txt } from '@/ui/Txt';
import { NumberDial, StopsDial } from '@/ui/dials';
import { View } from 'react-native';

import { formatStopCount, formatStops } from '@sphene/core/notation';
import type { Setup } from '@sphene/core/setup';

const USUAL_GROUP = { nearerM: 0.3, fartherM: 0.7, leftM: 1.2, rightM: 1.2, withinStops: 0.5 };
const PLACES = [
  ['nearerM', texts.nearestInFront],
  ['fartherM', texts.farthestBehind],
  ['leftM', texts.leftmost],
  ['rightM', texts.rightmost],
] as const;

/** How far out people stand, and how even the key should be on them. */
function WherePeopleStand({ people }: { people: NonNullable<Setup['people']> }) {
  const { changeOne } = useChange();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
      {PLACES.map(([key, label]) => (
        <NumberDial
          key={key}
          label={label}
          unit="m"
          value={people[key]}
          least={0}
          most={20}
          step={0.1}
          decimals={1}
          onChange={(metres) => changeOne('people', { ...people, [key]: Number(metres.toFixed(2)) })}
          note={texts.fromTheFaceMetered}
        />
      ))}
      <StopsDial
        label={texts.evenWithin}
        value={people.withinStops}
        least={0.1}
        most={2}
        step={0.1}
        onChange={(withinStops) => changeOne('people', { ...people, withinStops })}
        note={texts.brightestToDarkest}
      />
    </View>
  );
}

/** How even the key is on them, and what brings it under the bound. */
function Evenness() {
  const { context } = useSetup();
  const { group } = useNumbers();
  const { groupCures } = useAdvice();
  const { change } = useChange();
  if (group === null) return <Txt tone="quiet">{texts.addAKeyFirst}</Txt>;
  return (
    <>
      <Txt role="status" bold tone={group.even ? 'text' : 'danger'}>
        {words.spread(group)}
      </Txt>
      <Txt size="label" tone="quiet">
        {group.people.map(({ id, stops }) => `${words.personPlace(id)} ${formatStops(stops)}`).join(', ')}
      </Txt>
      {groupCures.map((cure) => (
        <OfferCard
          key={cure.id}
          title={words.groupCure(cure, context)}
          lines={[texts.thenStops(formatStopCount(cure.spreadStops))]}
          onApply={() => change(...cure.settings)}
        />
      ))}
      {!group.even && groupCures.length === 0 && <Txt>{texts.noDistanceWithinReachDoes}</Txt>}
    </>
  );
}

/** Where the outermost people stand, and how even the light is on them. */
export function GroupPart() {
  const { people } = useSetup().setup;
  const { changeOne } = useChange();
  return (
    <View style={{ gap: 12 }}>
      <ChoiceList
        label={texts.whoStandsThere}
        layout="row"
        value={people === null ? 'one' : 'group'}
        onChoose={(who) => changeOne('people', who === 'one' ? null : USUAL_GROUP)}
        choices={[
          { value: 'one', label: texts.oneOrTwo },
          { value: 'group', label: texts.aGroup },
        ]}
      />
      {people !== null && (
        <>
          <WherePeopleStand people={people} />
          <Evenness />
        </>
      )}
    </View>
  );
}
