import { texts } from './texts';
import { words } from '@/language/words';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { PrintPart } from '@/shell/paper/PrintPart';
import { Screen } from '@/shell/Screen';
import { selectNumbers } from '@/setupView/selectSolution';
import { useActions } from '@/store/application';
import { selectGear } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ChoiceList } from '@/ui/ChoiceList';
import { NumberDial } from '@/ui/dials';
import { Heading, Txt } from '@/ui/Txt';
import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';

import type { HeldThing, PackedSetup, PackedThing } from '@sphene/core/plan';
import type { Setup } from '@sphene/core/setup';
import { packedName, packingSheet } from '@sphene/core/sheets';
import { PackedRow, tickKey } from './PackedRow';
import { type ShootPacking, usePacking } from './usePacking';
import { WeightsPart } from './WeightsPart';

const MOST_PX = 760;
/** Ticks of the whole shoot stand under this name, those of a setup under its id. */
const ALL = 'all';
const HELPERS = { least: 0, most: 12, step: 1, decimals: 0 } as const;

const nameOfHeld = ({ id, kind }: HeldThing, { lights, panels }: Setup): string => {
  const light = lights.find((one) => one.id === id);
  const panel = panels.find((one) => one.id === id);
  if (kind === 'light' && light !== undefined) return words.light(light);
  return panel === undefined ? '' : words.panelName(panel);
};

function sayHolder(held: HeldThing, setup: Setup): string {
  const name = nameOfHeld(held, setup);
  switch (held.holder.by) {
    case 'stand':
      return texts.byStand(name, held.holder.standName);
    case 'helper':
      return texts.byHelper(name);
    case 'own-hand':
      return texts.byOwnHand(name);
    case 'nobody':
      return texts.byNobody(name);
  }
}

/** One setup's part: who holds what and whether it reaches, and what comes, goes on and stays behind. */
function OfSetup({ part, setup, things }: { part: PackedSetup; setup: Setup; things: readonly PackedThing[] }) {
  const names = (keys: readonly string[]) =>
    things
      .filter(({ key }) => keys.includes(key))
      .map((thing) => packedName(thing, words))
      .join(', ');
  const kit = useAppSelector(selectGear);
  const cautions = useAppSelector((state) => selectNumbers(state, setup.id)?.cautions);
  const short = (cautions ?? []).filter((caution) => caution.kind === 'stand-too-short');
  const [comes, goesOn, behind] = [names(part.comes), names(part.goesOn), names(part.staysBehind)];
  return (
    <View style={{ gap: 4 }}>
      {part.held.length > 0 && <Heading>{texts.whoHolds}</Heading>}
      {part.held.map((held) => (
        <Txt key={held.id} tone={held.holder.by === 'nobody' ? 'danger' : 'text'}>
          {sayHolder(held, setup)}
        </Txt>
      ))}
      {part.handsMissing > 0 && (
        <Txt role="alert" tone="danger" bold>
          {texts.handsMissing(part.handsMissing)}
        </Txt>
      )}
      {short.map((caution) => (
        <Txt key={caution.lightId} role="alert" tone="danger">
          {words.caution(caution, { setup, kit })}
        </Txt>
      ))}
      {comes !== '' && <Txt>{texts.comes(comes)}</Txt>}
      {goesOn !== '' && <Txt>{texts.goesOn(goesOn)}</Txt>}
      {behind !== '' && <Txt>{texts.staysBehind(behind)}</Txt>}
    </View>
  );
}

/** What all of it weighs, and how often one goes for it. */
function Weight({ packing, onHelpers }: { packing: ShootPacking; onHelpers: (helpers: number) => void }) {
  const { list, said } = packing;
  const together = Math.max(1, Math.ceil(list.massKg / list.carriedKg));
  return (
    <View style={{ gap: 12 }}>
      <View style={{ flexDirection: 'row', gap: 32, flexWrap: 'wrap' }}>
        {[
          { label: texts.weighs, value: words.sheet.kilograms(list.massKg) },
          { label: texts.ways, value: String(list.trips) },
        ].map(({ label, value }) => (
          <View key={label}>
            <Txt size="label" tone="quiet">
              {label}
            </Txt>
            <Txt size="figure" bold>
              {value}
            </Txt>
          </View>
        ))}
      </View>
      <NumberDial
        {...HELPERS}
        label={texts.helpers}
        unit={texts.people}
        note={texts.helpersNote}
        value={said.helpers}
        onChange={onHelpers}
      />
      <Txt role="status">
        {texts.carried(words.sheet.kilograms(list.carriedKg))} {together === 1 ? texts.oneWay : texts.goTwice(together)}
      </Txt>
    </View>
  );
}

/** The packing list of a shoot, ticked off out and back, for all of it or setup by setup. */
export function PackingScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const actions = useActions();
  const packing = usePacking(id);
  const [of, setOf] = useState(ALL);
  const sheet = useMemo(
    () => (packing === null ? null : packingSheet(packing.list, packing.setups, packing.day.shoot, words)),
    [packing],
  );
  if (packing === null || sheet === null) return <NotFoundScreen />;
  const { list, said, setups, day } = packing;
  const shown = of === ALL ? list.things : list.things.filter(({ setupIds }) => setupIds.includes(of));
  const tickOf = (thing: PackedThing) => said.ticks[tickKey(of, thing.key)] ?? { out: false, back: false };
  const outs = shown.filter((thing) => tickOf(thing).out);
  const waiting = outs.filter((thing) => !tickOf(thing).back);
  const part = list.setups.find(({ setupId }) => setupId === of);
  const setup = setups.find((one) => one.id === of);
  const isComingBack = waiting.length < outs.length;
  return (
    <Screen title={texts.packing} place={day.shoot.title} up={`/shoot/${id}`}>
      <ScrollView
        contentContainerStyle={{ padding: 16, gap: 24, maxWidth: MOST_PX, width: '100%', alignSelf: 'center' }}
      >
        {list.things.length === 0 ? (
          <Txt>{texts.nothing}</Txt>
        ) : (
          <>
            <Weight packing={packing} onHelpers={(helpers) => actions.setPacking(id, () => ({ helpers }))} />
            <ChoiceList
              label={texts.list}
              showLabel={false}
              layout="scroll"
              value={of}
              onChoose={setOf}
              choices={[
                { value: ALL, label: texts.whole },
                ...setups.map((one) => ({ value: one.id, label: one.title })),
              ]}
            />
            {part !== undefined && setup !== undefined && <OfSetup part={part} setup={setup} things={list.things} />}
            <Txt size="label" tone="quiet" role="status">
              {texts.done(outs.length, outs.length - waiting.length, shown.length)}
              {isComingBack && waiting.length > 0
                ? ` · ${texts.missing(waiting.map((thing) => packedName(thing, words)).join(', '))}`
                : ''}
            </Txt>
            <View role="list">
              {shown.map((thing) => (
                <PackedRow
                  key={thing.key}
                  thing={thing}
                  titles={thing.setupIds.flatMap((one) => setups.find((its) => its.id === one)?.title ?? [])}
                  tick={tickOf(thing)}
                  onTick={(tick) =>
                    actions.setPacking(id, ({ ticks }) => ({ ticks: { ...ticks, [tickKey(of, thing.key)]: tick } }))
                  }
                />
              ))}
            </View>
            <WeightsPart
              things={list.things}
              massKg={said.massKg}
              onChange={(massKg) => actions.setPacking(id, () => ({ massKg }))}
            />
            <PrintPart sheet={sheet} />
          </>
        )}
      </ScrollView>
    </Screen>
  );
}
