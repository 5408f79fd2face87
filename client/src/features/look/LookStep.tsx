import { UsualForYou } from '@/features/review/UsualForYou';
import { LooksPart } from '@/features/looks/LooksPart';
import { variantsSummary, VariantsPart } from '@/features/variants/VariantsPart';
import { texts } from './texts';
import { words } from '@/language/words';
import { useActions } from '@/store/application';
import { BackgroundControl } from '@/ui/BackgroundControl';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { HoldBackControl } from '@/ui/HoldBackControl';
import { Txt } from '@/ui/Txt';
import { StopsDial } from '@/ui/dials';
import { View } from 'react-native';

import { LOOK_WAY_IDS } from '@sphene/core/gear';
import { formatStopCount, formatStops } from '@sphene/core/notation';
import { type ExposeBy, HOLD_BACK_RANGE, LOOK_RANGES, type Setting, type Setup } from '@sphene/core/setup';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { Symptoms } from '../camera/Symptoms';
import { AmbientAlone } from './AmbientAlone';

const within = (value: number, { least, most }: { least: number; most: number }) =>
  Math.min(most, Math.max(least, value));

/** The settings that let another thing lead the exposure without moving the picture. */
function leading(
  by: ExposeBy,
  {
    holdBackStops,
    backgroundStops,
    highlight,
  }: { holdBackStops: number | null; backgroundStops: number | null; highlight: { headroomStops: number } | null },
): Setting[] {
  const settings: Setting[] = [{ path: 'look.exposeBy', value: by }];
  if (by === 'face' && holdBackStops !== null)
    settings.push({ path: 'look.holdBackStops', value: within(holdBackStops, HOLD_BACK_RANGE) });
  if (by === 'background' && backgroundStops !== null)
    settings.push({ path: 'look.backgroundStops', value: within(backgroundStops, LOOK_RANGES.background) });
  if (by === 'highlight' && highlight !== null)
    settings.push({ path: 'look.headroomStops', value: within(highlight.headroomStops, LOOK_RANGES.headroom) });
  return settings;
}

/** How this person says the look; kept for all setups. */
function OwnWay() {
  const kit = useKit();
  const actions = useActions();
  return (
    <ChoiceList
      label={texts.youSayTheLookAs}
      layout="scroll"
      value={kit.preferences.lookWay}
      onChoose={(lookWay) => actions.setPreferences({ lookWay })}
      choices={LOOK_WAY_IDS.map((id) => ({
        value: id,
        label: {
          underTotal: texts.underTotal,
          share: texts.flashShare,
          underKey: texts.underKey,
          fill: texts.matchFill,
        }[id],
        note: words.lookWay(id).example,
      }))}
    />
  );
}

/** A point as it was named. */
const nameOf = ({ points }: Setup, pointId: string | undefined): string | undefined =>
  points.find(({ id }) => id === pointId)?.name;

/** The highlight that leads, and how far it stays under clipping. */
function Headroom() {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const highlightName = nameOf(setup, numbers.look.highlight?.pointId);
  return (
    <View style={{ gap: 8 }}>
      <ChoiceList
        label={texts.highlight}
        layout="scroll"
        value={setup.look.highlightPointId ?? 'brightest'}
        onChoose={(id) => changeOne('look.highlightPointId', id === 'brightest' ? null : id)}
        choices={[
          { value: 'brightest', label: texts.brightest, note: highlightName ?? texts.noneMetered },
          ...setup.points.filter(({ role }) => role !== 'face').map(({ id, name }) => ({ value: id, label: name })),
        ]}
      />
      <StopsDial
        label={texts.headroomUnderClipping}
        value={setup.look.headroomStops}
        least={LOOK_RANGES.headroom.least}
        most={LOOK_RANGES.headroom.most}
        step={0.1}
        onChange={(value) => changeOne('look.headroomStops', value)}
        note={highlightName === undefined ? texts.meterAHighlightFirst : texts.byTheAmbientOnIt(highlightName)}
      />
    </View>
  );
}

/** Where all of it lands, in one place. */
function Lands() {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { look, warnings, points, camera } = numbers;
  const background = points.find(({ role }) => role === 'background');
  const byDials =
    camera?.met !== true ||
    background?.placedStops == null ||
    look.backgroundStops === null ||
    Math.abs(background.placedStops - look.backgroundStops) < 0.05
      ? null
      : background;
  return (
    <View style={{ gap: 4 }}>
      {byDials !== null && (
        <Txt size="label" tone="quiet">
          {texts.byDialsItLands(byDials.name.toLowerCase(), formatStops(byDials.placedStops ?? 0))}
        </Txt>
      )}
      {look.tie !== null && (
        <Txt size="label" tone="quiet">
          {words.tie(look.tie)}
        </Txt>
      )}
      {look.highlight !== null && setup.look.exposeBy !== 'highlight' && (
        <Txt size="label" tone="quiet">
          {(look.highlight.headroomStops < 0 ? texts.keepsAndBurns : texts.keeps)(
            nameOf(setup, look.highlight.pointId) ?? '',
            formatStopCount(Math.max(0, look.highlight.headroomStops)),
          )}
        </Txt>
      )}
      {warnings
        .filter(({ kind }) => ['clipped', 'lost', 'headroom', 'no-flash-can-help'].includes(kind))
        .map((warning) => words.warning(warning, context))
        .map((text) => (
          <Txt key={text} tone="danger">
            {text}
          </Txt>
        ))}
    </View>
  );
}

/** What is being moved by the thumb, and what it is set to when it is let go. */
function useLead() {
  const { change, draft } = useChange();
  const lead = (by: 'face' | 'background', value: number): Setting[] => [
    { path: 'look.exposeBy', value: by },
    { path: by === 'face' ? 'look.holdBackStops' : 'look.backgroundStops', value },
  ];
  return {
    draft: (by: 'face' | 'background') => (value: number) => draft(lead(by, value)),
    take: (by: 'face' | 'background') => (value: number) => change(...lead(by, value)),
  };
}

/** How far the ambient on the face is held back, and what hinders it. */
function HoldBack({ holdBack }: { holdBack: number }) {
  const { preferences } = useKit();
  const { draft, take } = useLead();
  return (
    <>
      <HoldBackControl
        value={within(holdBack, HOLD_BACK_RANGE)}
        way={preferences.lookWay}
        onDraft={draft('face')}
        onChange={take('face')}
      />
      {holdBack < HOLD_BACK_RANGE.least && (
        <Txt tone="danger">{(holdBack < 0 ? texts.noRoomOver : texts.noRoomUnder)(formatStopCount(holdBack))}</Txt>
      )}
      <OwnWay />
    </>
  );
}

/** Where the background lands, once it can be known. */
function BackgroundLands({ holdBack }: { holdBack: number }) {
  const { setup } = useSetup();
  const { preferences } = useKit();
  const { look, alone } = useNumbers();
  const { draft, take } = useLead();
  const background = setup.points.find(({ role }) => role === 'background');
  if (background === undefined) return null;
  if (look.backgroundStops === null) return <Txt tone="quiet">{texts.landsOnceMetered(background.name)}</Txt>;
  return (
    <BackgroundControl
      name={background.name}
      value={look.backgroundStops}
      faceText={
        alone
          ? texts.faceLandsAt(words.stopsBothWays(-holdBack))
          : holdBack > 0
            ? words.look(holdBack, preferences.lookWay)
            : texts.ambientStopsOverItsPlace(formatStopCount(holdBack))
      }
      onDraft={draft('background')}
      onChange={take('background')}
    />
  );
}

/** Where the face lands, and the feel after the numbers. */
function FaceAndFeel() {
  const { look } = useSetup().setup;
  const { changeOne } = useChange();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
      <StopsDial
        label={texts.faceLands}
        signed
        value={look.faceStops}
        {...LOOK_RANGES.face}
        step={0.1}
        onChange={(value) => changeOne('look.faceStops', value)}
        note={look.faceStops === 0 ? texts.asAMeterHasIt : words.stopsBothWays(look.faceStops)}
      />
      <StopsDial
        label={texts.feelAfterTheNumbers}
        signed
        value={look.feelStops}
        {...LOOK_RANGES.feel}
        step={0.1}
        onChange={(value) => changeOne('look.feelStops', value)}
        note={look.feelStops === 0 ? texts.none : texts.theWholePicture(words.stopsBothWays(look.feelStops))}
      />
    </View>
  );
}

/** Cures for what looks wrong, and variants beside each other: folded away until they are wanted. */
function Folded() {
  const { setup } = useSetup();
  return (
    <View>
      <Disclosure title={texts.somethingLooksWrong} summary={texts.backgroundDarkFaceFlatDress}>
        <Symptoms />
      </Disclosure>
      <LooksPart />
      <Disclosure title={texts.variants} summary={variantsSummary(setup)}>
        <VariantsPart />
      </Disclosure>
    </View>
  );
}

/** The wish: what the exposure is set by, how dark the ambient may sit, where face and background land, and the feel. */
export function LookStep() {
  const { setup } = useSetup();
  const { preferences } = useKit();
  const { look, alone } = useNumbers();
  const { change } = useChange();
  const holdBack = look.holdBackStops ?? setup.look.holdBackStops;
  const { feelStops, exposeBy } = setup.look;
  return (
    <View style={{ gap: 16 }}>
      <ChoiceList
        label={texts.exposedFor}
        layout="row"
        value={exposeBy}
        onChoose={(by) => change(...leading(by, look))}
        choices={[
          { value: 'face', label: texts.face },
          { value: 'background', label: texts.background },
          { value: 'highlight', label: texts.highlight },
        ]}
      />
      {exposeBy === 'highlight' && <Headroom />}
      {alone ? <AmbientAlone /> : <HoldBack holdBack={holdBack} />}
      <BackgroundLands holdBack={holdBack} />
      <Lands />
      <FaceAndFeel />
      {look.actual !== null && Math.abs(look.actual.holdBackStops - holdBack) > 0.05 && (
        <Txt size="label" tone="quiet">
          {texts.byDialsItComesTo(words.look(look.actual.holdBackStops, preferences.lookWay))}
        </Txt>
      )}
      {/* under the dials: it comes a moment later, and nothing may move away from a thumb */}
      <UsualForYou />
      <Folded />
      {feelStops !== 0 && (
        <Txt size="label" tone="quiet">
          {texts.feelIsCarried(formatStops(feelStops))}
        </Txt>
      )}
    </View>
  );
}
