import { words } from '@/language/words';
import { useSetupView } from '@/setupView/setupContext';
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
  geometry: { power: 'Power, from distance', doubt: () => 'Not tested yet' },
  calibration: {
    power: 'Power, as learned',
    doubt: (taughtBy) => `${taughtBy} earlier ${taughtBy === 1 ? 'reading' : 'readings'}`,
  },
  reading: { power: 'Power, from a reading', doubt: () => 'From your reading' },
};

/** One step of the dial before it is tapped: what it does to the picture. */
function StepButton({ label, step, light }: { label: string; step: StepEffect | null; light: LightSolution }) {
  const { change } = useSetupView();
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
        name={`${label}: hold ${words.light(light)} at ${step.powerText}`}
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
  const { setup, kit, solution, changeOne, context, advice } = useSetupView();
  const palette = usePalette();
  const noFlash = solution.warnings.find(({ kind }) => kind === 'no-flash-can-help');
  if (light.powerText === null || light.meter === null)
    return (
      <Txt tone="danger">
        {noFlash === undefined
          ? 'No flash can help there: the ambient is at its target already.'
          : words.warning(noFlash, context)}
      </Txt>
    );
  const reason = (key: string) => {
    const chain = advice.why[key];
    return chain === undefined ? undefined : words.why(chain, context);
  };
  const { actual } = solution.look;
  const locked = setup.lights[light.index]?.locked === true;
  const face = solution.points.find(({ role }) => role === 'face');
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
          {light.outOfRange.direction === 'too-weak' ? 'too weak' : 'too strong'}; {light.outOfRange.limitText} is the
          limit.
        </Txt>
      )}
      <View>
        <WhyRow
          label={BASIS[light.basis].power}
          value={`${formatStopCount(light.powerStops ?? 0)} under full`}
          why={reason(`power:${light.lightId}`)}
        />
        <WhyRow
          label="Meter should read"
          value={`${light.meter.totalText} total, ${light.meter.flashText} flash only`}
          why={onFace ? reason('meter') : undefined}
        />
        {onFace && actual !== null && (
          <WhyRow label="The look comes to" value={words.look(actual.holdBackStops, kit.preferences.lookWay)} />
        )}
        {onFace && share !== null && (
          <WhyRow label={words.lookWay('share').name} value={formatShare(share)} why={reason('share')} />
        )}
        {!onFace && <WhyRow label="Its share there" value={formatShare(light.flashShare)} />}
        <WhyRow
          label={`Total on the ${light.aimName.toLowerCase()}`}
          value={Math.abs(light.totalStops) < 0.05 ? '0.0, as metered' : words.stopsBothWays(light.totalStops)}
        />
        <WhyRow
          label={BASIS[light.basis].doubt(light.taughtBy)}
          value={`± ${formatStopCount(light.uncertaintyStops)} stops: ${light.meter.rangeTexts[0]} to ${light.meter.rangeTexts[1]}`}
        />
        <WhyRow
          label="Left to full power"
          value={
            `${formatStopCount(light.headroomStops ?? 0)} ` +
            `stops${light.reserveMissingStops > 0.05 ? `, ${formatStopCount(light.reserveMissingStops)} short of your reserve` : ''}`
          }
        />
        {light.recycleS !== null && (
          <WhyRow
            label="Ready again"
            value={light.recycleS < 0.05 ? 'at once' : `after ${light.recycleS.toFixed(1)} s`}
          />
        )}
        <WhyRow
          label="Softness"
          value={light.softnessDeg < 1 ? 'hard, a point' : `${Math.round(light.softnessDeg)}° across`}
        />
      </View>
      {light.exactPowerStops === null && (
        <Txt tone="danger">
          The others bring the {light.aimName.toLowerCase()} to its target already: this light only adds. Lower the
          target of another, flag it, or leave this one off.
        </Txt>
      )}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <StepButton label="A step down" step={light.steps.down} light={light} />
        <StepButton label="A step up" step={light.steps.up} light={light} />
      </View>
      {locked && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Txt tone="accent" bold style={{ flex: 1 }}>
            Held at this power by you.
          </Txt>
          <ActionButton label="Let it follow" onPress={() => changeOne(lightPath(light.index, 'locked'), false)} />
        </View>
      )}
    </View>
  );
}
