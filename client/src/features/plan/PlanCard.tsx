import { texts } from './texts';
import { words } from '@/language/words';
import { IconButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { selectGear } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';

import { PlanFields } from './PlanFields';
import type { DayPlan, PlanLine } from './useDayPlan';

const GOOD: readonly PlanLine['planned']['fit'][] = ['any-time', 'inside'];
/** A gap shorter than this is no gap. */
const GAP_MIN = 10;

/** What is not as it should be with a setup at its time. */
function Troubles({ planned }: Pick<PlanLine, 'planned'>) {
  const fit = words.planFit(planned);
  const troubles = [
    ...(planned.overlapMin > 0 ? [texts.overlaps(String(planned.overlapMin))] : []),
    ...(fit !== null && !GOOD.includes(planned.fit) ? [fit] : []),
  ];
  return troubles.map((text) => (
    <Txt key={text} tone="danger" bold>
      {text.replace(/^./, (letter) => letter.toUpperCase())}
    </Txt>
  ));
}

/** What it takes out of the batteries; what will not last stands out. */
function ChargeLines({ line: { setup, charge } }: { line: PlanLine }) {
  const kit = useAppSelector(selectGear);
  if (charge === null || charge.frames === 0) return null;
  const frames = charge.made ? texts.framesMade(charge.frames) : texts.framesPlanned(charge.frames);
  return charge.lights.map((one) => {
    const said = words.charge(one, { setup, kit });
    if (said === null) return null;
    const isShort = one.changes > 0 || one.slowS !== null || one.hotAfter !== null;
    return (
      <Txt key={one.lightId} size="label" tone={isShort ? 'danger' : 'quiet'}>
        {texts.chargeOf(said, frames)}
      </Txt>
    );
  });
}

/** One setup in the plan: when, where, whether it fits, and what the light will ask for. */
export function PlanCard({ line, day }: { line: PlanLine; day: DayPlan }) {
  const palette = usePalette();
  const router = useRouter();
  const { setup, spot, planned, foretold, weather } = line;
  const { plan } = setup;
  const { clock } = day;
  if (plan === null) return null;
  const fit = words.planFit(planned);
  const fine = planned.overlapMin === 0 && GOOD.includes(planned.fit);
  const facts = [
    texts.setUpFrom(clock(planned.busy.fromMs)),
    ...(planned.startByMs === null ? [] : [texts.startBy(clock(planned.startByMs))]),
    ...(fit !== null && GOOD.includes(planned.fit) ? [fit] : []),
    ...(planned.gapMin >= GAP_MIN ? [texts.gap(String(planned.gapMin))] : []),
    ...(plan.must ? [texts.mustShort] : []),
  ];
  return (
    <View
      role="article"
      aria-label={setup.title}
      style={{
        gap: 4,
        paddingLeft: 12,
        borderLeftWidth: 3,
        borderLeftColor: fine ? palette.accent : palette.danger,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Pressable
          role="link"
          aria-label={`${setup.title}, ${texts.fromTo(clock(planned.fromMs), clock(planned.toMs))}`}
          onPress={() => router.navigate({ pathname: '/setup/[id]', params: { id: setup.id } })}
          style={{ flex: 1, minHeight: 48, justifyContent: 'center' }}
        >
          <Heading size="value" level={3}>
            {texts.fromTo(clock(planned.fromMs), clock(planned.toMs))}
          </Heading>
          <Txt bold>{setup.title}</Txt>
          <Txt tone="quiet">{spot?.title ?? ''}</Txt>
        </Pressable>
        <IconButton icon="close" name={texts.outOfPlan(setup.title)} onPress={() => day.change(setup, null)} />
      </View>
      <Troubles planned={planned} />
      <Txt size="label">{facts.join(' · ')}</Txt>
      {foretold !== null && (
        <Txt size="label" tone="quiet">
          {words.foretoldSetup(foretold)}
        </Txt>
      )}
      {weather !== null && (
        <Txt size="label" tone="quiet">
          {words.weather(weather)}
        </Txt>
      )}
      <ChargeLines line={line} />
      <Disclosure title={texts.change} summary={texts.changeSummary}>
        <PlanFields
          plan={plan}
          atMs={planned.fromMs}
          dayFromMs={day.fromMs}
          clock={clock}
          onChange={(next) => day.change(setup, next)}
        />
      </Disclosure>
    </View>
  );
}
