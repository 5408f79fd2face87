import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { KnownMark } from '@/ui/KnownMark';
import PathIcon from '@/ui/PathIcon';
import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { LightSolution } from '@sphene/core/lights';
import { formatStopCount } from '@sphene/core/notation';
import type { Light } from '@sphene/core/setup';
import { LightGear } from './LightGear';
import { LightPlace } from './LightPlace';
import { PowerFigures } from './PowerFigures';

/** What a folded light shows: group, what it is, its power and how sure that is. */
function Summary({
  light,
  solved,
  said,
  open,
  onPress,
}: {
  light: Light;
  solved: LightSolution | undefined;
  said: string;
  open: boolean;
  onPress: () => void;
}) {
  const kit = useKit();
  const palette = usePalette();
  const unit = kit.flashUnits.find(({ id }) => id === light.unitId);
  const out = solved?.outOfRange ?? null;
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={`${words.light(light)}, ${said}`}
      onPress={onPress}
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
          borderLeftColor: out === null ? palette.flash : palette.danger,
        }}
      >
        <Txt size="value" bold>
          {light.group}
        </Txt>
      </View>
      <View style={{ flex: 1 }}>
        <Txt bold>{words.lightRole(light.role).name}</Txt>
        <Txt size="label" tone="quiet" numberOfLines={1}>
          {unit?.name ?? texts.notInTheKit}
          {solved === undefined ? '' : texts.afterAt(solved.aimName.toLowerCase())}
        </Txt>
      </View>
      <View style={{ alignItems: 'flex-end' }}>
        <Txt size="value" bold tone="flash">
          {said}
        </Txt>
        {solved !== undefined && (
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
            {out === null && <KnownMark known={solved.known} />}
            <Txt size="label" tone={out === null ? 'quiet' : 'danger'}>
              {out === null ? sayDoubt(solved, light.locked) : texts.outOfRange[out.direction]}
            </Txt>
          </View>
        )}
      </View>
      <PathIcon name={open ? 'chevron-up' : 'chevron-down'} color={palette.quiet} />
    </Pressable>
  );
}

const sayDoubt = ({ uncertaintyStops, known }: LightSolution, locked: boolean): string =>
  `± ${formatStopCount(uncertaintyStops)}${known === 'assumed' ? texts.afterAssumed : ''}${locked ? texts.afterHeld : ''}`;

/** Moves a light up in the list, or takes it out. */
function ListActions({ light, index, alone }: { light: Light; index: number; alone: boolean }) {
  const { lights } = useSetup().setup;
  const { changeOne } = useChange();
  const name = words.light(light);
  const others = lights.filter(({ id }) => id !== light.id);
  return (
    <View style={{ flexDirection: 'row', justifyContent: 'flex-end', alignItems: 'center' }}>
      {!alone && index > 0 && (
        <IconButton
          icon="chevron-up"
          name={texts.moveUp(name)}
          onPress={() => changeOne('lights', [...others.slice(0, index - 1), light, ...others.slice(index - 1)])}
        />
      )}
      <ActionButton
        label={texts.remove}
        name={texts.removeIt(name)}
        icon="trash-can-outline"
        kind="plain"
        onPress={() => changeOne('lights', others)}
      />
    </View>
  );
}

/** One light: folded, its power and what it does; open, its figures, gear and place. */
export function LightCard({ light, index, alone }: { light: Light; index: number; alone: boolean }) {
  const { lights } = useNumbers();
  const palette = usePalette();
  const [opened, setOpened] = useState(false);
  const open = alone || opened;
  const solved = lights.find(({ lightId }) => lightId === light.id);
  const said = solved === undefined ? texts.noPowerYet : (solved.powerText ?? texts.noFlashCanHelp);
  return (
    <View
      role="group"
      aria-label={words.light(light)}
      style={{ gap: 12, borderTopWidth: alone ? 0 : 1, borderTopColor: palette.line, paddingTop: alone ? 0 : 4 }}
    >
      {!alone && <Summary light={light} solved={solved} said={said} open={open} onPress={() => setOpened(!opened)} />}
      {open && (
        <View style={{ gap: 12 }}>
          {solved !== undefined && <PowerFigures light={solved} />}
          <LightGear light={light} index={index} />
          <LightPlace light={light} index={index} />
          <ListActions light={light} index={index} alone={alone} />
        </View>
      )}
    </View>
  );
}
