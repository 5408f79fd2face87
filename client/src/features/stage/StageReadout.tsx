import { texts } from './texts';
import { TryAnotherPlace } from '@/features/variants/TryAnotherPlace';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { DistanceDial, HeightDial, NumberDial, SideDial } from '@/ui/dials';
import { View } from 'react-native';

import { formatDistance, formatStopCount, formatStops } from '@sphene/core/notation';
import { type Light, lightPath } from '@sphene/core/setup';
import { placementsFor, type StageLight } from '@sphene/core/stage';

interface Figure {
  label: string;
  value: string;
  note?: string;
}

/** Figures in columns, large enough to be read at arm's length. */
function Figures({ figures }: { figures: readonly Figure[] }) {
  return (
    <View role="list" style={{ flexDirection: 'row', flexWrap: 'wrap', rowGap: 6 }}>
      {figures.map(({ label, value, note }) => (
        <View
          key={label}
          role="listitem"
          aria-label={`${label}: ${value}${note === undefined ? '' : `, ${note}`}`}
          style={{
            width: '33.33%',
            paddingRight: 8,
          }}
        >
          <Txt size="label" tone="quiet" numberOfLines={1}>
            {label}
          </Txt>
          <Txt bold numberOfLines={1}>
            {value}
          </Txt>
          {note !== undefined && (
            <Txt size="label" tone="quiet" numberOfLines={1}>
              {note}
            </Txt>
          )}
        </View>
      ))}
    </View>
  );
}

const degrees = (value: number): string => `${Math.round(Math.abs(value))}°`;

/** Where a light stands against the nose, in short. */
function sayNose(noseDeg: number): string {
  if (Math.abs(noseDeg) < 0.5) return degrees(noseDeg);
  return noseDeg < 0 ? texts.left(degrees(noseDeg)) : texts.right(degrees(noseDeg));
}

/** How soft a light of an apparent size is, in short. */
function saySoftness(softnessDeg: number): string {
  if (softnessDeg < 12) return texts.hard(degrees(softnessDeg));
  return softnessDeg < 30 ? texts.medium(degrees(softnessDeg)) : texts.soft(degrees(softnessDeg));
}

/** Stops as they are read; none where the light does not reach. */
const reaches = (stops: number | null): string => (stops === null ? texts.none : formatStops(stops));

/** What the light that is held does, as it moves: what is wanted most beside the picture, the rest under the stage. */
export function LightReadout({ its, light, most }: { its: StageLight; light: Light; most: boolean }) {
  const kit = useKit();
  const numbers = useNumbers();
  const { distanceUnit: unit, paces } = kit.preferences;
  const told = (m: number) => (paces ? { note: words.paces(Math.abs(m)) } : {});
  const { spreadStops } = numbers.stage;
  return (
    <Figures
      figures={
        most
          ? [
              { label: texts.face, value: reaches(its.faceStops) },
              {
                label: texts.background,
                value: reaches(its.backgroundStops),
              },
              { label: texts.distance, value: formatDistance(light.distanceM, unit), ...told(light.distanceM) },
              {
                label: texts.fromTheNose,
                value: sayNose(its.noseDeg),
              },
              {
                label: texts.softness,
                value: saySoftness(its.softnessDeg),
              },
              { label: texts.beamThere, value: formatDistance(its.beamM, unit) },
            ]
          : [
              {
                label: texts.overTheGround,
                value: formatDistance(Math.max(0, its.overGroundM), unit),
                ...told(its.overGroundM),
              },
              { label: its.riseDeg < 0 ? texts.underTheEyes : texts.overTheEyesLabel, value: degrees(its.riseDeg) },
              { label: texts.halfOfItsLight, value: texts.within(degrees(its.halfBeamDeg)) },
              ...(spreadStops === null || light.role !== 'key'
                ? []
                : [{ label: texts.acrossTheGroup, value: texts.stops(formatStopCount(spreadStops)) }]),
              ...(its.feetStops === null ? [] : [{ label: texts.atTheFeet, value: formatStops(its.feetStops) }]),
              ...(its.cornersStops === null
                ? []
                : [{ label: texts.acrossTheBackground, value: texts.stops(formatStopCount(its.cornersStops)) }]),
            ]
      }
    />
  );
}

/** The same light's numbers to be typed, and starting places in one tap. */
export function LightNumbers({ light, index }: { light: Light; index: number }) {
  const { setup } = useSetup();
  const { stage } = useNumbers();
  const kit = useKit();
  const { change, changeOne } = useChange();
  const unit = kit.preferences.distanceUnit;
  return (
    <>
      <Disclosure title={texts.typeTheNumbers} summary={texts.distanceSideHeightAxis}>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
          <DistanceDial
            label={texts.stageDistance}
            value={light.distanceM}
            unit={unit}
            onChange={(distanceM) => changeOne(lightPath(index, 'distanceM'), distanceM)}
          />
          <SideDial
            label={texts.stageSide}
            value={light.sideDeg}
            onChange={(sideDeg) => changeOne(lightPath(index, 'sideDeg'), sideDeg)}
            note={light.sideDeg < 0 ? texts.leftOfTheCamera : texts.rightOfTheCamera}
          />
          <HeightDial
            label={texts.stageHeight}
            value={light.heightM}
            unit={unit}
            onChange={(heightM) => changeOne(lightPath(index, 'heightM'), heightM)}
            note={texts.overTheAimInText}
          />
          <NumberDial
            label={texts.feathered}
            unit="°"
            value={light.featherDeg}
            least={-80}
            most={80}
            step={5}
            decimals={0}
            onChange={(featherDeg) => changeOne(lightPath(index, 'featherDeg'), featherDeg)}
            note={texts.axisPastTheAim}
          />
        </View>
      </Disclosure>
      <TryAnotherPlace index={index} />
      <Disclosure title={texts.startingPlaces} summary={texts.inOneTapWithThe}>
        {placementsFor(setup, index, stage.openSide?.side ?? null).map((placement) => {
          const { id, settings } = placement;
          const { title, because } = words.placement(placement, { setup, kit });
          return (
            <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
              <View style={{ flex: 1 }}>
                <Txt bold>{title}</Txt>
                <Txt size="label" tone="quiet">
                  {because}
                </Txt>
              </View>
              <ActionButton label={texts.place} name={texts.placeIt(title)} onPress={() => change(...settings)} />
            </View>
          );
        })}
      </Disclosure>
    </>
  );
}
