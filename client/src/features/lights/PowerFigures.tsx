import { texts } from './texts';
import { words } from '@/language/words';
import { useAdvice, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { WhyRow } from '@/ui/WhyRow';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { powerInScales } from '@sphene/core/flash';
import type { LightSolution, StepEffect } from '@sphene/core/lights';
import { formatShare, formatStopCount } from '@sphene/core/notation';
import { lightPath } from '@sphene/core/setup';
import type { WhyWords } from '@sphene/core/words';

/** Where a light's figure comes from, and how sure that makes it. */
const BASIS: Record<LightSolution['basis'], { power: string; doubt: (taughtBy: number) => string }> = {
  geometry: { power: texts.powerFromDistance, doubt: () => texts.notTestedYet },
  calibration: {
    power: texts.powerAsLearned,
    doubt: texts.earlierReadings,
  },
  reading: { power: texts.powerFromAReading, doubt: () => texts.fromYourReading },
};

/** One step of the dial before it is tapped: what it does to the picture. */
function StepButton({ label, step, light }: { label: string; step: StepEffect | null; light: LightSolution }) {
  const { change } = useChange();
  if (step === null) return null;
  const hold = () =>
    change(
      { path: lightPath(light.index, 'dialledStops'), value: step.powerStops },
      { path: lightPath(light.index, 'locked'), value: true },
    );
  return (
    <View style={{ flex: 1, gap: 2 }}>
      <ActionButton
        label={step.powerText}
        name={texts.holdAt(label, words.light(light), step.powerText)}
        onPress={hold}
      />
      <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
        {texts.stepDoes(
          light.aimName.toLowerCase(),
          `${step.totalStops < 0 ? '−' : '+'}${Math.abs(step.totalStops).toFixed(2)}`,
          formatShare(step.share),
        )}
      </Txt>
    </View>
  );
}

/** A light that has its power. */
type Powered = LightSolution & { powerText: string; meter: NonNullable<LightSolution['meter']> };

/** What the light comes to where it aims: the look and its share of the face, or its share of that place. */
function WhatItComesTo({ light, reason }: { light: Powered; reason: (key: string) => WhyWords | undefined }) {
  const { preferences } = useKit();
  const { points, look } = useNumbers();
  const face = points.find(({ role }) => role === 'face');
  if (light.aimPointId !== face?.pointId)
    return <WhyRow label={texts.itsShareThere} value={formatShare(light.flashShare)} />;
  const { ambientStops, totalStops } = face;
  const share = totalStops === null || ambientStops === null ? null : 1 - 2 ** (ambientStops - totalStops);
  return (
    <>
      {look.actual !== null && (
        <WhyRow label={texts.theLookComesTo} value={words.look(look.actual.holdBackStops, preferences.lookWay)} />
      )}
      {share !== null && (
        <WhyRow label={words.lookWay('share').name} value={formatShare(share)} why={reason('share')} />
      )}
    </>
  );
}

/** Power and what it gives, each with its reason. */
function PowerRows({ light }: { light: Powered }) {
  const { context } = useSetup();
  const { points } = useNumbers();
  const { why } = useAdvice();
  const reason = (key: string) => {
    const chain = why[key];
    return chain === undefined ? undefined : words.why(chain, context);
  };
  const onFace = light.aimPointId === points.find(({ role }) => role === 'face')?.pointId;
  return (
    <>
      <WhyRow
        label={BASIS[light.basis].power}
        value={texts.underFull(formatStopCount(light.powerStops ?? 0))}
        why={reason(`power:${light.lightId}`)}
      />
      <WhyRow
        label={texts.meterShouldRead}
        value={texts.totalFlashOnly(light.meter.totalText, light.meter.flashText)}
        why={onFace ? reason('meter') : undefined}
      />
      <WhatItComesTo light={light} reason={reason} />
      <WhyRow
        label={texts.totalOnThe(light.aimName.toLowerCase())}
        value={Math.abs(light.totalStops) < 0.05 ? texts.n00AsMetered : words.stopsBothWays(light.totalStops)}
      />
    </>
  );
}

/** How sure the power is, what is left of it, and how fast it comes back. */
function StandingRows({ light }: { light: Powered }) {
  const [low, high] = light.meter.rangeTexts;
  const left = formatStopCount(light.headroomStops ?? 0);
  const short = light.reserveMissingStops > 0.05 ? formatStopCount(light.reserveMissingStops) : null;
  return (
    <>
      <WhyRow
        label={light.known === 'assumed' ? texts.placeAssumed : BASIS[light.basis].doubt(light.taughtBy)}
        value={texts.stopsTo(formatStopCount(light.uncertaintyStops), low, high)}
      />
      <WhyRow
        label={texts.leftToFullPower}
        value={short === null ? texts.stopsLeft(left) : texts.stopsLeftShort(left, short)}
      />
      {light.recycleS !== null && (
        <WhyRow
          label={texts.readyAgain}
          value={light.recycleS < 0.05 ? texts.atOnce : texts.afterS(light.recycleS.toFixed(1))}
        />
      )}
      <WhyRow
        label={texts.softness}
        value={light.softnessDeg < 1 ? texts.hardAPoint : texts.across(Math.round(light.softnessDeg))}
      />
    </>
  );
}

/** A power that is held by hand, and the way to let it go. */
function HeldByHand({ index }: { index: number }) {
  const { changeOne } = useChange();
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <Txt tone="accent" bold style={{ flex: 1 }}>
        {texts.heldAtThisPowerBy}
      </Txt>
      <ActionButton label={texts.letItFollow} onPress={() => changeOne(lightPath(index, 'locked'), false)} />
    </View>
  );
}

/** Said where a light cannot do what is wanted. */
function OutOfReach({ light }: { light: Powered }) {
  const { outOfRange, exactPowerStops, aimName } = light;
  return (
    <>
      {outOfRange !== null && (
        <Txt tone="danger" bold>
          {texts.limit[outOfRange.direction](formatStopCount(outOfRange.byStops), outOfRange.limitText)}
        </Txt>
      )}
      {exactPowerStops === null && <Txt tone="danger">{texts.othersBringIt(aimName.toLowerCase())}</Txt>}
    </>
  );
}

/** The power, large; a tap writes it in every scale. */
function PowerFigure({ light }: { light: Powered }) {
  const kit = useKit();
  const { lights } = useSetup().setup;
  const [open, setOpen] = useState(false);
  const unit = kit.flashUnits.find(({ id }) => id === lights[light.index]?.unitId);
  const [, ...others] = unit === undefined ? [] : powerInScales(unit.scale, light.powerStops ?? 0);
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={texts.inEveryScale(light.powerText)}
      onPress={() => setOpen(!open)}
    >
      <Txt size="figure" bold tone="flash">
        {light.powerText}
      </Txt>
      {open && <Txt tone="quiet">{texts.thatIs(others.join(' · '))}</Txt>}
    </Pressable>
  );
}

const isPowered = (light: LightSolution): light is Powered => light.powerText !== null && light.meter !== null;

/** A light's power in its own scale and what the meter then shows; each figure can be asked for its reason. */
export function PowerFigures({ light }: { light: LightSolution }) {
  const { setup, context } = useSetup();
  const { warnings } = useNumbers();
  const palette = usePalette();
  if (!isPowered(light)) {
    const noFlash = warnings.find(({ kind }) => kind === 'no-flash-can-help');
    return (
      <Txt tone="danger">{noFlash === undefined ? texts.noFlashCanHelpThere : words.warning(noFlash, context)}</Txt>
    );
  }
  return (
    <View
      style={{
        gap: 6,
        borderLeftWidth: 3,
        borderLeftColor: light.outOfRange === null ? palette.flash : palette.danger,
        paddingLeft: 12,
      }}
    >
      <Txt size="label" tone="quiet">
        {light.unitName}, {words.front(light)}
      </Txt>
      <PowerFigure light={light} />
      <OutOfReach light={light} />
      <View>
        <PowerRows light={light} />
        <StandingRows light={light} />
      </View>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <StepButton label={texts.aStepDown} step={light.steps.down} light={light} />
        <StepButton label={texts.aStepUp} step={light.steps.up} light={light} />
      </View>
      {setup.lights[light.index]?.locked === true && <HeldByHand index={light.index} />}
    </View>
  );
}
