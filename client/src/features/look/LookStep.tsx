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
import { useChange, useKit, useNumbers, useSetup } from '../../setupView/setupContext';
import { Symptoms } from '../camera/Symptoms';
import { CompareVersions } from './CompareVersions';

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
          With the dials' own steps the {byDials.name.toLowerCase()} lands at {formatStops(byDials.placedStops ?? 0)}.
        </Txt>
      )}
      {look.tie !== null && (
        <Txt size="label" tone="quiet">
          {words.tie(look.tie)}
        </Txt>
      )}
      {look.highlight !== null && setup.look.exposeBy !== 'highlight' && (
        <Txt size="label" tone="quiet">
          {nameOf(setup, look.highlight.pointId)} keeps {formatStopCount(Math.max(0, look.highlight.headroomStops))}{' '}
          stops under clipping
          {look.highlight.headroomStops < 0 ? texts.itBurns : ''}.
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

/** The wish: what the exposure is set by, how dark the ambient may sit, where face and background land, and the feel after the numbers. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function LookStep() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { change, changeOne } = useChange();
  const actions = useActions();
  const { look } = numbers;
  const { lookWay } = kit.preferences;
  const background = setup.points.find(({ role }) => role === 'background');
  const draft = (...settings: Setting[]) => actions.draft(setup.id, settings);
  const byFace = (value: number): Setting[] => [
    { path: 'look.exposeBy', value: 'face' },
    { path: 'look.holdBackStops', value },
  ];
  const byBackground = (value: number): Setting[] => [
    { path: 'look.exposeBy', value: 'background' },
    { path: 'look.backgroundStops', value },
  ];
  const holdBack = look.holdBackStops ?? setup.look.holdBackStops;
  const faceText =
    holdBack > 0 ? words.look(holdBack, lookWay) : texts.ambientStopsOverItsPlace(formatStopCount(holdBack));
  return (
    <View style={{ gap: 16 }}>
      <ChoiceList
        label={texts.exposedFor}
        layout="row"
        value={setup.look.exposeBy}
        onChoose={(by) => change(...leading(by, look))}
        choices={[
          { value: 'face', label: texts.face },
          { value: 'background', label: texts.background2 },
          { value: 'highlight', label: texts.highlight },
        ]}
      />
      {setup.look.exposeBy === 'highlight' && <Headroom />}
      <HoldBackControl
        value={within(holdBack, HOLD_BACK_RANGE)}
        way={lookWay}
        onDraft={(value) => draft(...byFace(value))}
        onChange={(value) => change(...byFace(value))}
      />
      {holdBack < HOLD_BACK_RANGE.least && (
        <Txt tone="danger">
          The ambient on the face lies {formatStopCount(holdBack)} stops {holdBack < 0 ? 'over' : 'under'} its place:
          there is no room for flash.
        </Txt>
      )}
      <OwnWay />
      {background !== undefined &&
        (look.backgroundStops === null ? (
          <Txt tone="quiet">{background.name} lands once face and background are metered and a camera is chosen.</Txt>
        ) : (
          <BackgroundControl
            name={background.name}
            value={look.backgroundStops}
            faceText={faceText}
            onDraft={(value) => draft(...byBackground(value))}
            onChange={(value) => change(...byBackground(value))}
          />
        ))}
      <Lands />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <StopsDial
          label={texts.faceLands}
          signed
          value={setup.look.faceStops}
          least={LOOK_RANGES.face.least}
          most={LOOK_RANGES.face.most}
          step={0.1}
          onChange={(value) => changeOne('look.faceStops', value)}
          note={setup.look.faceStops === 0 ? texts.asAMeterHasIt : words.stopsBothWays(setup.look.faceStops)}
        />
        <StopsDial
          label={texts.feelAfterTheNumbers}
          signed
          value={setup.look.feelStops}
          least={LOOK_RANGES.feel.least}
          most={LOOK_RANGES.feel.most}
          step={0.1}
          onChange={(value) => changeOne('look.feelStops', value)}
          note={setup.look.feelStops === 0 ? 'none' : texts.theWholePicture(words.stopsBothWays(setup.look.feelStops))}
        />
      </View>
      {look.actual !== null && Math.abs(look.actual.holdBackStops - holdBack) > 0.05 && (
        <Txt size="label" tone="quiet">
          With the dials' own steps it comes to {words.look(look.actual.holdBackStops, lookWay)}.
        </Txt>
      )}
      <View>
        <Disclosure title={texts.somethingLooksWrong} summary={texts.backgroundDarkFaceFlatDress}>
          <Symptoms />
        </Disclosure>
        <Disclosure
          title={texts.compareVersions}
          summary={
            setup.versions.length === 0
              ? texts.setThisLookAndCamera
              : `${setup.versions.map(({ name }) => name).join(', ')} set aside`
          }
        >
          <CompareVersions />
        </Disclosure>
      </View>
      {setup.look.feelStops !== 0 && (
        <Txt size="label" tone="quiet">
          Feel {formatStops(setup.look.feelStops)} is carried along in all figures.
        </Txt>
      )}
    </View>
  );
}
