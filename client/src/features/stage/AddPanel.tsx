import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { newId } from '@/store/ids';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { View } from 'react-native';

import { type Kit, offered } from '@sphene/core/gear';
import { brightSideDeg } from '@sphene/core/panels';
import { type OpenSide, type Panel, PANEL_FACTS, PANEL_KINDS, type PanelKind, type Setup } from '@sphene/core/setup';
import type { Moment } from './useStage';

const MOST_PANELS = 8;

/** A panel of a kind where such a one usually stands: a reflector on the dark side, a diffuser or flag in the sun's way. */
function newPanel(kind: PanelKind, setup: Setup, kit: Kit, moment: Moment, openSide: OpenSide | null): Panel {
  const { stand, widthM, tallM, opening } = PANEL_FACTS[kind];
  // the dark side is the one away from the light
  const side = brightSideDeg(setup, openSide) < 0 ? -1 : 1;
  const own = kind === 'reflector' ? offered(kit.reflectors)[0] : undefined;
  const sun = kind === 'diffuser' || kind === 'flag' ? setup.stage.sun : null;
  return {
    id: newId(),
    kind,
    ...stand,
    sideDeg: sun?.by === 'hand' ? sun.sideDeg : stand.sideDeg * (kind === 'reflector' ? side : 1),
    turnedDeg: 0,
    reflectorId: own?.id ?? null,
    standId: null,
    surface: own?.surfaces[0] ?? 'white',
    widthM,
    tallM,
    takesStops: 1.5,
    // a window was there when it was metered; a reflector was not
    movedAt: opening || moment.newestReadingAt === null ? null : moment.now(),
    before: null,
  };
}

/** Adds reflectors, panels and openings. */
export function AddPanel({ moment, onSelect }: { moment: Moment; onSelect: (id: string) => void }) {
  const { setup } = useSetup();
  const kit = useKit();
  const { stage } = useNumbers();
  const { change } = useChange();
  const add = (kind: PanelKind) => {
    const panel = newPanel(kind, setup, kit, moment, stage.openSide?.side ?? null);
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
