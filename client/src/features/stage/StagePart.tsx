import { texts } from './texts';
import { PictureProgress } from '@/features/picture/PictureProgress';
import { SetupPicture } from '@/features/picture/SetupPicture';
import { LaterSetup } from '@/setupView/LaterSetup';
import { words } from '@/language/words';
import { addLight } from '@/setupView/addLight';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import type { Store } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { KnownMark } from '@/ui/KnownMark';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { memo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { useStore } from 'react-redux';

import { formatStopCount } from '@sphene/core/notation';
import { LIGHT_ROLES } from '@sphene/core/setup';
import { mirroredStage } from '@sphene/core/stage';
import { AddPanel } from './AddPanel';
import { PanelCard } from './PanelCard';
import { PlanInset } from './PlanInset';
import { ScenePart } from './ScenePart';
import { StageCanvas } from './StageCanvas';
import { StageCautions } from './StageCautions';
import { LightNumbers, LightReadout } from './StageReadout';
import type { Face } from './stageView';
import { TurnSet } from './TurnSet';
import { type Stage, useMoment, useStage } from './useStage';

/** What the stage shows large. */
type Shown = Face | 'picture';
/** How tall the large view is: what the rest of a phone's screen leaves. */
const CANVAS_PX = { wide: 420, least: 240, most: 400, rest: 520 } as const;
const INSET_PX = { widthPx: 108, heightPx: 132 } as const;
/** What a part keeps free at the sides of a phone. */
const EDGE_PX = 16;

/** What is held on the stage: a light, a panel, or anything else that moves; the first light where nothing is. */
function useHeld(stage: Stage) {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const [first] = numbers.stage.lights;
  const selectedId = stage.selectedId ?? (first === undefined ? null : `light:${first.lightId}`);
  const solved = numbers.stage.lights.find(({ lightId }) => selectedId === `light:${lightId}`);
  const light = solved === undefined ? undefined : setup.lights[solved.index];
  return {
    selectedId,
    held: solved === undefined || light === undefined ? null : { solved, light },
    thing: stage.things.find(({ id }) => id === selectedId),
    panel: numbers.panels.find(({ id }) => selectedId === `panel:${id}`),
  };
}
type Held = ReturnType<typeof useHeld>;

/** What is held, by name, with what it does. */
function HeldReadout({ held, thing, panel }: Held) {
  const { lights } = useNumbers();
  const name = held === null ? (thing?.name ?? texts.nothingHeld) : words.light(held.solved);
  const solved = lights.find(({ lightId }) => lightId === held?.solved.lightId);
  return (
    <View style={{ flex: 1, gap: 4 }}>
      <View
        style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 8 }}
        role="status"
        aria-label={held === null ? name : texts.powerOf(name, held.solved.powerText ?? texts.none)}
      >
        <Txt bold>{name}</Txt>
        {held !== null && (
          <Txt size="value" bold tone="flash">
            {held.solved.powerText ?? texts.off}
          </Txt>
        )}
        {solved !== undefined && solved.powerStops !== null && (
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
            <KnownMark known={solved.known} />
            <Txt size="label" tone="quiet">
              {(solved.known === 'assumed' ? texts.withinAssumed : texts.withinStops)(
                formatStopCount(solved.uncertaintyStops),
              )}
            </Txt>
          </View>
        )}
      </View>
      {held !== null ? (
        <LightReadout most its={held.solved} light={held.light} />
      ) : (
        <Txt size="label" tone="quiet">
          {thing?.said ?? texts.takeHoldOfSomethingOn}
        </Txt>
      )}
      {panel !== undefined && <Txt size="label">{words.panel(panel)}</Txt>}
    </View>
  );
}

/** What is large, and what is laid into its corner: a tap there swaps them. */
function Views({
  stage,
  shown,
  onShow,
  heightPx,
}: {
  stage: Stage;
  shown: Shown;
  onShow: (shown: Shown) => void;
  heightPx: number;
}) {
  const wide = useWide();
  const window = useWindowDimensions();
  if (shown === 'picture') {
    const roomPx = { width: window.width - 2 * EDGE_PX, height: heightPx };
    return (
      <View>
        {/* a picture that lies across leaves room under it: the plan goes there */}
        <View style={{ alignItems: 'center', minHeight: heightPx }}>
          <SetupPicture roomPx={roomPx} />
          <View style={{ position: 'absolute', right: 0, bottom: 0 }}>
            <PlanInset {...INSET_PX} name={texts.seeTheStageLarge} onPress={() => onShow('plan')} />
          </View>
        </View>
        <PictureProgress />
      </View>
    );
  }
  return (
    <View>
      <StageCanvas stage={stage} face={shown} heightPx={heightPx} beside={wide ? null : <PictureProgress />} />
      {!wide && (
        <View style={{ position: 'absolute', right: 1, top: 1 }}>
          <SetupPicture
            roomPx={{ width: INSET_PX.widthPx, height: INSET_PX.heightPx }}
            name={texts.seeThePictureLarge}
            onPress={() => onShow('picture')}
          />
        </View>
      )}
    </View>
  );
}

/** Move a light with a thumb and see what it does to the face, the background and the powers, at once. */
export function StagePart() {
  const wide = useWide();
  const { height } = useWindowDimensions();
  const stage = useStage();
  const what = useHeld(stage);
  const { held, selectedId } = what;
  const [chosen, setChosen] = useState<Shown>('plan');
  // on a wide screen the picture stands beside all parts
  const shown = wide && chosen === 'picture' ? 'plan' : chosen;
  const { least, most, rest } = CANVAS_PX;
  const heightPx = wide ? CANVAS_PX.wide : Math.max(least, Math.min(most, height - rest));
  return (
    <View style={{ gap: 12 }}>
      <Views stage={{ ...stage, selectedId }} shown={shown} onShow={setChosen} heightPx={heightPx} />
      <ChoiceList
        label={texts.seen}
        showLabel={false}
        layout="row"
        value={shown}
        onChoose={setChosen}
        choices={[
          ...(wide ? [] : [{ value: 'picture' as const, label: texts.picture }]),
          { value: 'plan', label: texts.fromAbove },
          { value: 'side', label: texts.fromTheSide },
        ]}
      />
      <HeldReadout {...what} />
      {held !== null && <LightReadout most={false} its={held.solved} light={held.light} />}
      <LaterSetup>
        <UnderStage selectedId={selectedId} onSelect={stage.select} />
      </LaterSetup>
    </View>
  );
}

/** Lights, reflectors, panels and windows to be added, and what of it stands there. */
function AddToStage({ selectedId, onSelect }: { selectedId: string | null; onSelect: (id: string | null) => void }) {
  const { setup } = useSetup();
  const actions = useActions();
  const store = useStore() as Store;
  const moment = useMoment();
  return (
    <Disclosure title={texts.addToTheStage} summary={texts.lightsReflectorsPanelsWindows}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {[...LIGHT_ROLES].reverse().map((role) => (
          <ActionButton
            key={role}
            icon="lightbulb-outline"
            label={words.lightRole(role).name}
            name={texts.addIt(words.lightRole(role).name)}
            onPress={() => addLight(store, actions, setup.id, role)}
          />
        ))}
      </View>
      <AddPanel moment={moment} onSelect={onSelect} />
      {setup.panels.length > 0 && (
        <ChoiceList
          label={texts.onTheStage}
          value={setup.panels.some(({ id }) => selectedId === `panel:${id}`) ? selectedId : null}
          onChoose={onSelect}
          choices={setup.panels.map((one) => ({ value: `panel:${one.id}`, label: words.panelName(one) }))}
        />
      )}
    </Disclosure>
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
  const moment = useMoment();
  const its = numbers.stage.lights.find(({ lightId }) => selectedId === `light:${lightId}`);
  const light = its === undefined ? undefined : setup.lights[its.index];
  const panel = setup.panels.find(({ id }) => selectedId === `panel:${id}`);
  return (
    <View style={{ gap: 12 }}>
      {numbers.stage.watches.length + numbers.stage.meant.length > 0 && <StageCautions />}
      {panel !== undefined && <PanelCard key={panel.id} panel={panel} moment={moment} />}
      {its !== undefined && light !== undefined && <LightNumbers light={light} index={its.index} />}
      <View>
        <AddToStage selectedId={selectedId} onSelect={onSelect} />
        <ScenePart />
        <TurnSet />
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
