import { texts } from './texts';
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
import { useAdvice, useChange, useKit, useSetup } from '../../setupView/setupContext';
import { RippleList } from './RippleList';

const EFFECTS = [
  ['depthOfField', texts.depth],
  ['flash', texts.flash],
  ['recycle', texts.recycle],
  ['noise', texts.noise],
  ['look', texts.look],
] as const;

/** One way out: what it does, its price by kind, and one tap to take it. */
function WayCard({ way }: { way: WayOut }) {
  const { setup } = useSetup();
  const kit = useKit();
  const { change } = useChange();
  const actions = useActions();
  const palette = usePalette();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const [open, setOpen] = useState(false);
  const more = open ? ripple(setup, kit, facts, new Date(clockMs), way.settings) : null;
  const { asks } = way;
  const { title, effect, price } = words.wayOut(way, { setup, kit });
  const said = EFFECTS.flatMap(([key, label]) => (price?.[key] == null ? [] : [{ key, label, text: price[key] }]));
  const stays = { depthOfField: way.price?.depth, noise: way.price?.noise, look: way.price?.look };
  const moves = (key: (typeof said)[number]['key']) => !(key in stays) || stays[key as keyof typeof stays] !== null;
  const prices = said.filter(({ key }) => moves(key));
  const unmoved = said.filter(({ key }) => !moves(key)).map(({ label }) => label);
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
      {price !== null && (
        <View>
          <Txt size="label" bold>
            {way.after.settings}
          </Txt>
          {prices.map(({ label, text }) => (
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
              Unchanged: {unmoved.join(', ').toLowerCase()}
            </Txt>
          )}
        </View>
      )}
      <View style={{ flexDirection: 'row', gap: 8, justifyContent: 'flex-end' }}>
        {way.settings.length > 0 && (
          <ActionButton
            kind="plain"
            label={open ? texts.less : texts.whatItMoves}
            name={open ? texts.hideWhatMoves(title) : texts.showWhatMoves(title)}
            onPress={() => setOpen(!open)}
          />
        )}
        {way.settings.length > 0 && (
          <ActionButton label={texts.apply} name={texts.apply2(title)} onPress={() => change(...way.settings)} />
        )}
        {asks !== null && (
          <ActionButton
            label={texts.doneMeterAgain}
            name={texts.doneMeterAgain2(title)}
            onPress={() => actions.addSceneChange(setup.id, asks)}
          />
        )}
      </View>
      {more !== null && <RippleList ripple={words.ripple(more, { setup, kit })} />}
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
