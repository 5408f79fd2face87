import { texts } from './texts';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { NumberDial } from '@/ui/dials';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import { whenLate } from '@sphene/core/plan';
import type { Setup, SetupPlan } from '@sphene/core/setup';
import type { DayPlan } from './useDayPlan';

const MINUTE_MS = 60_000;
const LATE = { unit: texts.minutes, least: 0, most: 240, step: 5, decimals: 0 } as const;

/** What is still to come: on the day itself what has not ended, on another everything. */
function stillToCome(day: DayPlan, nowMs: number) {
  const ended = new Set(day.lines.filter(({ planned }) => planned.toMs < nowMs).map(({ setup }) => setup.id));
  const left = day.entries.filter(({ setupId }) => !ended.has(setupId));
  return left.length === 0 ? day.entries : left;
}

/** Running late: what to leave out so that what is worth most still comes in time, and the times that follow. */
export function LatePart({ day }: { day: DayPlan }) {
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const [lateMin, setLateMin] = useState(20);
  const nextMs = (entries: typeof day.entries) =>
    Math.min(
      ...day.lines
        .filter(({ setup }) => entries.some((one) => one.setupId === setup.id))
        .map(({ planned }) => planned.busy.fromMs),
    );
  const entries = stillToCome(day, clockMs);
  if (entries.length === 0) return null;
  const told = whenLate(entries, nextMs(entries) + lateMin * MINUTE_MS);
  const titleOf = (id: string) => day.lines.find(({ setup }) => setup.id === id)?.setup.title ?? '';
  const titles = (ids: readonly string[]) => ids.map(titleOf).join(', ');
  const take = () =>
    day.changeAll(
      told.kept.flatMap(({ setupId, fromMs }): { setup: Setup; plan: SetupPlan }[] => {
        const setup = day.lines.find((one) => one.setup.id === setupId)?.setup;
        return setup?.plan == null
          ? []
          : [{ setup, plan: { ...setup.plan, startsAt: new Date(fromMs).toISOString() } }];
      }),
    );
  return (
    <Disclosure title={texts.late} summary={texts.lateSummary}>
      <NumberDial {...LATE} label={texts.lateBy} value={lateMin} onChange={setLateMin} />
      <View role="status" style={{ gap: 4 }}>
        {told.drop.length + told.missed.length === 0 && <Txt bold>{texts.dropNothing}</Txt>}
        {told.drop.length > 0 && <Txt bold>{texts.leaveOut(titles(told.drop))}</Txt>}
        {told.missed.length > 0 && (
          <Txt tone="danger" bold>
            {texts.missed(titles(told.missed))}
          </Txt>
        )}
      </View>
      {told.kept.map(({ setupId, fromMs, toMs }) => (
        <Txt key={setupId}>
          <Txt bold>{texts.fromTo(day.clock(fromMs), day.clock(toMs))}</Txt> {titleOf(setupId)}
        </Txt>
      ))}
      <View style={{ alignItems: 'flex-start' }}>
        <ActionButton label={texts.takeTheseTimes} onPress={take} />
      </View>
    </Disclosure>
  );
}
