import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import PathIcon from '@/ui/PathIcon';
import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { formatStopCount } from '@sphene/core/notation';
import type { Light } from '@sphene/core/setup';
import { LightGear } from './LightGear';
import { LightPlace } from './LightPlace';
import { PowerFigures } from './PowerFigures';

/** One light: folded, its power and what it does; open, its figures, gear and place. */
// eslint-disable-next-line complexity, max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function LightCard({ light, index, alone }: { light: Light; index: number; alone: boolean }) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const palette = usePalette();
  const [opened, setOpened] = useState(false);
  const open = alone || opened;
  const its = numbers.lights.find(({ lightId }) => lightId === light.id);
  const unit = kit.flashUnits.find(({ id }) => id === light.unitId);
  const name = words.light(light);
  const said = its === undefined ? texts.noPowerYet : (its.powerText ?? texts.noFlashCanHelp);
  const move = (by: number) => {
    const list = [...setup.lights];
    const [one] = list.splice(index, 1);
    if (one !== undefined) list.splice(index + by, 0, one);
    changeOne('lights', list);
  };
  return (
    <View
      role="group"
      aria-label={name}
      style={{ gap: 12, borderTopWidth: alone ? 0 : 1, borderTopColor: palette.line, paddingTop: alone ? 0 : 4 }}
    >
      {!alone && (
        <Pressable
          role="button"
          aria-expanded={open}
          aria-label={`${name}, ${said}`}
          onPress={() => setOpened(!opened)}
          style={{ flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: TOUCH + 8 }}
        >
          <View
            style={{
              width: 36,
              height: 36,
              alignItems: 'center',
              justifyContent: 'center',
              backgroundColor: palette.raised,
              borderLeftWidth: 3,
              borderLeftColor: its?.outOfRange ? palette.danger : palette.flash,
            }}
          >
            <Txt size="value" bold>
              {light.group}
            </Txt>
          </View>
          <View style={{ flex: 1 }}>
            <Txt bold>{name.slice(0, -2)}</Txt>
            <Txt size="label" tone="quiet" numberOfLines={1}>
              {unit?.name ?? texts.notInTheKit}
              {its === undefined ? '' : texts.atThe2(its.aimName.toLowerCase())}
            </Txt>
          </View>
          <View style={{ alignItems: 'flex-end' }}>
            <Txt size="value" bold tone="flash">
              {said}
            </Txt>
            {its !== undefined && (
              <Txt size="label" tone={its.outOfRange === null ? 'quiet' : 'danger'}>
                {its.outOfRange === null
                  ? `± ${formatStopCount(its.uncertaintyStops)}${light.locked ? ', held' : ''}`
                  : its.outOfRange.direction}
              </Txt>
            )}
          </View>
          <PathIcon name={open ? 'chevron-up' : 'chevron-down'} color={palette.quiet} />
        </Pressable>
      )}
      {open && (
        <View style={{ gap: 12 }}>
          {its !== undefined && <PowerFigures light={its} />}
          <LightGear light={light} index={index} />
          <LightPlace light={light} index={index} />
          <View style={{ flexDirection: 'row', justifyContent: 'flex-end', alignItems: 'center' }}>
            {!alone && index > 0 && <IconButton icon="chevron-up" name={texts.moveUp(name)} onPress={() => move(-1)} />}
            <ActionButton
              label={texts.remove}
              name={texts.remove2(name)}
              icon="trash-can-outline"
              kind="plain"
              onPress={() =>
                changeOne(
                  'lights',
                  setup.lights.filter(({ id }) => id !== light.id),
                )
              }
            />
          </View>
        </View>
      )}
    </View>
  );
}
