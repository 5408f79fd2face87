import { texts } from './texts';
import { PictureCanvas } from '@/features/picture/PictureCanvas';
import { PictureProgress } from '@/features/picture/PictureProgress';
import { useCalm, usePicture } from '@/features/picture/usePicture';
import { LaterSetup } from '@/setupView/LaterSetup';
import { words } from '@/language/words';
import { addLight } from '@/setupView/addLight';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import type { Store } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useWide } from '@/ui/useWide';
import { useRouter } from 'expo-router';
import { memo, useState } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { useStore } from 'react-redux';

import { LIGHT_ROLES } from '@sphene/core/setup';
import { mirroredStage } from '@sphene/core/stage';
import { AddPanel, PanelCard } from './PanelsPart';
import { ScenePart } from './ScenePart';
import { StageCanvas } from './StageCanvas';
import { StageCautions } from './StageCautions';
import { LightNumbers, LightReadout } from './StageReadout';
import type { Face } from './stageView';
import { useMoment, useStage } from './useStage';

const PICTURE_PX = { phone: 132, wide: 190 } as const;
const CANVAS_PX = { phone: 300, wide: 340 } as const;

/** Move a light with a thumb and see what it does to the face, the background and the powers, at once. */
// eslint-disable-next-line complexity, max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function StagePart() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const palette = usePalette();
  const router = useRouter();
  const wide = useWide();
  const { height } = useWindowDimensions();
  const stage = useStage();
  const calm = useCalm();
  // on a phone the stage was opened on purpose; on a wide screen it waits until hands rest, or take hold of something on it
  const picture = usePicture(setup, kit, numbers, !wide || calm || stage.selectedId !== null);
  const [face, setFace] = useState<Face>('plan');
  const selected =
    stage.selectedId ?? (numbers.stage.lights[0] === undefined ? null : `light:${numbers.stage.lights[0].lightId}`);
  const its = numbers.stage.lights.find(({ lightId }) => selected === `light:${lightId}`);
  const light = its === undefined ? undefined : setup.lights[its.index];
  const panel = setup.panels.find(({ id }) => selected === `panel:${id}`);
  const panelDoes = numbers.panels.find(({ id }) => id === panel?.id);
  const thing = stage.things.find(({ id }) => id === selected);
  const picturePx = wide ? PICTURE_PX.wide : PICTURE_PX.phone;
  const pictureWidth = picture.width > picture.height ? Math.round(picturePx * 1.25) : picturePx;
  const canvasPx = wide ? CANVAS_PX.wide : Math.max(240, Math.min(CANVAS_PX.phone, height - 556));
  return (
    <View style={{ gap: 12 }}>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <Pressable
          role="button"
          aria-label={texts.openThePicture}
          onPress={() => router.navigate({ pathname: '/picture/[id]', params: { id: setup.id } })}
        >
          {numbers.camera === null ? (
            <View
              style={{
                width: picturePx,
                height: (picturePx * 4) / 3,
                backgroundColor: palette.raised,
                alignItems: 'center',
                justifyContent: 'center',
                padding: 12,
              }}
            >
              <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
                {texts.meterTheFaceThenThe}
              </Txt>
            </View>
          ) : (
            <PictureCanvas
              setup={setup}
              kit={kit}
              numbers={numbers}
              picture={picture}
              widthPx={pictureWidth}
              name="Picture"
            />
          )}
        </Pressable>
        <View style={{ flex: 1, gap: 4 }}>
          <View
            style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 8 }}
            role="status"
            aria-label={
              its === undefined
                ? (thing?.name ?? texts.nothingHeld)
                : `${words.light(its)}: power ${its.powerText ?? 'none'}`
            }
          >
            <Txt bold>{its === undefined ? (thing?.name ?? texts.nothingHeld) : words.light(its)}</Txt>
            {its !== undefined && (
              <Txt size="value" bold tone="flash">
                {its.powerText ?? 'off'}
              </Txt>
            )}
          </View>
          {its !== undefined && light !== undefined ? (
            <LightReadout most its={its} light={light} />
          ) : (
            <Txt size="label" tone="quiet">
              {thing?.said ?? texts.takeHoldOfSomethingOn}
            </Txt>
          )}
          {panel !== undefined && <Txt size="label">{panelDoes === undefined ? '' : words.panel(panelDoes)}</Txt>}
        </View>
      </View>
      <ChoiceList
        label={texts.seen}
        showLabel={false}
        layout="row"
        value={face}
        onChoose={setFace}
        choices={[
          { value: 'plan', label: texts.fromAbove },
          { value: 'side', label: texts.fromTheSide },
        ]}
      />
      <StageCanvas
        stage={{ ...stage, selectedId: selected }}
        face={face}
        heightPx={canvasPx}
        beside={<PictureProgress />}
      />
      {its !== undefined && light !== undefined && <LightReadout most={false} its={its} light={light} />}
      <LaterSetup>
        <UnderStage selectedId={selected} onSelect={stage.select} />
      </LaterSetup>
    </View>
  );
}

/** What stands under the stage: cautions and cures, the numbers of what is held, and what can be added. */
const UnderStage = memo(function UnderStage({
  selectedId,
  onSelect,
}: {
  selectedId: string | null;
  onSelect: (id: string | null) => void;
}) {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { change } = useChange();
  const actions = useActions();
  const store = useStore() as Store;
  const moment = useMoment();
  const its = numbers.stage.lights.find(({ lightId }) => selectedId === `light:${lightId}`);
  const light = its === undefined ? undefined : setup.lights[its.index];
  const panel = setup.panels.find(({ id }) => selectedId === `panel:${id}`);
  return (
    <View style={{ gap: 12 }}>
      {numbers.stage.watches.length > 0 && <StageCautions />}
      {panel !== undefined && <PanelCard key={panel.id} panel={panel} moment={moment} />}
      {its !== undefined && light !== undefined && <LightNumbers light={light} index={its.index} />}
      <View>
        <Disclosure title={texts.addToTheStage} summary={texts.lightsReflectorsPanelsWindows}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {[...LIGHT_ROLES].reverse().map((role) => (
              <ActionButton
                key={role}
                icon="lightbulb-outline"
                label={words.lightRole(role).name}
                name={texts.addToTheStage2(words.lightRole(role).name)}
                onPress={() => addLight(store, actions, setup.id, role)}
              />
            ))}
          </View>
          <AddPanel moment={moment} onSelect={onSelect} />
          {setup.panels.length > 0 && (
            <ChoiceList
              label={texts.onTheStage}
              value={panel === undefined ? null : `panel:${panel.id}`}
              onChoose={onSelect}
              choices={setup.panels.map((one) => ({
                value: `panel:${one.id}`,
                label: words.panelName(one),
              }))}
            />
          )}
        </Disclosure>
        <ScenePart />
        <View style={{ paddingTop: 8, alignItems: 'flex-start' }}>
          <ActionButton
            icon="flip-horizontal"
            label={texts.mirrorTheStage}
            onPress={() => change(...mirroredStage(setup, moment.now(), moment.newestReadingAt))}
          />
        </View>
      </View>
      {numbers.cautions
        .map((caution) => words.caution(caution, context))
        .map((text) => (
          <Txt key={text} size="label" tone="quiet">
            {text}
          </Txt>
        ))}
    </View>
  );
});
