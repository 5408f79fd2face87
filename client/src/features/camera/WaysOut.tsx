import { texts } from './texts';
import { WaitLine } from '@/features/ahead/WaitLine';
import { words } from '@/language/words';
import { useActions } from '@/store/application';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { View } from 'react-native';

import type { WayOut } from '@sphene/core/advice';
import { ripple } from '@sphene/core/explain';
import { useAdvice, useChange, useKit, useSetup } from '@/setupView/setupContext';
import { RippleList } from './RippleList';

const EFFECTS = [
  ['depthOfField', texts.depth],
  ['flash', texts.flash],
  ['recycle', texts.recycle],
  ['noise', texts.noise],
  ['look', texts.look],
] as const;

/** What a way costs, kind by kind, and what it leaves as it is. */
function Prices({ way }: { way: WayOut }) {
  const { context } = useSetup();
  const { price } = words.wayOut(way, context);
  const said = EFFECTS.flatMap(([key, label]) => (price[key] == null ? [] : [{ key, label, text: price[key] }]));
  const stays: Partial<Record<(typeof said)[number]['key'], boolean>> = {
    depthOfField: way.price.depth === null,
    noise: way.price.noise === null,
    look: way.price.look === null,
  };
  const unmoved = said.filter(({ key }) => stays[key] === true).map(({ label }) => label);
  return (
    <View>
      <Txt size="label" bold>
        {way.after.settings}
      </Txt>
      {said
        .filter(({ key }) => stays[key] !== true)
        .map(({ label, text }) => (
          <View key={label} style={{ flexDirection: 'row', gap: 8 }}>
            <Txt size="label" tone="quiet" style={{ width: 58 }}>
              {label}
            </Txt>
            <Txt size="label" style={{ flex: 1 }}>
              {text}
            </Txt>
          </View>
        ))}
      {unmoved.length > 0 && (
        <Txt size="label" tone="quiet">
          {texts.unchanged(unmoved.join(', ').toLowerCase())}
        </Txt>
      )}
    </View>
  );
}

/** What else a way moves; solved when it is asked for. */
function WhatItMoves({ way }: { way: WayOut }) {
  const { setup, context } = useSetup();
  const kit = useKit();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const moves = ripple(setup, kit, facts, new Date(clockMs), way.settings);
  return moves === null ? null : <RippleList ripple={words.ripple(moves, context)} />;
}

/** How the light is to change while one waits, stops; null: it is no waiting. */
function waitedStops({ way }: WayOut): number | null {
  if (way.kind === 'wait') return -way.needStops;
  return way.kind === 'wait-darker' ? way.needStops : null;
}

/** One way out: what it does, its price by kind, and one tap to take it. */
function WayCard({ way }: { way: WayOut }) {
  const { setup, context } = useSetup();
  const { change } = useChange();
  const actions = useActions();
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const { asks, settings } = way;
  const waited = waitedStops(way);
  const { title, effect } = words.wayOut(way, context);
  return (
    <View
      role="article"
      aria-label={title}
      style={{
        gap: 8,
        padding: 12,
        backgroundColor: palette.raised,
        borderLeftWidth: 3,
        borderLeftColor: way.solves ? palette.accent : palette.line,
      }}
    >
      <View>
        <Txt bold>{title}</Txt>
        <Txt size="label" tone="quiet">
          {effect}
          {/[.]$/.test(effect) ? '' : '.'}
        </Txt>
      </View>
      {waited !== null && <WaitLine byStops={waited} />}
      <Prices way={way} />
      <View style={{ flexDirection: 'row', gap: 8, justifyContent: 'flex-end' }}>
        {settings.length > 0 && (
          <>
            <ActionButton
              kind="plain"
              label={open ? texts.less : texts.whatItMoves}
              name={open ? texts.hideWhatMoves(title) : texts.showWhatMoves(title)}
              onPress={() => setOpen(!open)}
            />
            <ActionButton label={texts.apply} name={texts.applyIt(title)} onPress={() => change(...settings)} />
          </>
        )}
        {asks !== null && (
          <ActionButton
            label={texts.doneMeterAgain}
            name={texts.doneIt(title)}
            onPress={() => actions.addSceneChange(setup.id, asks)}
          />
        )}
      </View>
      {open && <WhatItMoves way={way} />}
    </View>
  );
}

/** Every way out of a wish that cannot be met, ranked, and what does not help here. */
export function WaysOut({ cures }: { cures: WayOut['cures'] }) {
  const { context } = useSetup();
  const advice = useAdvice();
  const ways = advice.waysOut.filter((way) => way.cures === cures);
  if (ways.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <Heading>{texts.waysOut}</Heading>
      {ways.map((way) => (
        <WayCard key={way.id} way={way} />
      ))}
      {advice.notHelping.length > 0 && (
        <View role="group" aria-label={texts.whatDoesNotHelpHere} style={{ gap: 4, paddingTop: 4 }}>
          <Heading level={3}>{texts.doesNotHelpHere}</Heading>
          {advice.notHelping.map((one) => {
            const { title, why } = words.notHelping(one, context);
            return (
              <Txt key={one.id} size="label">
                <Txt size="label" bold>
                  {title}.
                </Txt>{' '}
                {why}
              </Txt>
            );
          })}
        </View>
      )}
    </View>
  );
}
