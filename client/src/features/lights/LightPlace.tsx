import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useSetup } from '@/setupView/setupContext';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { OfferCard } from '@/ui/OfferCard';
import { Txt } from '@/ui/Txt';
import { DistanceDial, HeightDial, SideDial } from '@/ui/dials';
import { View } from 'react-native';

import { equalLooks } from '@sphene/core/explain';
import { type Light, LIGHT_ROLE_FACTS, lightPath } from '@sphene/core/setup';
import { RoleChoice } from './StandsFor';
import { WishedPlace } from './WishedPlace';

/** The same look in another way, or half a step closer: what each changes. */
function EqualLooks({ light, index }: { light: Light; index: number }) {
  const { setup } = useSetup();
  const kit = useKit();
  const { change } = useChange();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const looks = equalLooks(setup, kit, facts, new Date(clockMs), index);
  if (looks.length === 0) return <Txt tone="quiet">{texts.nothingElseInTheKit}</Txt>;
  return (
    <View style={{ gap: 8 }}>
      {looks.map((look) => {
        const { title, lines } = words.equalLook(look, { setup, kit });
        return <OfferCard key={title} title={title} lines={lines} onApply={() => change(...look.settings)} />;
      })}
      <Txt size="label" tone="quiet">
        {texts.forLight(words.lightInText(light))}
      </Txt>
    </View>
  );
}

/** Where a light stands and what it aims at. */
export function LightPlace({ light, index }: { light: Light; index: number }) {
  const { setup } = useSetup();
  const kit = useKit();
  const { change, changeOne } = useChange();
  const unit = kit.preferences.distanceUnit;
  const aim = setup.points.find(({ id }) => id === light.aimPointId);
  const degrees = Math.abs(Math.round(light.sideDeg));
  const side = light.sideDeg < 0 ? texts.degreesLeft(degrees) : texts.degreesRight(degrees);
  const usual = LIGHT_ROLE_FACTS[light.role].stand;
  const isUsual = light.sideDeg === usual.sideDeg && light.heightM === usual.heightM;
  return (
    <>
      <DistanceDial
        label={texts.distanceTo(aim?.name.toLowerCase() ?? texts.point)}
        value={light.distanceM}
        unit={unit}
        onChange={(distanceM) => changeOne(lightPath(index, 'distanceM'), distanceM)}
        note={light.placeSaid ? texts.fromTheFrontOfThe : texts.assumedPlace}
      />
      {!light.placeSaid && (
        <ActionButton
          label={texts.itStandsThere}
          name={texts.itStandsThere}
          onPress={() => changeOne(lightPath(index, 'placeSaid'), true)}
        />
      )}
      <Disclosure
        title={texts.roleAimAndPlace}
        summary={`${aim === undefined ? texts.aimsAtNothing : texts.atThe(aim.name.toLowerCase())}, ${side}`}
      >
        <RoleChoice light={light} index={index} />
        <ChoiceList
          label={texts.aimsAt}
          value={light.aimPointId}
          onChoose={(id) => changeOne(lightPath(index, 'aimPointId'), id)}
          choices={setup.points.map(({ id, name }) => ({ value: id, label: name }))}
        />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
          <SideDial
            label={texts.toTheSideOfThe}
            value={light.sideDeg}
            onChange={(sideDeg) => changeOne(lightPath(index, 'sideDeg'), sideDeg)}
            note={light.sideDeg < 0 ? texts.leftOfTheCamera : texts.rightOfTheCamera}
          />
          <HeightDial
            label={texts.heightOverTheAim}
            value={light.heightM}
            unit={unit}
            onChange={(heightM) => changeOne(lightPath(index, 'heightM'), heightM)}
            note={texts.toTheModifierSCentre}
          />
        </View>
        <Txt size="label" tone="quiet">
          {words.lightRole(light.role).because}
        </Txt>
        {!isUsual && (
          <ActionButton
            label={texts.toItsUsualPlace}
            onPress={() =>
              change(
                { path: lightPath(index, 'sideDeg'), value: usual.sideDeg },
                { path: lightPath(index, 'heightM'), value: usual.heightM },
              )
            }
          />
        )}
      </Disclosure>
      <WishedPlace light={light} index={index} />
      <Disclosure title={texts.equalLooks} summary={texts.anotherModifierOrUnitFor}>
        <EqualLooks light={light} index={index} />
      </Disclosure>
    </>
  );
}
