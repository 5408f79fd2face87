import { texts } from './texts';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { NumberDial } from '@/ui/dials';
import { StopDial } from '@/ui/StopDial';
import { ToggleList } from '@/ui/ToggleList';
import { View } from 'react-native';

import { failure, success } from '@sphene/core/photometry';
import type { PlanWindow, SetupPlan } from '@sphene/core/setup';

const MINUTE_MS = 60_000;
const STEP_MINUTES = 5;
const MINUTES = { unit: texts.minutes, least: 0, most: 600, step: 5, decimals: 0 } as const;
const HEIGHT = { unit: '°', least: -18, most: 90, step: 1, decimals: 0 } as const;

type WindowId = keyof typeof texts.windows;
/** The usual windows. Source: as photographers have them, by the sun's height. */
const WINDOWS: Record<Exclude<WindowId, 'any' | 'own'>, PlanWindow> = {
  'golden-evening': { by: 'heights', fromDeg: 6, toDeg: -4 },
  'blue-evening': { by: 'heights', fromDeg: -4, toDeg: -8 },
  'golden-morning': { by: 'heights', fromDeg: -4, toDeg: 6 },
  'sun-on': { by: 'sun', reaches: true },
  'sun-off': { by: 'sun', reaches: false },
};
const IDS: readonly WindowId[] = [
  'any',
  'golden-evening',
  'blue-evening',
  'golden-morning',
  'sun-on',
  'sun-off',
  'own',
];
const OWN: PlanWindow = { by: 'heights', fromDeg: 10, toDeg: 0 };

const isSame = (a: PlanWindow, b: PlanWindow): boolean => JSON.stringify(a) === JSON.stringify(b);

function windowId(window: PlanWindow | null): WindowId {
  if (window === null) return 'any';
  const usual = Object.entries(WINDOWS).find(([, one]) => isSame(one, window));
  return (usual?.[0] as WindowId | undefined) ?? 'own';
}

const windowOf = (id: WindowId): PlanWindow | null => (id === 'any' ? null : id === 'own' ? OWN : WINDOWS[id]);

/** A time of the day, stepped by five minutes or typed. */
function TimeDial({
  atMs,
  dayFromMs,
  clock,
  onTime,
}: {
  atMs: number;
  dayFromMs: number;
  clock: (ms: number) => string;
  onTime: (ms: number) => void;
}) {
  const parse = (text: string) => {
    const [, hour, minute] = /^(\d{1,2})[:.h ]?(\d{2})$/.exec(text.trim()) ?? [];
    if (hour === undefined || Number(hour) > 23 || Number(minute) > 59) return failure(texts.writeATime);
    const wanted = `${hour.padStart(2, '0')}:${minute ?? '00'}`;
    // by the place's own clock: an hour that the day does not have is not there
    for (let ms = dayFromMs; ms < dayFromMs + 25 * 60 * MINUTE_MS; ms += MINUTE_MS)
      if (clock(ms) === wanted) return success(ms);
    return failure(texts.writeATime);
  };
  return (
    <StopDial
      label={texts.first}
      text={clock(atMs)}
      parse={parse}
      onChange={onTime}
      down={{ name: texts.earlier, onPress: () => onTime(atMs - STEP_MINUTES * MINUTE_MS), disabled: false }}
      up={{ name: texts.later, onPress: () => onTime(atMs + STEP_MINUTES * MINUTE_MS), disabled: false }}
    />
  );
}

interface PlanFieldsProps {
  plan: SetupPlan;
  /** where it stands now */
  atMs: number;
  dayFromMs: number;
  clock: (ms: number) => string;
  onChange: (plan: SetupPlan) => void;
}

/** When a setup is made, how long it takes, how much it is wanted. */
export function PlanFields({ plan, atMs, dayFromMs, clock, onChange }: PlanFieldsProps) {
  const put = (said: Partial<SetupPlan>) => onChange({ ...plan, ...said });
  const { window } = plan;
  const own = window?.by === 'heights' && windowId(window) === 'own' ? window : null;
  const lasts = [
    ['setUpMin', texts.setUp],
    ['shootMin', texts.shooting],
    ['packMin', texts.packing],
    ['moveMin', texts.moving],
  ] as const;
  return (
    <View style={{ gap: 12 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: 12 }}>
        <TimeDial
          atMs={atMs}
          dayFromMs={dayFromMs}
          clock={clock}
          onTime={(ms) => put({ startsAt: new Date(ms).toISOString() })}
        />
        {plan.startsAt !== null && (
          <ActionButton kind="plain" label={texts.letWindowSay} onPress={() => put({ startsAt: null })} />
        )}
      </View>
      <ChoiceList
        label={texts.window}
        layout="wrap"
        value={windowId(window)}
        onChoose={(id) => put({ window: windowOf(id) })}
        choices={IDS.map((value) => ({ value, label: texts.windows[value] }))}
      />
      {own !== null && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
          <NumberDial
            {...HEIGHT}
            label={texts.fromHeight}
            value={own.fromDeg}
            onChange={(fromDeg) => put({ window: { ...own, fromDeg } })}
          />
          <NumberDial
            {...HEIGHT}
            label={texts.toHeight}
            value={own.toDeg}
            onChange={(toDeg) => put({ window: { ...own, toDeg } })}
          />
        </View>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        {lasts.map(([key, label]) => (
          <NumberDial
            key={key}
            {...MINUTES}
            label={label}
            value={plan[key]}
            onChange={(minutes) => put({ [key]: Math.round(minutes) })}
          />
        ))}
      </View>
      <ChoiceList
        label={texts.worth}
        layout="row"
        value={String(plan.value)}
        onChoose={(value) => put({ value: Number(value) })}
        choices={['1', '2', '3', '4', '5'].map((value) => ({ value, label: value }))}
      />
      <ToggleList
        label={texts.must}
        choices={[{ value: 'must', label: texts.must }]}
        values={plan.must ? ['must'] : []}
        onChange={(values) => put({ must: values.length > 0 })}
      />
    </View>
  );
}
