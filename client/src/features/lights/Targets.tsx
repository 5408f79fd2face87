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
import { shareFromHoldBack, stopsToRatio } from '@sphene/core/photometry';
import { LOOK_RANGES, type Setup, type Target, TARGET_WEIGHTS } from '@sphene/core/setup';

const KINDS = [
  { value: 'value', label: texts.justSo },
  { value: 'least', label: texts.atLeast },
  { value: 'most', label: texts.atMost },
  { value: 'ratio', label: texts.ratioToFace },
  { value: 'share', label: texts.shareOfFlash },
] as const;
const WEIGHT_NAMES = { 0.5: texts.little, 1: texts.usual, 2: texts.more, 4: texts.most } as const;

/** What a point should come to, where it lands and by how much it misses, in one line. */
function sayTarget({ placedStops, missStops, targetKind, targetStops }: PointSolution): string {
  const wanted = targetStops === null ? texts.noTarget : texts.wants[targetKind ?? 'value'](formatStops(targetStops));
  const lands = placedStops === null ? texts.notMetered : formatStops(placedStops);
  if (missStops === null) return texts.wantedLands(wanted, lands);
  if (Math.abs(missStops) < 0.05) return texts.wantedMet(wanted, lands);
  const miss = formatStopCount(missStops);
  return missStops > 0 ? texts.wantedOver(wanted, lands, miss) : texts.wantedUnder(wanted, lands, miss);
}

/** Whose light it is, in shares. */
function sayShares({ ambientStops, totalStops, sources }: PointSolution, { lights }: Setup): string {
  const called = (id: string) => {
    const light = lights.find((one) => one.id === id);
    return light === undefined ? '' : words.light(light);
  };
  const shares = sources.map(({ lightId, share, basis }) => {
    const said = `${called(lightId)} ${formatShare(share)}`;
    return basis === 'reading' ? said : texts.estimated(said);
  });
  if (ambientStops !== null && totalStops !== null)
    shares.unshift(texts.ambient(formatShare(2 ** (ambientStops - totalStops))));
  return shares.length === 0 ? texts.noLightIsKnownHere : texts.ofItsLight(shares.join(', '));
}

/** 3:1 under the face, and half of the light. */
const START: Partial<Record<Target['kind'], number>> = { ratio: 1.6, share: 1 };
/** The figure behind the stops, as each kind of target is spoken of. */
const FIGURE: Record<Target['kind'], (stops: number) => string> = {
  value: () => texts.asYouSaid,
  least: () => texts.asYouSaid,
  most: () => texts.asYouSaid,
  ratio: (stops) => words.lightingRatio({ ratio: stopsToRatio(stops), stops }),
  share: (stops) => texts.ofFlash(formatShare(shareFromHoldBack(stops))),
};

interface TargetProps {
  point: PointSolution;
  onTarget: (target: Target | null) => void;
}

/** The target of a point by hand. */
function TargetDials({ point, onTarget }: TargetProps) {
  const { setup } = useSetup();
  const own = setup.look.targets.find(({ pointId }) => pointId === point.pointId);
  const now: Target = own ?? {
    pointId: point.pointId,
    kind: point.targetKind ?? 'value',
    stops: point.targetStops ?? 0,
    weight: 1,
  };
  const isTone = now.kind !== 'ratio' && now.kind !== 'share';
  return (
    <>
      <ChoiceList
        label={texts.shouldLand(point.name)}
        layout="scroll"
        value={now.kind}
        onChoose={(kind) => onTarget({ ...now, kind, stops: START[kind] ?? point.targetStops ?? 0 })}
        choices={KINDS}
      />
      <StopsDial
        label={texts.targetOf(point.name.toLowerCase())}
        signed={isTone}
        value={now.stops}
        least={isTone ? -6 : 0}
        most={LOOK_RANGES.background.most}
        step={0.1}
        onChange={(stops) => onTarget({ ...now, stops })}
        note={own === undefined ? texts.asUsualForItsLight : FIGURE[now.kind](now.stops)}
      />
      {!isTone && (
        <Txt size="label" tone="quiet">
          {now.kind === 'ratio' ? texts.whatRatioMeans : texts.whatShareMeans}
        </Txt>
      )}
      <ChoiceList
        label={texts.counts}
        layout="row"
        value={String(now.weight)}
        onChoose={(weight) => onTarget({ ...now, weight: TARGET_WEIGHTS.find((one) => String(one) === weight) ?? 1 })}
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
  );
}

/** What one point should come to, where it lands, and whose light it is. */
function PointTarget({ point, onTarget }: TargetProps) {
  const { setup } = useSetup();
  return (
    <Disclosure title={point.name} summary={sayTarget(point)}>
      <Txt size="label" tone="quiet">
        {sayShares(point, setup)}
      </Txt>
      {point.role === 'face' ? (
        <Txt size="label" tone="quiet">
          {texts.faceTargetInLook}
        </Txt>
      ) : (
        <TargetDials point={point} onTarget={onTarget} />
      )}
    </Disclosure>
  );
}

/** How the lights stand to each other. */
function Ratios() {
  const { ratios, powersExact, lights } = useNumbers();
  const { face, keyOverFillStops, rimOverKeyStops } = ratios;
  const lines = [
    face?.by === 'without-key' && texts.darkSideIsWithoutKey,
    keyOverFillStops !== null &&
      (keyOverFillStops < 0 ? texts.keyUnderFill : texts.keyOverFill)(formatStopCount(keyOverFillStops)),
    rimOverKeyStops !== null &&
      (rimOverKeyStops < 0 ? texts.rimUnderKey : texts.rimOverKey)(formatStopCount(rimOverKeyStops)),
    lights.length > 1 && (powersExact ? texts.thesePowersAreTheBest : texts.soManyLightsThatNot),
  ].filter((line) => line !== false);
  return (
    <View style={{ gap: 2, paddingTop: 8 }}>
      {face !== null && <Txt>{texts.faceRatio(words.lightingRatio(face))}</Txt>}
      {lines.map((line) => (
        <Txt key={line} size="label" tone="quiet">
          {line}
        </Txt>
      ))}
    </View>
  );
}

/** Targets at every point, misses and shares, and how the lights stand to each other. */
export function Targets() {
  const { setup } = useSetup();
  const { points } = useNumbers();
  const { changeOne } = useChange();
  const put = (pointId: string) => (target: Target | null) =>
    changeOne('look.targets', [
      ...setup.look.targets.filter((one) => one.pointId !== pointId),
      ...(target === null ? [] : [target]),
    ]);
  return (
    <View>
      {points.map((point) => (
        <PointTarget key={point.pointId} point={point} onTarget={put(point.pointId)} />
      ))}
      <Ratios />
    </View>
  );
}
