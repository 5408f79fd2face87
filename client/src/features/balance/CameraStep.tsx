import { View } from 'react-native';
import { limitsInForce } from '@sphene/core/balance';

import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { ApertureDial, IsoDial, ShutterDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { WaysOut } from './WaysOut';
import { useSetupView } from './setupContext';

function Figure({ label, text }: { label: string; text: string }) {
  return (
    <View>
      <Txt size="label" tone="quiet">{label}</Txt>
      <Txt size="figure" bold>{text}</Txt>
    </View>
  );
}

/** What the camera is set to and why. */
function Settings() {
  const { solution: { camera } } = useSetupView();
  const palette = usePalette();
  if (camera === null) return <Txt>Meter the face and choose a camera: then shutter, aperture and ISO stand here.</Txt>;
  return (
    <View style={{ gap: 4, borderLeftWidth: 3, borderLeftColor: camera.met ? palette.accent : palette.danger, paddingLeft: 12 }}>
      <View role="group" aria-label={`Camera settings ${camera.text.shutter}, ${camera.text.aperture}, ${camera.text.iso}`} style={{ flexDirection: 'row', gap: 20, flexWrap: 'wrap' }}>
        <Figure label="Shutter" text={camera.text.shutter} />
        <Figure label="Aperture" text={camera.text.aperture} />
        <Figure label="ISO" text={camera.text.iso.replace('ISO ', '')} />
      </View>
      {camera.text.filters !== null && <Txt bold>{camera.text.filters}</Txt>}
      <Txt tone={camera.met ? 'quiet' : 'danger'}>{camera.reason}</Txt>
    </View>
  );
}

/** The camera of the kit with the limits that hold here, and the settings that follow. */
export function CameraStep() {
  const { setup, kit, solution, cameraBody, changeOne } = useSetupView();
  const { limits, filterIds, highSpeedSync, wantedAv } = setup.camera;
  const increment = cameraBody?.increment ?? 'third';
  const inForce = cameraBody && limitsInForce(cameraBody, setup.camera);
  const from = (key: keyof typeof limits) => (limits[key] === null ? { note: 'from the kit' } : { note: 'set here', onReset: () => changeOne(`camera.limits.${key}`, null) });
  return (
    <View style={{ gap: 16 }}>
      <Settings />
      <WaysOut cures="camera" />
      {solution.warnings.filter(({ kind }) => kind === 'slowest-over-sync').map(({ kind, text }) => <Txt key={kind} tone="danger">{text}</Txt>)}
      <ChoiceList label="Camera" value={setup.camera.cameraId ?? undefined} onChoose={(id) => changeOne('camera.cameraId', id)} choices={kit.cameras.map(({ id, name }) => ({ value: id, label: name }))} />
      {kit.cameras.length === 0 && <Txt>There is no camera in the kit. Import a setup that brings one, or open the sample shoot.</Txt>}
      {cameraBody && inForce && (
        <>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
            <ApertureDial label="Wanted aperture" value={wantedAv} increment={increment} least={cameraBody.widestAv} most={cameraBody.smallestAv} onChange={(av) => changeOne('camera.wantedAv', av)} />
            <ShutterDial label="Slowest sharp shutter" value={inForce.slowestTv} increment={increment} onChange={(tv) => changeOne('camera.limits.slowestTv', tv)} {...from('slowestTv')} />
            <ShutterDial label="Sync" value={inForce.syncTv} increment={increment} onChange={(tv) => changeOne('camera.limits.syncTv', tv)} {...from('syncTv')} />
            <IsoDial label="Lowest ISO" value={inForce.baseSv} increment={increment} onChange={(sv) => changeOne('camera.limits.baseSv', sv)} {...from('baseSv')} />
            <IsoDial label="Highest ISO" value={inForce.highestSv} increment={increment} onChange={(sv) => changeOne('camera.limits.highestSv', sv)} {...from('highestSv')} />
          </View>
          <ChoiceList label="Filter on the lens" value={filterIds.length > 1 ? filterIds.join() : (filterIds[0] ?? 'none')} onChoose={(id) => changeOne('camera.filterIds', id === 'none' ? [] : id.split(','))}
            choices={[{ value: 'none', label: 'No filter' }, ...kit.filters.map(({ id, name }) => ({ value: id, label: name })), ...(filterIds.length > 1 ? [{ value: filterIds.join(), label: solution.camera?.text.filters ?? 'Stack' }] : [])]} />
          <ChoiceList label="Shutter past sync" value={highSpeedSync ? 'on' : 'off'} onChoose={(choice) => changeOne('camera.highSpeedSync', choice === 'on')}
            choices={[{ value: 'off', label: 'Stay at sync' }, { value: 'on', label: 'High-speed sync' }]} />
        </>
      )}
    </View>
  );
}
