import { texts } from './texts';
import { words } from '@/language/words';
import { selectKit } from '@/setupView/selectSolution';
import { momentAt } from '@/shell/localDay';
import { selectChanges, selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useRouter } from 'expo-router';
import { View } from 'react-native';

import { setupAsAt } from '@sphene/core/explain';
import { frameNumber } from '@sphene/core/plan';
import { frameLit } from '@sphene/core/sheets';
import { type PlacedFrame, useRolls } from './useRolls';

function Lit({ frame, timeZone }: { frame: PlacedFrame; timeZone: string }) {
  const palette = usePalette();
  const router = useRouter();
  const setup = useAppSelector((state) => selectDocument(state, 'setup', frame.setupId ?? ''));
  const kit = useAppSelector((state) => selectKit(state, frame.setupId ?? ''));
  const changes = useAppSelector((state) => selectChanges(state, frame.setupId ?? ''));
  const when = momentAt(frame.atMs, timeZone);
  if (setup === undefined) return <Txt role="status">{texts.frameNowhere(frame.name, when)}</Txt>;
  const { settings, lights } = frameLit(setupAsAt(setup, changes, frame.atMs), kit, words);
  return (
    <View role="status" style={{ backgroundColor: palette.raised, padding: 12, gap: 4 }}>
      <Txt bold>{texts.frameAt(frame.name, when, setup.title)}</Txt>
      <Txt>{settings ?? texts.notDialled}</Txt>
      {lights.map((line) => (
        <Txt key={line}>{line}</Txt>
      ))}
      <View style={{ alignItems: 'flex-start' }}>
        <ActionButton
          kind="plain"
          icon="chevron-right"
          label={texts.open}
          name={texts.openSetup(setup.title)}
          onPress={() => router.navigate({ pathname: '/setup/[id]', params: { id: setup.id } })}
        />
      </View>
    </View>
  );
}

/** How a frame was lit, by its number: the setup as it stood at that second. Nothing where no roll has such a frame. */
export function FrameAnswer({ shootId, asked }: { shootId: string; asked: string }) {
  const rolls = useRolls(shootId);
  const timeZone = useAppSelector((state) => selectDocument(state, 'shoot', shootId)?.timeZone ?? 'UTC');
  const number = /^\D*\d{2,}\D*$/.test(asked.trim()) ? frameNumber(asked) : null;
  if (number === null) return null;
  const found = rolls.flatMap(({ frames }) => frames.filter(({ name }) => frameNumber(name) === number));
  return found
    .slice(0, 4)
    .map((frame) => <Lit key={`${frame.name} ${frame.atMs}`} frame={frame} timeZone={timeZone} />);
}
