import { texts } from './texts';
import { useChange, useKit } from '@/setupView/setupContext';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { ToggleList } from '@/ui/ToggleList';
import { NumberDial } from '@/ui/dials';
import { View } from 'react-native';

import { offered } from '@sphene/core/gear';
import { type Light, lightPath, RADIO_GROUPS } from '@sphene/core/setup';

const NONE = 'none';
const MOST_CHANNELS = 32;

interface GearProps {
  light: Light;
  index: number;
}

/** Chips for one thing of the kit that may be left out. */
const orNone = (none: string, things: readonly { id: string; name: string; lossStops?: number }[]) => [
  { value: NONE, label: none },
  ...things.map(({ id, name, lossStops }) => ({
    value: id,
    label: name,
    ...(lossStops === undefined ? null : { note: `−${lossStops.toFixed(1)}` }),
  })),
];

/** Unit, and on a pack the outlet that the head hangs on. */
function UnitChoice({ light, index }: GearProps) {
  const kit = useKit();
  const { change, changeOne } = useChange();
  const outlets = kit.flashUnits.find(({ id }) => id === light.unitId)?.outlets ?? [];
  return (
    <>
      <ChoiceList
        label={texts.flash}
        value={light.unitId}
        onChoose={(unitId) =>
          change(
            { path: lightPath(index, 'unitId'), value: unitId },
            { path: lightPath(index, 'outlet'), value: null },
            { path: lightPath(index, 'zoomMm'), value: null },
            { path: lightPath(index, 'dialledStops'), value: null },
          )
        }
        choices={offered(kit.flashUnits, light.unitId).map(({ id, name }) => ({ value: id, label: name }))}
      />
      {outlets.length > 0 && (
        <ChoiceList
          label={texts.outlet}
          layout="row"
          value={light.outlet === null ? NONE : String(light.outlet)}
          onChoose={(value) => changeOne(lightPath(index, 'outlet'), value === NONE ? null : Number(value))}
          choices={[
            { value: NONE, label: texts.all },
            ...outlets.map(({ name, share }, at) => ({
              value: String(at),
              label: name,
              note: `${Math.round(share * 100)} %`,
            })),
          ]}
        />
      )}
    </>
  );
}

/** What stands before the head, and how a bare zoom head is set. */
function FrontChoice({ light, index }: GearProps) {
  const kit = useKit();
  const { changeOne } = useChange();
  const unit = kit.flashUnits.find(({ id }) => id === light.unitId);
  const zoomMm = unit?.output.by === 'guideNumber' ? unit.output.zoomMm : null;
  return (
    <>
      <ChoiceList
        label={texts.modifier}
        value={light.modifierId ?? NONE}
        onChoose={(id) => changeOne(lightPath(index, 'modifierId'), id === NONE ? null : id)}
        choices={orNone(
          texts.standardReflector,
          offered(kit.modifiers, light.modifierId).map(({ id, name }) => ({ id, name })),
        )}
      />
      {zoomMm !== null && light.modifierId === null && (
        <NumberDial
          label={texts.zoomOfTheHead}
          unit="mm"
          value={light.zoomMm ?? zoomMm}
          least={14}
          most={200}
          step={5}
          decimals={0}
          onChange={(mm) => changeOne(lightPath(index, 'zoomMm'), mm)}
          note={light.zoomMm === null ? texts.asTheGuideNumberIs : texts.narrowerGainsLight}
        />
      )}
    </>
  );
}

/** Grid, gels, stand and radio: rarely touched, so folded away. */
function FoldedGear({ light, index }: GearProps) {
  const kit = useKit();
  const { changeOne } = useChange();
  const extras = [
    kit.grids.find(({ id }) => id === light.gridId)?.name,
    ...kit.gels.filter(({ id }) => light.gelIds.includes(id)).map(({ name }) => name),
    texts.radio(light.group, light.channel),
  ].filter((name) => name !== undefined);
  return (
    <Disclosure title={texts.gridGelsStandRadio} summary={extras.join(', ')}>
      <ChoiceList
        label={texts.grid}
        value={light.gridId ?? NONE}
        onChoose={(id) => changeOne(lightPath(index, 'gridId'), id === NONE ? null : id)}
        choices={orNone(texts.noGrid, offered(kit.grids, light.gridId))}
      />
      <ToggleList
        label={texts.gels}
        values={light.gelIds}
        onChange={(ids) => changeOne(lightPath(index, 'gelIds'), ids.slice(-4))}
        choices={offered(kit.gels, ...light.gelIds).map(({ id, name, lossStops }) => ({
          value: id,
          label: name,
          note: `−${lossStops.toFixed(1)}`,
        }))}
      />
      <ChoiceList
        label={texts.stand}
        value={light.standId ?? NONE}
        onChoose={(id) => changeOne(lightPath(index, 'standId'), id === NONE ? null : id)}
        choices={orNone(
          texts.notSaid,
          offered(kit.stands, light.standId).map(({ id, name }) => ({ id, name })),
        )}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <ChoiceList
          label={texts.radioGroup}
          layout="row"
          value={light.group}
          onChoose={(group) => changeOne(lightPath(index, 'group'), group)}
          choices={RADIO_GROUPS.map((letter) => ({ value: letter, label: letter }))}
        />
        <NumberDial
          label={texts.radioChannel}
          unit=""
          value={light.channel}
          least={1}
          most={MOST_CHANNELS}
          step={1}
          decimals={0}
          onChange={(channel) => changeOne(lightPath(index, 'channel'), channel)}
        />
      </View>
    </Disclosure>
  );
}

/** What a light is made of: unit, modifier, and folded away grid, gels, stand, radio. */
export function LightGear(gear: GearProps) {
  return (
    <>
      <UnitChoice {...gear} />
      <FrontChoice {...gear} />
      <FoldedGear {...gear} />
    </>
  );
}
