import { texts } from '../texts';
import { useNumbers, useSetup } from '@/setupView/setupContext';
import { useDevices } from '@/setupView/useDevices';
import { useActions } from '@/store/application';
import { selectFrames } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ExposureDials } from '@/ui/ExposureDials';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useWide } from '@/ui/useWide';
import { type FrameProgress, stopFrames } from '@/workers/frameWorker';
import { type FrameFacts, openFrame } from '@/workers/openFrame';
import { useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { View } from 'react-native';

import type { ExposureSettings } from '@sphene/core/photometry';
import { FrameView } from './FrameView';

const REASONS = {
  'too large': texts.thisFileIsOver120,
  'no picture': texts.thisFileIsNotA,
} as const;

/** Asks for the settings of a picture that does not tell them. */
function AskSettings({
  opened,
  onDone,
  onLeave,
}: {
  opened: FrameFacts;
  onDone: (settings: ExposureSettings) => void;
  onLeave: () => void;
}) {
  const [settings, setSettings] = useState<ExposureSettings>({ av: opened.av, tv: opened.tv, sv: opened.sv });
  return (
    <View role="group" aria-label={texts.settingsOfTheFrame} style={{ gap: 8 }}>
      <Txt>{texts.doesNotTell(opened.name)}</Txt>
      <ExposureDials names={texts.frameDials} value={settings} onChange={setSettings} />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <ActionButton label={texts.keepTheFrame} kind="primary" grow onPress={() => onDone(settings)} />
        <ActionButton label={texts.leaveIt} onPress={onLeave} />
      </View>
    </View>
  );
}

/** Opens pictures: one at a time, with what is being done, and what is wrong with one. */
function useImport(onOpened: (facts: FrameFacts) => void) {
  const { setup } = useSetup();
  const { camera } = useNumbers();
  const [progress, setProgress] = useState<FrameProgress | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** a picture that does not tell its settings */
  const [asking, setAsking] = useState<FrameFacts | null>(null);
  const turn = useRef(0);
  const open = async (file: File) => {
    const mine = (turn.current += 1);
    setProblem(null);
    setAsking(null);
    setProgress('settings');
    const result = await openFrame(file, file.name, camera ?? setup.meter, (now) => {
      if (turn.current === mine) setProgress(now);
    });
    if (turn.current !== mine) return;
    setProgress(null);
    if (!result.ok) setProblem(REASONS[result.reason]);
    else if (result.told) onOpened(result.facts);
    else setAsking(result.facts);
  };
  return {
    progress,
    problem,
    asking,
    leave: () => setAsking(null),
    refuse: () => setProblem(texts.testFramesAreJpegPictures),
    open,
    stop: () => {
      turn.current += 1;
      stopFrames();
      setProgress(null);
    },
  };
}

/** The way to a picture: from a file, or released from a camera that is connected. */
function ImportButtons({
  progress,
  onPick,
  onStop,
}: {
  progress: FrameProgress | null;
  onPick: () => void;
  onStop: () => void;
}) {
  const devices = useDevices();
  const cameras = useAppSelector((state) => state.devices.list).filter(({ kind, mine }) => kind === 'camera' && mine);
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 }}>
      <ActionButton
        label={texts.importATestFrame}
        icon="image-plus-outline"
        onPress={onPick}
        disabled={progress !== null}
      />
      {cameras.map(({ id, name }) => (
        <ActionButton key={id} label={texts.release(name.toLowerCase())} onPress={() => void devices.release(id)} />
      ))}
      {progress !== null && <Txt role="status">{texts.opening[progress]} …</Txt>}
      {progress !== null && <ActionButton label={texts.stop} onPress={onStop} />}
    </View>
  );
}

/** The frames of the setup, one of them opened. */
function Frames({ chosen, onChoose }: { chosen: string | null; onChoose: (id: string) => void }) {
  const { setup } = useSetup();
  const frames = useAppSelector((state) => selectFrames(state, setup.id)).filter(({ struckAt }) => struckAt === null);
  const shown = frames.find(({ id }) => id === chosen) ?? frames.at(-1);
  return (
    <>
      {frames.length > 1 && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {frames.map(({ id, name }) => (
            <ActionButton
              key={id}
              label={name}
              kind={id === shown?.id ? 'secondary' : 'plain'}
              name={texts.show(name)}
              onPress={() => onChoose(id)}
            />
          ))}
        </View>
      )}
      {shown !== undefined && <FrameView key={shown.id} frame={shown} />}
    </>
  );
}

/** Test frames of the photographer's own: imported, kept small, and metered by tapping a place. */
export function TestFrames() {
  const { setup } = useSetup();
  const palette = usePalette();
  const wide = useWide();
  const actions = useActions();
  const [chosen, setChosen] = useState<string | null>(null);
  const keep = (facts: FrameFacts) => setChosen(actions.addFrame(setup.id, facts));
  const { progress, problem, asking, ...importing } = useImport(keep);
  const dropping = useDropzone({
    accept: { 'image/jpeg': ['.jpg', '.jpeg'] },
    multiple: false,
    noClick: true,
    noKeyboard: true,
    onDrop: ([file], rejected) => {
      if (file !== undefined) void importing.open(file);
      else if (rejected.length > 0) importing.refuse();
    },
  });
  const keepWith = (facts: FrameFacts, settings: ExposureSettings) => {
    importing.leave();
    keep({ ...facts, ...settings });
  };
  return (
    <div
      {...dropping.getRootProps({ role: 'group', 'aria-label': texts.testFrames })}
      style={{
        display: 'flex',
        flexDirection: 'column',
        gap: 8,
        paddingTop: 8,
        outline: dropping.isDragActive ? `2px dashed ${palette.accent}` : 'none',
      }}
    >
      <input {...dropping.getInputProps({ 'aria-label': texts.testFrameFile })} />
      <Heading size="value">{texts.testFrames}</Heading>
      <Txt tone="quiet">{wide ? texts.dropAJpeg : texts.chooseAJpeg}</Txt>
      <ImportButtons progress={progress} onPick={dropping.open} onStop={importing.stop} />
      {problem !== null && (
        <Txt tone="danger" role="alert">
          {problem}
        </Txt>
      )}
      {asking !== null && (
        <AskSettings opened={asking} onDone={(settings) => keepWith(asking, settings)} onLeave={importing.leave} />
      )}
      <Frames chosen={chosen} onChoose={setChosen} />
    </div>
  );
}
