import { texts } from './texts';
import { words } from '@/language/words';
import { useAdvice, useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ChoiceList } from '@/ui/ChoiceList';
import { OfferCard } from '@/ui/OfferCard';
import { Txt } from '@/ui/Txt';
import { NumberDial, StopsDial } from '@/ui/dials';
import { View } from 'react-native';

import type { Setup } from '@sphene/core/setup';

const USUAL_PACE = { framesPerMinute: 10, frames: 200 };
const USUAL_GUST_MPS = 8;

/** Whether the lights last for the plan, and what would let them. */
function Lasting() {
  const { context } = useSetup();
  const { staying } = useNumbers();
  const { cheaper } = useAdvice();
  const { change } = useChange();
  const short = staying !== null && staying.cheaperByStops > 0;
  return (
    <>
      <Txt role="status" bold={short} tone={short ? 'danger' : 'text'}>
        {staying === null ? texts.onceALightHasIts : words.staying(staying, context)}
      </Txt>
      {cheaper.map((one) => {
        const { title, effect } = words.cheaper(one, context);
        return (
          <OfferCard
            key={title}
            title={title}
            lines={[texts.thenItLasts(effect)]}
            onApply={() => change(...one.settings)}
          />
        );
      })}
      {short && cheaper.length === 0 && (
        <Txt size="label" tone="quiet">
          {texts.noSingleChangeLastsThat}
        </Txt>
      )}
    </>
  );
}

/** How many frames are planned, and how fast. */
function PaceDials({ pace }: { pace: NonNullable<Setup['pace']> }) {
  const { changeOne } = useChange();
  const count = { unit: '', least: 1, decimals: 0 };
  return (
    <>
      <NumberDial
        {...count}
        label={texts.framesAMinute}
        value={pace.framesPerMinute}
        most={600}
        step={1}
        onChange={(framesPerMinute) => changeOne('pace', { ...pace, framesPerMinute })}
      />
      <NumberDial
        {...count}
        label={texts.framesInAll}
        value={pace.frames}
        most={5000}
        step={10}
        onChange={(frames) => changeOne('pace', { ...pace, frames: Math.round(frames) })}
      />
    </>
  );
}

/** How long the lights last, the reserve, and the wind. */
export function StayingPart() {
  const { pace, gustMps, reserveStops } = useSetup().setup;
  const { changeOne } = useChange();
  return (
    <View style={{ gap: 12 }}>
      <Lasting />
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
        {pace !== null && <PaceDials pace={pace} />}
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
