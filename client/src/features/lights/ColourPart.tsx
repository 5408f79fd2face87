import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { OfferCard } from '@/ui/OfferCard';
import { Txt } from '@/ui/Txt';
import { NumberDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import type { GelAdvice, LampColourAdvice } from '@sphene/core/balance';
import { GREEN_RANGE, KELVIN_RANGE, NAMED_SOURCES, type NamedSource } from '@sphene/core/colour';
import { lightPath } from '@sphene/core/setup';

const UNKNOWN = 'unknown';
const SOURCES = [
  { value: UNKNOWN, label: texts.notSaid },
  ...(Object.keys(NAMED_SOURCES) as NamedSource[]).map((value) => ({
    value,
    label: words.colourSource(value),
    note: `${NAMED_SOURCES[value].kelvin} K`,
  })),
];
const RELATIONS = [
  { value: 'asIs', label: texts.asChosen },
  { value: 'match', label: texts.matchTheRoom },
  { value: 'warmer', label: texts.warmer },
  { value: 'coolSky', label: texts.coolSky },
] as const;
const KELVIN_STEP = 100;
const USUAL_KELVIN = 5500;

/** Where a colour of ambient is known from, after its kelvin. */
function fromText(from: string): string {
  if (from === 'frame') return texts.fromATestFrame;
  return from in NAMED_SOURCES ? `, ${words.colourSource(from as NamedSource).toLowerCase()}` : '';
}

/** The colour of the ambient at one point: a named source, or kelvin and tint. */
function AmbientColour({ pointId, name }: { pointId: string; name: string }) {
  const { setup } = useSetup();
  const { changeOne } = useChange();
  const { ambient } = setup.colour;
  const now = ambient.find((one) => one.pointId === pointId);
  const put = (colour: { kelvin: number; greenCc: number; from: (typeof ambient)[number]['from'] } | null) =>
    changeOne('colour.ambient', [
      ...ambient.filter((one) => one.pointId !== pointId),
      ...(colour === null ? [] : [{ pointId, ...colour }]),
    ]);
  return (
    <Disclosure
      title={texts.ambientOnThe(name.toLowerCase())}
      summary={now === undefined ? texts.notSaidInText : `${Math.round(now.kelvin)} K${fromText(now.from)}`}
    >
      <ChoiceList
        label={texts.lightOnThe(name.toLowerCase())}
        value={now === undefined ? UNKNOWN : now.from}
        onChoose={(from) =>
          put(
            from === UNKNOWN
              ? null
              : {
                  kelvin: NAMED_SOURCES[from as NamedSource].kelvin,
                  greenCc: NAMED_SOURCES[from as NamedSource].greenCc,
                  from: from as NamedSource,
                },
          )
        }
        choices={SOURCES}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <NumberDial
          label={texts.kelvin(name.toLowerCase())}
          unit="K"
          value={now?.kelvin ?? USUAL_KELVIN}
          least={KELVIN_RANGE.least}
          most={KELVIN_RANGE.most}
          step={KELVIN_STEP}
          decimals={0}
          onChange={(kelvin) => put({ kelvin, greenCc: now?.greenCc ?? 0, from: 'typed' })}
        />
        <NumberDial
          label={texts.green(name.toLowerCase())}
          unit={texts.colourCompensating}
          value={now?.greenCc ?? 0}
          least={GREEN_RANGE.least}
          most={GREEN_RANGE.most}
          step={1}
          decimals={0}
          onChange={(greenCc) => put({ kelvin: now?.kelvin ?? USUAL_KELVIN, greenCc, from: 'typed' })}
          note={texts.minusIsMagenta}
        />
      </View>
    </Disclosure>
  );
}

/** Gels are used: one tap says what colour they are set against. */
export function AskAmbientColour() {
  const { setup } = useSetup();
  const { colour } = useNumbers();
  const { changeOne } = useChange();
  const face = setup.points.find(({ role }) => role === 'face');
  if (!colour.asksAmbient || face === undefined) return null;
  return (
    <ChoiceList
      label={texts.whatColourIsTheAmbient}
      layout="scroll"
      value={undefined}
      onChoose={(from) => changeOne('colour.ambient', [{ pointId: face.id, ...NAMED_SOURCES[from], from }])}
      choices={(Object.keys(NAMED_SOURCES) as NamedSource[]).map((value) => ({
        value,
        label: words.colourSource(value),
        note: `${NAMED_SOURCES[value].kelvin} K`,
      }))}
    />
  );
}

/** The gels for one light, what they cost, and one tap. */
function GelChoice({ gels }: { gels: GelAdvice }) {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const palette = usePalette();
  const index = numbers.lights.find(({ lightId }) => lightId === gels.lightId)?.index;
  const light = setup.lights.find(({ id }) => id === gels.lightId);
  const name = light === undefined ? '' : words.light(light);
  return (
    <View
      role="article"
      aria-label={texts.gelsFor(name)}
      style={{
        gap: 4,
        padding: 12,
        backgroundColor: palette.raised,
        borderLeftWidth: 3,
        borderLeftColor: palette.accent,
      }}
    >
      <Txt bold>
        {name}: {words.gels(gels.gelNames)}
      </Txt>
      <Txt size="label" tone="quiet">
        {texts.thenKelvin(Math.round(gels.kelvin / 50) * 50, words.gelCost(gels.costStops))}
        {gels.missMired > 15 ? texts.noGelAtHandComes(Math.round(gels.missMired)) : ''}
      </Txt>
      {index !== undefined && (
        <View style={{ alignItems: 'flex-end' }}>
          <ActionButton
            label={texts.putOn}
            name={texts.putOnOn(words.gels(gels.gelNames), name)}
            onPress={() => changeOne(lightPath(index, 'gelIds'), gels.gelIds)}
          />
        </View>
      )}
    </View>
  );
}

/** What the dial of a lamp does not make up is told from here on, mired. */
const MISS_MIRED = 15;

/** The colour that one lamp is turned to, in one tap. */
function LampColour({ advice: { lampId, kelvin, missMired } }: { advice: LampColourAdvice }) {
  const { setup } = useSetup();
  const { lamps } = useNumbers();
  const { changeOne } = useChange();
  const name = lamps.find(({ id }) => id === lampId)?.name ?? '';
  const shown = Math.round(kelvin / 50) * 50;
  return (
    <OfferCard
      title={texts.turnToKelvin(name, shown)}
      lines={missMired > MISS_MIRED ? [texts.lampComesNoNearer(Math.round(missMired))] : []}
      onApply={() =>
        changeOne(
          'lamps',
          setup.lamps.map((lamp) => (lamp.id === lampId ? { ...lamp, kelvin } : lamp)),
        )
      }
    />
  );
}

/** The white balance that follows, or the one that was set. */
function WhiteBalance() {
  const { whiteBalance: own } = useSetup().setup.colour;
  const { whiteBalance } = useNumbers().colour;
  const { changeOne } = useChange();
  const palette = usePalette();
  return (
    <>
      <View style={{ borderLeftWidth: 3, borderLeftColor: palette.accent, paddingLeft: 12 }}>
        <Txt size="label" tone="quiet">
          {texts.whiteBalance}
        </Txt>
        <Txt size="value" bold>
          {words.kelvin(whiteBalance)}
        </Txt>
        <Txt size="label" tone="quiet">
          {words.whiteBalance(whiteBalance.because)}
        </Txt>
      </View>
      <NumberDial
        label={texts.whiteBalanceSetTo}
        unit="K"
        value={Math.round(whiteBalance.kelvin / 10) * 10}
        least={KELVIN_RANGE.least}
        most={KELVIN_RANGE.most}
        step={KELVIN_STEP}
        decimals={0}
        onChange={(kelvin) => changeOne('colour.whiteBalance', { kelvin, greenCc: whiteBalance.greenCc })}
        {...(own === null
          ? { note: texts.asSuggested }
          : { note: texts.setHere, onReset: () => changeOne('colour.whiteBalance', null) })}
      />
    </>
  );
}

/** How each source looks at that white balance. */
function Sources() {
  const { context } = useSetup();
  const { sources } = useNumbers().colour;
  const palette = usePalette();
  const sign = (mired: number) => (mired > 0 ? '+' : mired < -0.5 ? '−' : '');
  return (
    <View role="list" aria-label={texts.whatEverySourceLooksLike} style={{ gap: 6 }}>
      {sources.map(({ id, source, miredOff, cast, swatch }) => (
        <View key={id} role="listitem" style={{ flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: 32 }}>
          <View style={{ width: 32, height: 24, backgroundColor: swatch, borderWidth: 1, borderColor: palette.line }} />
          <Txt style={{ flex: 1 }}>{words.castSource(source, context)}</Txt>
          <Txt size="label" tone="quiet">
            {texts.castMired(words.cast(cast), `${sign(miredOff)}${Math.abs(Math.round(miredOff))}`)}
          </Txt>
        </View>
      ))}
    </View>
  );
}

/** Colours of ambient and lights, the gels for the wanted relation, and the white balance. */
export function ColourPart() {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const { colour } = numbers;
  const { relation, warmerMired } = setup.colour;
  return (
    <View style={{ gap: 12 }}>
      {setup.points
        .filter(({ role }) => role === 'face' || role === 'background')
        .map(({ id, name }) => (
          <AmbientColour key={id} pointId={id} name={name} />
        ))}
      <ChoiceList
        label={texts.theFlashShouldBe}
        value={relation}
        onChoose={(value) => changeOne('colour.relation', value)}
        choices={RELATIONS}
      />
      {relation === 'warmer' && (
        <NumberDial
          label={texts.warmerBy}
          unit={texts.mired}
          value={warmerMired}
          least={-200}
          most={200}
          step={5}
          decimals={0}
          onChange={(mired) => changeOne('colour.warmerMired', mired)}
          note={warmerMired < 0 ? texts.coolerThanTheAmbient : texts.thanTheAmbientOnThe}
        />
      )}
      {(relation === 'match' || relation === 'warmer') && setup.colour.ambient.length === 0 && (
        <Txt tone="danger">{texts.sayTheColourOfThe}</Txt>
      )}
      {colour.advice.map((advice) => (
        <GelChoice key={advice.lightId} gels={advice} />
      ))}
      {colour.lampAdvice.map((advice) => (
        <LampColour key={advice.lampId} advice={advice} />
      ))}
      <WhiteBalance />
      <Sources />
      {colour.mixed !== null && <Txt tone="danger">{words.mixedColour(colour.mixed, context)}</Txt>}
    </View>
  );
}
