import { texts } from './texts';
import { words } from '@/language/words';
import { useAdvice, useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { NumberDial, StopsDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

const USUAL_PACE = { framesPerMinute: 10, frames: 200 };
const USUAL_GUST_MPS = 8;

/** How long the lights last, the reserve, and the wind. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function StayingPart() {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const advice = useAdvice();
  const { change, changeOne } = useChange();
  const palette = usePalette();
  const { pace, gustMps, reserveStops } = setup;
  const { staying } = numbers;
  const { cheaper } = advice;
  return (
    <View style={{ gap: 12 }}>
      <Txt
        role="status"
        bold={staying !== null && staying.cheaperByStops > 0}
        tone={staying !== null && staying.cheaperByStops > 0 ? 'danger' : 'text'}
      >
        {staying === null ? texts.onceALightHasIts : words.staying(staying, context)}
      </Txt>
      {cheaper.map((one) => {
        const { settings } = one;
        const { title, effect } = words.cheaper(one, context);
        return (
          <View
            key={title}
            role="article"
            aria-label={title}
            style={{ gap: 4, padding: 12, backgroundColor: palette.raised }}
          >
            <Txt bold>{title}</Txt>
            <Txt size="label" tone="quiet">
              {effect}. Then it lasts for the plan.
            </Txt>
            <View style={{ alignItems: 'flex-end' }}>
              <ActionButton label={texts.apply} name={texts.apply2(title)} onPress={() => change(...settings)} />
            </View>
          </View>
        );
      })}
      {staying !== null && staying.cheaperByStops > 0 && cheaper.length === 0 && (
        <Txt size="label" tone="quiet">
          {texts.noSingleChangeLastsThat}
        </Txt>
      )}
      <ChoiceList
        label={texts.plannedPace}
        layout="row"
        value={pace === null ? 'none' : 'planned'}
        onChoose={(value) => changeOne('pace', value === 'none' ? null : USUAL_PACE)}
        choices={[
          { value: 'none', label: texts.notSaid },
          { value: 'planned', label: texts.planned },
        ]}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        {pace !== null && (
          <NumberDial
            label={texts.framesAMinute}
            unit=""
            value={pace.framesPerMinute}
            least={1}
            most={600}
            step={1}
            decimals={0}
            onChange={(framesPerMinute) => changeOne('pace', { ...pace, framesPerMinute })}
          />
        )}
        {pace !== null && (
          <NumberDial
            label={texts.framesInAll}
            unit=""
            value={pace.frames}
            least={1}
            most={5000}
            step={10}
            decimals={0}
            onChange={(frames) => changeOne('pace', { ...pace, frames: Math.round(frames) })}
          />
        )}
        <StopsDial
          label={texts.powerKeptFree}
          value={reserveStops}
          least={0}
          most={3}
          step={1 / 3}
          onChange={(stops) => changeOne('reserveStops', stops)}
          note={texts.overWhatIsUsed}
        />
        <NumberDial
          label={texts.gusts}
          unit="m/s"
          value={gustMps ?? 0}
          least={0}
          most={40}
          step={1}
          decimals={0}
          onChange={(mps) => changeOne('gustMps', mps === 0 ? null : mps)}
          note={gustMps === null ? texts.noWindOrNotSaid : texts.ballastStandsUnderMindIs(USUAL_GUST_MPS)}
        />
      </View>
    </View>
  );
}
