import { texts } from './texts';
import { words } from '@/language/words';
import { useAdvice, useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { NumberDial, StopsDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { formatStopCount, formatStops } from '@sphene/core/notation';

const USUAL_GROUP = { nearerM: 0.3, fartherM: 0.7, leftM: 1.2, rightM: 1.2, withinStops: 0.5 };
const PLACES = [
  ['nearerM', texts.nearestInFront],
  ['fartherM', texts.farthestBehind],
  ['leftM', texts.leftmost],
  ['rightM', texts.rightmost],
] as const;

/** Where the outermost people stand, how even the key is on them, and what brings it under the bound. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function GroupPart() {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const advice = useAdvice();
  const { change, changeOne } = useChange();
  const palette = usePalette();
  const { people } = setup;
  const { group } = numbers;
  return (
    <View style={{ gap: 12 }}>
      <ChoiceList
        label={texts.whoStandsThere}
        layout="row"
        value={people === null ? 'one' : 'group'}
        onChoose={(who) => changeOne('people', who === 'one' ? null : USUAL_GROUP)}
        choices={[
          { value: 'one', label: texts.oneOrTwo },
          { value: 'group', label: 'A group' },
        ]}
      />
      {people !== null && (
        <>
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
          {group === null ? (
            <Txt tone="quiet">{texts.addAKeyFirst}</Txt>
          ) : (
            <>
              <Txt role="status" bold tone={group.even ? 'text' : 'danger'}>
                {words.spread(group)}
              </Txt>
              <Txt size="label" tone="quiet">
                {group.people.map(({ id, stops }) => `${words.personPlace(id)} ${formatStops(stops)}`).join(', ')}
              </Txt>
              {advice.groupCures.map((cure) => {
                const { id, spreadStops, settings } = cure;
                const title = words.groupCure(cure, context);
                return (
                  <View
                    key={id}
                    role="article"
                    aria-label={title}
                    style={{ gap: 4, padding: 12, backgroundColor: palette.raised }}
                  >
                    <Txt bold>{title}</Txt>
                    <Txt size="label" tone="quiet">
                      Then {formatStopCount(spreadStops)} stops. The power follows.
                    </Txt>
                    <View style={{ alignItems: 'flex-end' }}>
                      <ActionButton
                        label={texts.apply}
                        name={texts.apply2(title)}
                        onPress={() => change(...settings)}
                      />
                    </View>
                  </View>
                );
              })}
              {!group.even && advice.groupCures.length === 0 && <Txt>{texts.noDistanceWithinReachDoes}</Txt>}
            </>
          )}
        </>
      )}
    </View>
  );
}
