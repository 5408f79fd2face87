import { texts } from './texts';
import { words } from '@/language/words';
import { selectAround } from '@/setupView/selectSolution';
import { useAdvice, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { timestamp } from '@/store/ids';
import { useAppSelector } from '@/store/store';
import { ChoiceList } from '@/ui/ChoiceList';
import { OfferCard } from '@/ui/OfferCard';
import { Txt } from '@/ui/Txt';
import { NumberDial, StopsDial } from '@/ui/dials';
import { View } from 'react-native';

import { GEAR_TYPES, type Kit } from '@sphene/core/gear';
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

const SHARES = { full: 1, most: 0.75, half: 0.5, little: 0.25 } as const;
const SHARE_NAMES = Object.keys(SHARES) as (keyof typeof SHARES)[];
type Unit = Kit['flashUnits'][number];

/** What a unit's battery holds, put right by one tap; from then on frames are taken off it in the plan. */
function Charge({ unit }: { unit: Unit }) {
  const actions = useActions();
  const share = unit.charge?.share ?? 1;
  return (
    <ChoiceList
      label={texts.batteryOf(unit.name)}
      layout="row"
      value={SHARE_NAMES.find((name) => SHARES[name] === share) ?? null}
      onChoose={(name) => {
        if (name === null) return;
        const charge = { share: SHARES[name], at: timestamp() };
        actions.putGear({ ...GEAR_TYPES.flashUnits, ...unit, charge });
      }}
      choices={SHARE_NAMES.map((value) => ({ value, label: texts.charge[value] }))}
    />
  );
}

/** The batteries of the lights of this setup. */
function Batteries() {
  const { setup } = useSetup();
  const kit = useKit();
  const units = kit.flashUnits.filter(
    ({ id, popsFull }) => popsFull !== null && setup.lights.some(({ unitId }) => unitId === id),
  );
  return units.map((unit) => <Charge key={unit.id} unit={unit} />);
}

/** Where the figure of the wind comes from, and what it does. */
function gustNote(gustMps: number | null, foretoldMps: number | null): string {
  if (gustMps !== null) return texts.ballastStandsUnderMindIs(USUAL_GUST_MPS);
  return foretoldMps === null ? texts.noWindOrNotSaid : texts.foretoldGusts(foretoldMps.toFixed(0));
}

/** How long the lights last, the reserve, and the wind. */
export function StayingPart() {
  const { setup } = useSetup();
  const { pace, gustMps, reserveStops } = setup;
  const foretold = useAppSelector((state) => selectAround(state, setup.id)).weather?.gustMps ?? null;
  const { changeOne } = useChange();
  return (
    <View style={{ gap: 12 }}>
      <Lasting />
      <Batteries />
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
          note={gustNote(gustMps, foretold)}
        />
      </View>
    </View>
  );
}
