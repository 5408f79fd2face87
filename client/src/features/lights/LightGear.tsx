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

/** What a light is made of: unit, modifier, and folded away grid, gels, stand, radio. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function LightGear({ light, index }: { light: Light; index: number }) {
  const kit = useKit();
  const { change, changeOne } = useChange();
  const unit = kit.flashUnits.find(({ id }) => id === light.unitId);
  const path = <F extends Parameters<typeof lightPath>[1]>(field: F) => lightPath(index, field);
  const choose = (field: 'modifierId' | 'gridId' | 'standId') => (id: string) =>
    changeOne(path(field), id === NONE ? null : id);
  const zoomMm = unit?.output.by === 'guideNumber' ? unit.output.zoomMm : null;
  const outlets = unit?.outlets ?? [];
  const extras = [
    kit.grids.find(({ id }) => id === light.gridId)?.name,
    ...kit.gels.filter(({ id }) => light.gelIds.includes(id)).map(({ name }) => name),
    texts.radio(light.group, light.channel),
  ].filter((name) => name !== undefined);
  return (
    <>
      <ChoiceList
        label={texts.flash}
        value={light.unitId}
        onChoose={(unitId) =>
          change(
            { path: path('unitId'), value: unitId },
            { path: path('outlet'), value: null },
            { path: path('zoomMm'), value: null },
            { path: path('dialledStops'), value: null },
          )
        }
        choices={offered(kit.flashUnits, light.unitId).map(({ id, name }) => ({ value: id, label: name }))}
      />
      {outlets.length > 0 && (
        <ChoiceList
          label={texts.outlet}
          layout="row"
          value={light.outlet === null ? NONE : String(light.outlet)}
          onChoose={(value) => changeOne(path('outlet'), value === NONE ? null : Number(value))}
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
      <ChoiceList
        label={texts.modifier}
        value={light.modifierId ?? NONE}
        onChoose={choose('modifierId')}
        choices={[
          { value: NONE, label: texts.standardReflector },
          ...offered(kit.modifiers, light.modifierId).map(({ id, name }) => ({ value: id, label: name })),
        ]}
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
          onChange={(mm) => changeOne(path('zoomMm'), mm)}
          note={light.zoomMm === null ? texts.asTheGuideNumberIs : texts.narrowerGainsLight}
        />
      )}
      <Disclosure title={texts.gridGelsStandRadio} summary={extras.join(', ')}>
        <ChoiceList
          label={texts.grid}
          value={light.gridId ?? NONE}
          onChoose={choose('gridId')}
          choices={[
            { value: NONE, label: texts.noGrid },
            ...offered(kit.grids, light.gridId).map(({ id, name, lossStops }) => ({
              value: id,
              label: name,
              note: `−${lossStops.toFixed(1)}`,
            })),
          ]}
        />
        <ToggleList
          label={texts.gels}
          values={light.gelIds}
          onChange={(ids) => changeOne(path('gelIds'), ids.slice(-4))}
          choices={offered(kit.gels, ...light.gelIds).map(({ id, name, lossStops }) => ({
            value: id,
            label: name,
            note: `−${lossStops.toFixed(1)}`,
          }))}
        />
        <ChoiceList
          label={texts.stand}
          value={light.standId ?? NONE}
          onChoose={choose('standId')}
          choices={[
            { value: NONE, label: texts.notSaid },
            ...offered(kit.stands, light.standId).map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
          <ChoiceList
            label={texts.radioGroup}
            layout="row"
            value={light.group}
            onChoose={(group) => changeOne(path('group'), group)}
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
            onChange={(channel) => changeOne(path('channel'), channel)}
          />
        </View>
      </Disclosure>
    </>
  );
}
