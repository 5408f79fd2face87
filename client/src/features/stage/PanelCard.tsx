import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { DistanceDial, HeightDial, NumberDial, SideDial, StopsDial } from '@/ui/dials';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { offered, type Surface, SURFACES } from '@sphene/core/gear';
import { formatDistance } from '@sphene/core/notation';
import type { Panel } from '@sphene/core/setup';
import { PanelAnswers, ReflectorPlaces } from './PanelAnswers';
import { isOpening, panelSettings } from './things';
import type { Moment } from './useStage';

const OWN_SIZE = 'own';
/** Panels whose distance is a way to a contrast: what throws light back, and what it comes in through. */
const ANSWERS: readonly Panel['kind'][] = ['reflector', 'window', 'door', 'porch', 'skylight'];

interface PanelProps {
  panel: Panel;
  put: (over: Partial<Panel>) => void;
}

/** Which reflector it is and the side of it that looks at the face. */
function ReflectorChoice({ panel, put }: PanelProps) {
  const kit = useKit();
  const own = kit.reflectors.find(({ id }) => id === panel.reflectorId);
  const reflectors = offered(kit.reflectors, panel.reflectorId);
  return (
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
        choices={(own?.surfaces ?? SURFACES).map((surface) => ({ value: surface, label: texts.surfaces[surface] }))}
      />
    </>
  );
}

const CARRIED: readonly Panel['kind'][] = ['reflector', 'diffuser', 'flag'];
const HELD = 'held';

/** What holds it: somebody, or a stand, which then wants ballast in the wind. */
function StandChoice({ panel }: Pick<PanelProps, 'panel'>) {
  const kit = useKit();
  const { setup } = useSetup();
  const { changeOne } = useChange();
  // it stays where it is: no reading saw it otherwise
  const hold = (standId: string | null) =>
    changeOne(
      'panels',
      setup.panels.map((one) => (one.id === panel.id ? { ...one, standId } : one)),
    );
  const stands = offered(kit.stands, panel.standId);
  if (!CARRIED.includes(panel.kind) || stands.length === 0) return null;
  return (
    <ChoiceList
      label={texts.whatHoldsIt}
      value={panel.standId ?? HELD}
      onChoose={(id) => hold(id === HELD ? null : id)}
      choices={[
        { value: HELD, label: texts.someoneHoldsIt },
        ...stands.map(({ id, name }) => ({ value: id, label: name })),
      ]}
    />
  );
}

/** Where it stands and how it is turned. */
function PanelStandDials({ panel, put }: PanelProps) {
  const { preferences } = useKit();
  const { name } = words.panelKind(panel.kind);
  const unit = preferences.distanceUnit;
  return (
    <>
      <DistanceDial
        label={isOpening(panel) ? texts.subjectToThe(name.toLowerCase()) : texts.toTheFace(name)}
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
        label={texts.turnOf(name)}
        unit="°"
        value={panel.turnedDeg}
        least={-80}
        most={80}
        step={5}
        decimals={0}
        onChange={(turnedDeg) => put({ turnedDeg })}
        note={texts.fromFacingTheSubject}
      />
    </>
  );
}

/** How large it is, where it is not one of the kit's. */
function PanelSizeDials({ panel, put }: PanelProps) {
  const { preferences } = useKit();
  const { name } = words.panelKind(panel.kind);
  const size = { unit: 'm', least: 0.1, most: 20, step: 0.1, decimals: 1 };
  return (
    <>
      <NumberDial
        {...size}
        label={texts.width(name)}
        value={panel.widthM}
        onChange={(widthM) => put({ widthM: Number(widthM.toFixed(2)) })}
        note={formatDistance(panel.widthM, preferences.distanceUnit)}
      />
      <NumberDial
        {...size}
        label={texts.height(name)}
        value={panel.tallM}
        onChange={(tallM) => put({ tallM: Number(tallM.toFixed(2)) })}
        note={formatDistance(panel.tallM, preferences.distanceUnit)}
      />
    </>
  );
}

/** Says that it stands, or takes it away. */
function PanelActions({ panel, moment }: { panel: Panel; moment: Moment }) {
  const { setup } = useSetup();
  const { change } = useChange();
  const actions = useActions();
  const { name } = words.panelKind(panel.kind);
  const changed = () => actions.addSceneChange(setup.id, isOpening(panel) ? 'opening' : 'reflector');
  const { newestReadingAt } = moment;
  /** a reading was taken while it stood where it stood, or stands */
  const wasRead =
    newestReadingAt !== null &&
    (panel.movedAt === null || panel.before !== null || Date.parse(newestReadingAt) >= Date.parse(panel.movedAt));
  const remove = () => {
    change({ path: 'panels', value: setup.panels.filter(({ id }) => id !== panel.id) });
    // readings that saw it do not hold without it
    if (wasRead) changed();
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      <ActionButton label={texts.itStandsSoMeterAgain} name={texts.standsSoMeterAgain(name)} onPress={changed} />
      <ActionButton kind="plain" label={texts.remove} name={texts.removeThe(name.toLowerCase())} onPress={remove} />
    </View>
  );
}

/** One flat thing: what it does, and its numbers. */
export function PanelCard({ panel, moment }: { panel: Panel; moment: Moment }) {
  const { setup, context } = useSetup();
  const kit = useKit();
  const { panels } = useNumbers();
  const { change } = useChange();
  const palette = usePalette();
  const solved = panels.find(({ id }) => id === panel.id);
  const ofKit = kit.reflectors.some(({ id }) => id === panel.reflectorId);
  const { name, because } = words.panelKind(panel.kind);
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
        {solved === undefined ? name : words.panel(solved)}
      </Txt>
      {solved !== undefined &&
        words.panelParts(solved, context).map((line) => (
          <Txt key={line} size="label">
            {line}
          </Txt>
        ))}
      {solved?.onEyes != null && panel.kind === 'reflector' && (
        <Txt size="label">{words.panelOnEyes(solved.onEyes, panel.surface)}</Txt>
      )}
      <Txt size="label" tone="quiet">
        {because}
        {kit.preferences.paces ? texts.away(words.paces(panel.distanceM)) : ''}
      </Txt>
      {panel.kind === 'reflector' && <ReflectorChoice panel={panel} put={put} />}
      <StandChoice panel={panel} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <PanelStandDials panel={panel} put={put} />
        {!ofKit && <PanelSizeDials panel={panel} put={put} />}
        {panel.kind === 'diffuser' && (
          <StopsDial
            label={texts.takesOffDirectLight}
            value={panel.takesStops}
            least={0.3}
            most={4}
            step={0.1}
            onChange={(takesStops) => put({ takesStops })}
            note={texts.inStops}
          />
        )}
      </View>
      {panel.kind === 'reflector' && <ReflectorPlaces panel={panel} put={put} />}
      {ANSWERS.includes(panel.kind) && <PanelAnswers panel={panel} put={put} />}
      {panel.kind === 'reflector' && (
        <Txt size="label" tone="quiet">
          {texts.neverThrowTheSunInto}
        </Txt>
      )}
      <PanelActions panel={panel} moment={moment} />
    </View>
  );
}
