import { texts } from './texts';
import { words } from '@/language/words';
import { useAdvice, useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { WhyRow } from '@/ui/WhyRow';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import type { LightSolution, StepEffect } from '@sphene/core/lights';
import { formatShare, formatStopCount } from '@sphene/core/notation';
import { lightPath } from '@sphene/core/setup';

/** Where a light's figure comes from, and how sure that makes it. */
const BASIS: Record<LightSolution['basis'], { power: string; doubt: (taughtBy: number) => string }> = {
  geometry: { power: texts.powerFromDistance, doubt: () => texts.notTestedYet },
  calibration: {
    power: texts.powerAsLearned,
    doubt: (taughtBy) => `${taughtBy} earlier ${taughtBy === 1 ? 'reading' : 'readings'}`,
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
        {light.aimName.toLowerCase()} {step.totalStops < 0 ? '−' : '+'}
        {Math.abs(step.totalStops).toFixed(2)}, share {formatShare(step.share)}
      </Txt>
    </View>
  );
}

/** A light's power in its own scale and what the meter then shows; each figure can be asked for its reason. */
// eslint-disable-next-line complexity, max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function PowerFigures({ light }: { light: LightSolution }) {
  const { setup, context } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const advice = useAdvice();
  const palette = usePalette();
  const noFlash = numbers.warnings.find(({ kind }) => kind === 'no-flash-can-help');
  if (light.powerText === null || light.meter === null)
    return (
      <Txt tone="danger">{noFlash === undefined ? texts.noFlashCanHelpThere : words.warning(noFlash, context)}</Txt>
    );
  const reason = (key: string) => {
    const chain = advice.why[key];
    return chain === undefined ? undefined : words.why(chain, context);
  };
  const { actual } = numbers.look;
  const locked = setup.lights[light.index]?.locked === true;
  const face = numbers.points.find(({ role }) => role === 'face');
  const share =
    face?.totalStops == null || face.ambientStops === null ? null : 1 - 2 ** (face.ambientStops - face.totalStops);
  const onFace = light.aimPointId === face?.pointId;
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
      <Txt size="figure" bold tone="flash">
        {light.powerText}
      </Txt>
      {light.outOfRange !== null && (
        <Txt tone="danger" bold>
          {formatStopCount(light.outOfRange.byStops)} stops{' '}
          {light.outOfRange.direction === 'too-weak' ? texts.tooWeak : texts.tooStrong}; {light.outOfRange.limitText} is
          the limit.
        </Txt>
      )}
      <View>
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
        {onFace && actual !== null && (
          <WhyRow label={texts.theLookComesTo} value={words.look(actual.holdBackStops, kit.preferences.lookWay)} />
        )}
        {onFace && share !== null && (
          <WhyRow label={words.lookWay('share').name} value={formatShare(share)} why={reason('share')} />
        )}
        {!onFace && <WhyRow label={texts.itsShareThere} value={formatShare(light.flashShare)} />}
        <WhyRow
          label={texts.totalOnThe(light.aimName.toLowerCase())}
          value={Math.abs(light.totalStops) < 0.05 ? texts.n00AsMetered : words.stopsBothWays(light.totalStops)}
        />
        <WhyRow
          label={BASIS[light.basis].doubt(light.taughtBy)}
          value={texts.stopsTo(
            formatStopCount(light.uncertaintyStops),
            light.meter.rangeTexts[0],
            light.meter.rangeTexts[1],
          )}
        />
        <WhyRow
          label={texts.leftToFullPower}
          value={
            `${formatStopCount(light.headroomStops ?? 0)} ` +
            `stops${light.reserveMissingStops > 0.05 ? texts.shortOfYourReserve(formatStopCount(light.reserveMissingStops)) : ''}`
          }
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
      </View>
      {light.exactPowerStops === null && (
        <Txt tone="danger">
          The others bring the {light.aimName.toLowerCase()} to its target already: this light only adds. Lower the
          target of another, flag it, or leave this one off.
        </Txt>
      )}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <StepButton label={texts.aStepDown} step={light.steps.down} light={light} />
        <StepButton label={texts.aStepUp} step={light.steps.up} light={light} />
      </View>
      {locked && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Txt tone="accent" bold style={{ flex: 1 }}>
            {texts.heldAtThisPowerBy}
          </Txt>
          <ActionButton label={texts.letItFollow} onPress={() => changeOne(lightPath(light.index, 'locked'), false)} />
        </View>
      )}
    </View>
  );
}
