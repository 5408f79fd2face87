import { texts } from '../texts';
import { useNumbers, useSetup } from '@/setupView/setupContext';
import { useDevices } from '@/setupView/useDevices';
import { useActions } from '@/store/application';
import { selectFrames } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Heading, Txt } from '@/ui/Txt';
import { ApertureDial, IsoDial, ShutterDial } from '@/ui/dials';
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
      <Txt>{opened.name} does not tell its exposure. Set what the camera was at.</Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <ApertureDial
          label={texts.frameAperture}
          value={settings.av}
          increment="third"
          onChange={(av) => setSettings({ ...settings, av })}
        />
        <ShutterDial
          label={texts.frameShutter}
          value={settings.tv}
          increment="third"
          onChange={(tv) => setSettings({ ...settings, tv })}
        />
        <IsoDial
          label={texts.frameIso}
          value={settings.sv}
          increment="third"
          onChange={(sv) => setSettings({ ...settings, sv })}
        />
      </View>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <ActionButton label={texts.keepTheFrame} kind="primary" grow onPress={() => onDone(settings)} />
        <ActionButton label={texts.leaveIt} onPress={onLeave} />
      </View>
    </View>
  );
}

/** Test frames of the photographer's own: imported, kept small, and metered by tapping a place. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function TestFrames() {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const palette = usePalette();
  const wide = useWide();
  const actions = useActions();
  const frames = useAppSelector((state) => selectFrames(state, setup.id)).filter(({ struckAt }) => struckAt === null);
  const [progress, setProgress] = useState<FrameProgress | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [asking, setAsking] = useState<FrameFacts | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const turn = useRef(0);
  const devices = useDevices();
  const cameras = useAppSelector((state) => state.devices.list).filter(({ kind, mine }) => kind === 'camera' && mine);

  const keep = (opened: FrameFacts) => {
    setAsking(null);
    setChosen(actions.addFrame(setup.id, opened));
  };
  const open = async (file: File) => {
    const mine = (turn.current += 1);
    setProblem(null);
    setAsking(null);
    setProgress('Reading the settings');
    const result = await openFrame(file, file.name, numbers.camera ?? setup.meter, (now) => {
      if (turn.current === mine) setProgress(now);
    });
    if (turn.current !== mine) return;
    setProgress(null);
    if (!result.ok) setProblem(REASONS[result.reason]);
    else if (result.told) keep(result.facts);
    else setAsking(result.facts);
  };
  const {
    getRootProps,
    getInputProps,
    open: pick,
    isDragActive,
  } = useDropzone({
    accept: { 'image/jpeg': ['.jpg', '.jpeg'] },
    multiple: false,
    noClick: true,
    noKeyboard: true,
    onDrop: ([file], rejected) => {
      if (file !== undefined) void open(file);
      else if (rejected.length > 0) setProblem(texts.testFramesAreJpegPictures);
    },
  });
  const stop = () => {
    turn.current += 1;
    stopFrames();
    setProgress(null);
  };
  const shown = frames.find(({ id }) => id === chosen) ?? frames.at(-1);
  return (
    <div
      {...getRootProps({ role: 'group', 'aria-label': texts.testFrames })}
      style={{
        display: 'flex',
        flexDirection: 'column',
        gap: 8,
        paddingTop: 8,
        outline: isDragActive ? `2px dashed ${palette.accent}` : 'none',
      }}
    >
      <input {...getInputProps({ 'aria-label': texts.testFrameFile })} />
      <Heading size="value">{texts.testFrames}</Heading>
      <Txt tone="quiet">
        {wide ? texts.dropAJpegHereOr : texts.chooseAJpeg} and tap a place in it: its tone becomes a reading. A small
        copy is kept with the setup; the original stays on this device.
      </Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 }}>
        <ActionButton
          label={texts.importATestFrame}
          icon="image-plus-outline"
          onPress={pick}
          disabled={progress !== null}
        />
        {cameras.map(({ id, name }) => (
          <ActionButton key={id} label={texts.release(name.toLowerCase())} onPress={() => void devices.release(id)} />
        ))}
        {progress !== null && <Txt role="status">{progress} …</Txt>}
        {progress !== null && <ActionButton label={texts.stop} onPress={stop} />}
      </View>
      {problem !== null && (
        <Txt tone="danger" role="alert">
          {problem}
        </Txt>
      )}
      {asking !== null && (
        <AskSettings
          opened={asking}
          onDone={(settings) => keep({ ...asking, ...settings })}
          onLeave={() => setAsking(null)}
        />
      )}
      {frames.length > 1 && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {frames.map(({ id, name }) => (
            <ActionButton
              key={id}
              label={name}
              kind={id === shown?.id ? 'secondary' : 'plain'}
              name={texts.show(name)}
              onPress={() => setChosen(id)}
            />
          ))}
        </View>
      )}
      {shown !== undefined && <FrameView key={shown.id} frame={shown} />}
    </div>
  );
}
