import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { newId } from '@/store/ids';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { DistanceDial, HeightDial, NumberDial, SideDial, StopsDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { offered, type Surface, SURFACES } from '@sphene/core/gear';
import { formatDistance } from '@sphene/core/notation';
import { type Panel, PANEL_FACTS, PANEL_KINDS, type PanelKind } from '@sphene/core/setup';
import { isOpening, panelSettings } from './things';
import type { Moment } from './useStage';

const MOST_PANELS = 8;
const OWN_SIZE = 'own';

const capital = (word: string) => word.replace(/^./, (letter) => letter.toUpperCase());

/** One flat thing: what it does, and its numbers. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function PanelCard({ panel, moment }: { panel: Panel; moment: Moment }) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { change } = useChange();
  const actions = useActions();
  const palette = usePalette();
  const { distanceUnit: unit, paces } = kit.preferences;
  const its = numbers.panels.find(({ id }) => id === panel.id);
  const own = kit.reflectors.find(({ id }) => id === panel.reflectorId);
  const reflectors = offered(kit.reflectors, panel.reflectorId);
  const { name, because } = words.panelKind(panel.kind);
  const opening = isOpening(panel);
  const put = (over: Partial<Panel>) => change(...panelSettings({ setup, ...moment }, panel, over));
  return (
    <View
      role="group"
      aria-label={name}
      style={{
        gap: 8,
        padding: 12,
        backgroundColor: palette.raised,
        borderLeftWidth: 3,
        borderLeftColor: palette.ambient,
      }}
    >
      <Txt bold role="status">
        {its === undefined ? name : words.panel(its)}
      </Txt>
      <Txt size="label" tone="quiet">
        {because}
        {paces ? texts.away(words.paces(panel.distanceM)) : ''}
      </Txt>
      {panel.kind === 'reflector' && (
        <>
          {reflectors.length > 0 && (
            <ChoiceList
              label={texts.whichReflector}
              value={panel.reflectorId ?? OWN_SIZE}
              onChoose={(id) => put({ reflectorId: id === OWN_SIZE ? null : id })}
              choices={[
                ...reflectors.map(({ id, name: label }) => ({ value: id, label })),
                { value: OWN_SIZE, label: texts.anotherSize },
              ]}
            />
          )}
          <ChoiceList
            label={texts.itsSurface}
            layout="row"
            value={panel.surface}
            onChoose={(surface: Surface) => put({ surface })}
            choices={(own?.surfaces ?? SURFACES).map((surface) => ({ value: surface, label: capital(surface) }))}
          />
        </>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <DistanceDial
          label={opening ? texts.subjectToThe(name.toLowerCase()) : texts.toTheFace(name)}
          value={panel.distanceM}
          unit={unit}
          onChange={(distanceM) => put({ distanceM })}
        />
        <SideDial
          label={texts.sideOfThe(name.toLowerCase())}
          value={panel.sideDeg}
          onChange={(sideDeg) => put({ sideDeg })}
          note={panel.sideDeg < 0 ? texts.leftOfTheCamera : texts.rightOfTheCamera}
        />
        <HeightDial
          label={texts.heightOfThe(name.toLowerCase())}
          value={panel.heightM}
          unit={unit}
          onChange={(heightM) => put({ heightM })}
          note={texts.itsMiddleOverTheEyes}
        />
        <NumberDial
          label={texts.turned3(name)}
          unit="°"
          value={panel.turnedDeg}
          least={-80}
          most={80}
          step={5}
          decimals={0}
          onChange={(turnedDeg) => put({ turnedDeg })}
          note={texts.fromFacingTheSubject}
        />
        {own === undefined && (
          <NumberDial
            label={texts.width(name)}
            unit="m"
            value={panel.widthM}
            least={0.1}
            most={20}
            step={0.1}
            decimals={1}
            onChange={(widthM) => put({ widthM: Number(widthM.toFixed(2)) })}
            note={formatDistance(panel.widthM, unit)}
          />
        )}
        {own === undefined && (
          <NumberDial
            label={texts.height(name)}
            unit="m"
            value={panel.tallM}
            least={0.1}
            most={20}
            step={0.1}
            decimals={1}
            onChange={(tallM) => put({ tallM: Number(tallM.toFixed(2)) })}
            note={formatDistance(panel.tallM, unit)}
          />
        )}
        {panel.kind === 'diffuser' && (
          <StopsDial
            label={texts.takesOffDirectLight}
            value={panel.takesStops}
            least={0.3}
            most={4}
            step={0.1}
            onChange={(takesStops) => put({ takesStops })}
            note="stops"
          />
        )}
      </View>
      {panel.kind === 'reflector' && (
        <Txt size="label" tone="quiet">
          {texts.neverThrowTheSunInto}
        </Txt>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton
          label={texts.itStandsSoMeterAgain}
          name={texts.standsSoMeterAgain(name)}
          onPress={() => actions.addSceneChange(setup.id, opening ? 'opening' : 'reflector')}
        />
        <ActionButton
          kind="plain"
          label={texts.remove}
          name={texts.removeThe(name.toLowerCase())}
          onPress={() => {
            change({ path: 'panels', value: setup.panels.filter(({ id }) => id !== panel.id) });
            // readings that saw it do not hold without it
            if (
              moment.newestReadingAt !== null &&
              (panel.movedAt === null ||
                panel.before !== null ||
                Date.parse(moment.newestReadingAt) >= Date.parse(panel.movedAt))
            )
              actions.addSceneChange(setup.id, opening ? 'opening' : 'reflector');
          }}
        />
      </View>
    </View>
  );
}

/** Adds reflectors, panels and openings. */
export function AddPanel({ moment, onSelect }: { moment: Moment; onSelect: (id: string) => void }) {
  const { setup } = useSetup();
  const kit = useKit();
  const { change } = useChange();
  const add = (kind: PanelKind) => {
    const { stand, widthM, tallM } = PANEL_FACTS[kind];
    // the dark side is the one away from the window, else from the key
    const brightDeg =
      setup.panels.find(isOpening)?.sideDeg ?? setup.lights.find(({ role }) => role === 'key')?.sideDeg ?? 40;
    const side = brightDeg < 0 ? -1 : 1;
    const own = kind === 'reflector' ? offered(kit.reflectors)[0] : undefined;
    const opening = PANEL_FACTS[kind].opening;
    const sun = kind === 'diffuser' || kind === 'flag' ? setup.stage.sun : null;
    const panel: Panel = {
      id: newId(),
      kind,
      ...stand,
      sideDeg: sun?.by === 'hand' ? sun.sideDeg : stand.sideDeg * (kind === 'reflector' ? side : 1),
      turnedDeg: 0,
      reflectorId: own?.id ?? null,
      surface: own?.surfaces[0] ?? 'white',
      widthM,
      tallM,
      takesStops: 1.5,
      // a window was there when it was metered; a reflector was not
      movedAt: opening || moment.newestReadingAt === null ? null : moment.now(),
      before: null,
    };
    change({ path: 'panels', value: [...setup.panels, panel] });
    onSelect(`panel:${panel.id}`);
  };
  if (setup.panels.length >= MOST_PANELS) return <Txt tone="quiet">{texts.eightAreAsManyAs}</Txt>;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {PANEL_KINDS.map((kind) => (
        <ActionButton
          key={kind}
          icon="plus"
          label={words.panelKind(kind).name}
          name={texts.addA(words.panelKind(kind).name.toLowerCase())}
          onPress={() => add(kind)}
        />
      ))}
    </View>
  );
}
