import { View } from 'react-native';
import { formatShare, formatStopCount, formatStops } from '@sphene/core/photometry';

import { WaysOut } from '@/features/balance/WaysOut';
import { useSetupView } from '@/features/balance/setupContext';
import { newId } from '@/store/ids';
import { ChoiceList } from '@/ui/ChoiceList';
import { DistanceDial } from '@/ui/dials';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';

/** Where a fresh light stands: a little over an arm's length, where soft boxes are usual. */
const USUAL_DISTANCE_M = 1.5;

/** The power in the unit's own scale and what the meter then shows. */
function Power() {
  const { solution } = useSetupView();
  const palette = usePalette();
  const light = solution.lights[0];
  if (light === undefined) return null;
  if (light.powerText === null || light.meter === null)
    return <Txt tone="danger">{solution.warnings.find(({ kind }) => kind === 'no-flash-can-help')?.text ?? ''}</Txt>;
  const rows: [string, string][] = [
    ['Meter should read', `${light.meter.totalText} total, ${light.meter.flashText} flash only`],
    ['Flash share', formatShare(light.flashShare)],
    ['Total on the face', `${formatStops(light.totalStops)} stops`],
    [light.basis === 'geometry' ? 'Not tested yet' : 'From your reading', `± ${formatStopCount(light.uncertaintyStops)} stops: ${light.meter.rangeText}`],
    ['Left to full power', `${formatStopCount(light.headroomStops ?? 0)} stops`],
    ['Softness', light.softnessDeg < 1 ? 'hard, a point' : `${Math.round(light.softnessDeg)}° across`],
  ];
  return (
    <View style={{ gap: 6, borderLeftWidth: 3, borderLeftColor: light.outOfRange === null ? palette.flash : palette.danger, paddingLeft: 12 }}>
      <Txt size="label" tone="quiet">{light.unitName}, {light.modifierName}</Txt>
      <Txt size="figure" bold tone="flash">{light.powerText}</Txt>
      {light.outOfRange !== null && <Txt tone="danger" bold>{formatStopCount(light.outOfRange.byStops)} stops {light.outOfRange.direction}; {light.outOfRange.limitText} is the limit.</Txt>}
      {rows.map(([label, value]) => (
        <View key={label} style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 12 }}>
          <Txt tone="quiet">{label}</Txt>
          <Txt style={{ textAlign: 'right', flexShrink: 1 }}>{value}</Txt>
        </View>
      ))}
    </View>
  );
}

/** One flash: the unit, what is in front of it, how far away. */
export function FlashStep() {
  const { setup, kit, solution, change, changeOne } = useSetupView();
  const light = setup.lights[0];
  const chooseUnit = (unitId: string) => light === undefined
    ? change({ path: 'lights', value: [{ id: newId(), role: 'key', unitId, modifierId: kit.modifiers[0]?.id ?? null, distanceM: USUAL_DISTANCE_M, dialledStops: null }] })
    : change({ path: 'lights.0.unitId', value: unitId }, { path: 'lights.0.dialledStops', value: null });
  return (
    <View style={{ gap: 16 }}>
      <Power />
      <WaysOut cures="power" />
      {solution.warnings.filter(({ kind }) => kind === 'high-speed-sync-missing').map(({ kind, text }) => <Txt key={kind} tone="danger">{text}</Txt>)}
      <ChoiceList label="Flash" value={light?.unitId} onChoose={chooseUnit} choices={kit.flashUnits.map(({ id, name }) => ({ value: id, label: name }))} />
      {kit.flashUnits.length === 0 && <Txt>There is no flash in the kit. Import a setup that brings one, or open the sample shoot.</Txt>}
      {light !== undefined && (
        <>
          <DistanceDial label="Distance to the face" value={light.distanceM} unit={kit.preferences.distanceUnit} onChange={(distanceM) => changeOne('lights.0.distanceM', distanceM)} note="from the front of the modifier" />
          <ChoiceList label="Modifier" value={light.modifierId ?? 'bare'} onChoose={(id) => changeOne('lights.0.modifierId', id === 'bare' ? null : id)}
            choices={[{ value: 'bare', label: 'Standard reflector' }, ...kit.modifiers.map(({ id, name }) => ({ value: id, label: name }))]} />
          <View style={{ gap: 4 }}>
            <Heading>Mind</Heading>
            {solution.cautions.map((caution) => <Txt key={caution} size="label" tone="quiet">{caution}</Txt>)}
          </View>
        </>
      )}
    </View>
  );
}
