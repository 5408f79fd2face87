import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useSetup } from '@/setupView/setupContext';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { OfferCard } from '@/ui/OfferCard';
import { Txt } from '@/ui/Txt';
import { StopsDial } from '@/ui/dials';
import { useMemo, useState } from 'react';

import { backdropAt, type PanelAnswer, panelAnswers, reflectorPlaces } from '@sphene/core/panels';
import { formatDistance, formatStops } from '@sphene/core/notation';
import { stopsToRatio } from '@sphene/core/photometry';
import type { Panel } from '@sphene/core/setup';

/** What is read and when it is now: what an answer is tried on. */
function useTrial() {
  const { setup } = useSetup();
  const kit = useKit();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  return useMemo(() => ({ setup, kit, facts, clock: new Date(clockMs) }), [setup, kit, facts, clockMs]);
}

const sayContrast = (stops: number): string => words.lightingRatio({ ratio: stopsToRatio(stops), stops });

/** From how far this panel, or another of the kit, gives the contrast that is wished; worked out while it is looked at. */
function Answers({ panel, put }: { panel: Panel; put: (over: Partial<Panel>) => void }) {
  const trial = useTrial();
  const { setup, kit } = trial;
  const { distanceUnit } = kit.preferences;
  const wanted = setup.look.faceContrastStops;
  const answers = useMemo(() => panelAnswers(trial, panel.id, wanted), [trial, panel.id, wanted]);
  const [own, ...others] = answers;
  if (own === undefined) return <Txt tone="quiet">{texts.meterBothSidesFirst}</Txt>;
  const at = (distanceM: number) => formatDistance(distanceM, distanceUnit);
  const nameOf = ({ reflectorId, surface }: PanelAnswer): string => {
    if (panel.kind !== 'reflector') return words.panelKind(panel.kind).name;
    const name = kit.reflectors.find(({ id }) => id === reflectorId)?.name ?? words.panelKind(panel.kind).name;
    return texts.withSurface(name, texts.surfaces[surface]);
  };
  return (
    <>
      {own.at === null && (
        <Txt>{texts.comesNearest(nameOf(own), sayContrast(own.nearest.contrastStops), at(own.nearest.distanceM))}</Txt>
      )}
      {[own, ...others].map((answer) => {
        const place = answer.at;
        if (place === null) return null;
        const { reflectorId, surface, stand } = answer;
        const from = texts.fromSoFar(nameOf(answer), at(place.distanceM));
        return (
          <OfferCard
            key={`${reflectorId ?? ''} ${surface} ${answer.place ?? ''}`}
            title={answer.place === null ? from : `${words.reflectorPlaceName(answer.place)}: ${from}`}
            lines={[texts.faceContrast(sayContrast(place.contrastStops))]}
            onApply={() => put({ reflectorId, surface, ...stand, distanceM: Number(place.distanceM.toFixed(2)) })}
          />
        );
      })}
    </>
  );
}

/** A wished contrast of the face, and what gives it. */
export function PanelAnswers({ panel, put }: { panel: Panel; put: (over: Partial<Panel>) => void }) {
  const { setup } = useSetup();
  const { changeOne } = useChange();
  const wanted = setup.look.faceContrastStops;
  return (
    <Disclosure title={texts.fromHowFar} summary={texts.forContrast(sayContrast(wanted))}>
      <StopsDial
        label={texts.wishedContrast}
        value={wanted}
        least={0}
        most={6}
        step={0.1}
        onChange={(stops) => changeOne('look.faceContrastStops', stops)}
        note={sayContrast(wanted)}
      />
      <Answers panel={panel} put={put} />
    </Disclosure>
  );
}

function Places({ panel, put }: { panel: Panel; put: (over: Partial<Panel>) => void }) {
  const { context } = useSetup();
  return reflectorPlaces(useTrial(), panel.id).map((placed) => {
    const { title, lines } = words.reflectorPlace(placed, panel.surface, context);
    return <OfferCard key={placed.place} title={title} lines={lines} onApply={() => put(placed.stand)} />;
  });
}

/** Where a reflector is usually held, and what it does from there; worked out while it is looked at. */
export const ReflectorPlaces = (props: { panel: Panel; put: (over: Partial<Panel>) => void }) => (
  <Disclosure title={texts.startingPlaces} summary={texts.lowOrHigh}>
    <Places {...props} />
  </Disclosure>
);

const USUAL_WISH_STOPS = -1;

function BackdropAnswer({ byStops }: { byStops: number }) {
  const trial = useTrial();
  const { changeOne } = useChange();
  const distanceM = backdropAt(trial, byStops);
  if (distanceM === null) return <Txt tone="quiet">{texts.noBackdropDoesIt}</Txt>;
  const place = formatDistance(distanceM, trial.kit.preferences.distanceUnit);
  return (
    <ActionButton
      label={texts.moveBackdropTo(place)}
      onPress={() => changeOne('backgroundM', Number(distanceM.toFixed(2)))}
    />
  );
}

/** Where the background goes for so much more or less light on it. */
export function BackdropPlace() {
  const [byStops, setByStops] = useState(USUAL_WISH_STOPS);
  return (
    <Disclosure title={texts.backdropByLight} summary={texts.forStops(formatStops(byStops))}>
      <StopsDial
        label={texts.backgroundBy}
        signed
        value={byStops}
        least={-4}
        most={3}
        step={0.1}
        onChange={setByStops}
        note={byStops < 0 ? texts.darkerThanNow : texts.brighterThanNow}
      />
      <BackdropAnswer byStops={byStops} />
    </Disclosure>
  );
}
