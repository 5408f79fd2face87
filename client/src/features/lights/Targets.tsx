import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { StopsDial } from '@/ui/dials';
import { View } from 'react-native';

import type { PointSolution } from '@sphene/core/balance';
import { formatShare, formatStopCount, formatStops } from '@sphene/core/notation';
import { LOOK_RANGES, type Target, TARGET_WEIGHTS } from '@sphene/core/setup';

const KINDS = [
  { value: 'value', label: texts.justSo },
  { value: 'least', label: texts.atLeast },
  { value: 'most', label: texts.atMost },
] as const;
const WEIGHT_NAMES = { 0.5: texts.little, 1: texts.usual, 2: texts.more, 4: texts.most } as const;

/** What one point should come to, where it lands, and whose light it is. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
function PointTarget({ point, onTarget }: { point: PointSolution; onTarget: (target: Target | null) => void }) {
  const { setup } = useSetup();
  const own = setup.look.targets.find(({ pointId }) => pointId === point.pointId);
  const isFace = point.role === 'face';
  const now: Target = own ?? {
    pointId: point.pointId,
    kind: point.targetKind ?? 'value',
    stops: point.targetStops ?? 0,
    weight: 1,
  };
  const lands = point.placedStops === null ? texts.notMetered : formatStops(point.placedStops);
  const miss =
    point.missStops === null
      ? null
      : Math.abs(point.missStops) < 0.05
        ? 'met'
        : `${formatStopCount(point.missStops)} ${point.missStops > 0 ? 'over' : 'under'}`;
  const lightCalled = (id: string) => {
    const light = setup.lights.find((one) => one.id === id);
    return light === undefined ? '' : words.light(light);
  };
  const shares = [
    ...(point.ambientStops === null || point.totalStops === null
      ? []
      : [texts.ambient(formatShare(2 ** (point.ambientStops - point.totalStops)))]),
    ...point.sources.map(
      ({ lightId, share, basis }) =>
        `${lightCalled(lightId)} ${formatShare(share)}${basis === 'reading' ? '' : ' (est.)'}`,
    ),
  ];
  const verb = { value: 'wants', least: texts.atLeast2, most: texts.atMost2 }[point.targetKind ?? 'value'];
  const wanted = point.targetStops === null ? texts.noTarget : `${verb} ${formatStops(point.targetStops)}`;
  return (
    <Disclosure title={point.name} summary={`${wanted}, lands ${lands}${miss === null ? '' : `: ${miss}`}`}>
      <Txt size="label" tone="quiet">
        {shares.length === 0 ? texts.noLightIsKnownHere : `Of its light: ${shares.join(', ')}.`}
      </Txt>
      {isFace ? (
        <Txt size="label" tone="quiet">
          The face&apos;s target is set in the look.
        </Txt>
      ) : (
        <>
          <ChoiceList
            label={texts.shouldLand(point.name)}
            layout="row"
            value={now.kind}
            onChoose={(kind) => onTarget({ ...now, kind })}
            choices={KINDS}
          />
          <StopsDial
            label={texts.targetOf(point.name.toLowerCase())}
            signed
            value={now.stops}
            least={-6}
            most={LOOK_RANGES.background.most}
            step={0.1}
            onChange={(stops) => onTarget({ ...now, stops })}
            note={own === undefined ? texts.asUsualForItsLight : texts.asYouSaid}
          />
          <ChoiceList
            label={texts.counts}
            layout="row"
            value={String(now.weight)}
            onChoose={(weight) =>
              onTarget({ ...now, weight: TARGET_WEIGHTS.find((one) => String(one) === weight) ?? 1 })
            }
            choices={TARGET_WEIGHTS.map((weight) => ({ value: String(weight), label: WEIGHT_NAMES[weight] }))}
          />
          {own !== undefined && (
            <ActionButton
              label={texts.dropThisTarget}
              name={texts.dropTheTargetOf(point.name.toLowerCase())}
              kind="plain"
              onPress={() => onTarget(null)}
            />
          )}
        </>
      )}
    </Disclosure>
  );
}

/** Targets at every point, misses and shares, and how the lights stand to each other. */
export function Targets() {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const { ratios, powersExact, lights } = numbers;
  const put = (pointId: string) => (target: Target | null) =>
    changeOne('look.targets', [
      ...setup.look.targets.filter((one) => one.pointId !== pointId),
      ...(target === null ? [] : [target]),
    ]);
  return (
    <View>
      {numbers.points.map((point) => (
        <PointTarget key={point.pointId} point={point} onTarget={put(point.pointId)} />
      ))}
      <View style={{ gap: 2, paddingTop: 8 }}>
        {ratios.lighting !== null && <Txt>Lighting ratio {words.lightingRatio(ratios.lighting)}</Txt>}
        {ratios.keyOverFillStops !== null && (
          <Txt size="label" tone="quiet">
            Key {formatStopCount(ratios.keyOverFillStops)} stops {ratios.keyOverFillStops < 0 ? 'under' : 'over'} the
            fill
          </Txt>
        )}
        {ratios.rimOverKeyStops !== null && (
          <Txt size="label" tone="quiet">
            Rim {formatStopCount(ratios.rimOverKeyStops)} stops {ratios.rimOverKeyStops < 0 ? 'under' : 'over'} the key
          </Txt>
        )}
        {lights.length > 1 && (
          <Txt size="label" tone="quiet">
            {powersExact ? texts.thesePowersAreTheBest : texts.soManyLightsThatNot} (est.) is light from positions, not
            yet metered.
          </Txt>
        )}
      </View>
    </View>
  );
}
