import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { useTaste } from '@/setupView/taste';
import { selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { useMemo } from 'react';
import { View } from 'react-native';

import { sceneKindOf, type TasteFigure, type UsualLook, usualLooks } from '@sphene/core/review';
import { HOLD_BACK_RANGE, LOOK_RANGES, type Setting, type Setup } from '@sphene/core/setup';

/** Nearer than this to what is usual, it is set so, stops. */
const SAME_STOPS = 0.05;

/** What is told of it where one works; all of it stands in the settings. */
const TOLD: readonly TasteFigure[] = ['holdBackStops', 'feelStops'];

const within = (value: number, { least, most }: { least: number; most: number }): number =>
  Math.min(most, Math.max(least, Number(value.toFixed(2))));

/** What is usual as settings of a look; what is not known or set so already is left out. */
function settingsOf({ figures }: UsualLook, { look }: Setup): Setting[] {
  const { holdBackStops, faceRatioStops, feelStops } = figures;
  const wanted: Setting[] = [
    ...(holdBackStops === null
      ? []
      : [{ path: 'look.holdBackStops', value: within(holdBackStops.median, HOLD_BACK_RANGE) } as const]),
    ...(faceRatioStops === null
      ? []
      : [{ path: 'look.faceContrastStops', value: within(faceRatioStops.median, { least: 0, most: 6 }) } as const]),
    ...(feelStops === null
      ? []
      : [{ path: 'look.feelStops', value: within(feelStops.median, LOOK_RANGES.feel) } as const]),
  ];
  const now = {
    'look.holdBackStops': look.holdBackStops,
    'look.faceContrastStops': look.faceContrastStops,
    'look.feelStops': look.feelStops,
  };
  const moved = wanted.filter(
    ({ path, value }) => Math.abs(Number(value) - now[path as keyof typeof now]) > SAME_STOPS,
  );
  if (moved.length === 0) return [];
  return look.exposeBy === 'face' ? moved : [{ path: 'look.exposeBy', value: 'face' }, ...moved];
}

/** What this photographer usually chooses in such a scene, offered first; nothing where too little is known. */
export function UsualForYou() {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const { change } = useChange();
  const spot = useAppSelector((state) => selectDocument(state, 'spot', setup.spotId));
  const samples = useTaste(setup.id);
  const usual = useMemo(() => usualLooks(samples), [samples]);
  const kind = spot === undefined ? null : sceneKindOf(spot, numbers.stage.sun);
  const here = usual.find(({ scene }) => scene === kind) ?? usual.find(({ scene }) => scene === 'any');
  if (here === undefined) return null;
  const told = TOLD.flatMap((figure) => {
    const spread = here.figures[figure];
    // a feel of nothing is nothing to say
    if (spread === null || (figure === 'feelStops' && Math.abs(spread.median) < SAME_STOPS)) return [];
    const say = (value: number) => words.review.tasteValue(figure, value);
    return [texts.usualLine(words.review.tasteFigure(figure), say(spread.median), say(spread.low), say(spread.high))];
  });
  if (told.length === 0) return null;
  const settings = settingsOf(here, setup);
  const title = `${texts.usual} · ${texts.usualHere(words.review.scene(here.scene), here.setups)}`;
  return (
    <View role="group" aria-label={texts.usual} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <View style={{ flex: 1 }}>
        <Txt size="label" bold>
          {title}
        </Txt>
        <Txt size="label" tone="quiet">
          {settings.length === 0 ? texts.asSet : told.join('; ')}
        </Txt>
      </View>
      {settings.length > 0 && (
        <ActionButton label={texts.take} name={texts.takeUsual} onPress={() => change(...settings)} />
      )}
    </View>
  );
}
