import { texts } from './texts';
import { SmallPicture } from '@/features/picture/SmallPicture';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { newId } from '@/store/ids';
import { selectFacts } from '@/store/selectors';
import { type RootState, useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';

import { type Kit, percentOf } from '@sphene/core/gear';
import { type AppliedLook, applyLook, compareLooks, lookPictureOf, type LookRow, toChange } from '@sphene/core/looks';
import { formatDistance } from '@sphene/core/notation';
import { PANEL_FACTS } from '@sphene/core/setup';
import type { LookPicture } from '@sphene/core/record';

const PICTURE_PX = { width: 166, height: 208 };

/** A look tried on this setup's readings with the kit at hand; null while it is worked out. */
function useApplied(picture: LookPicture): AppliedLook | null {
  const { setup } = useSetup();
  const kit = useKit();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const store = useStore<RootState>();
  const [applied, setApplied] = useState<AppliedLook | null>(null);
  useEffect(() => {
    // a task of its own, so that what was tapped opens at once
    const timer = setTimeout(() => {
      const ids = {
        lightId: newId,
        pointId: newId,
        pointName: (role: Parameters<typeof words.pointRole>[0]) => words.pointRole(role).name,
      };
      setApplied(applyLook(picture, setup, kit, facts, new Date(store.getState().device.clockMs), ids));
    });
    return () => clearTimeout(timer);
    // readings grow older without the look being another: no ticking clock is followed
  }, [picture, setup, kit, facts, store]);
  return applied;
}

/** Its lights, lamps and panels as they would stand and be set. */
function LightsThere({ applied: { setup, numbers }, kit }: { applied: AppliedLook; kit: Kit }) {
  const unit = kit.preferences.distanceUnit;
  const lights = numbers.lights.map((light) => {
    const gear = words.front({ modifierName: light.modifierName, added: light.added });
    const stands = setup.lights[light.index];
    return texts.light(
      words.light(light),
      [light.unitName, gear].filter((part) => part !== '').join(', '),
      formatDistance(stands?.distanceM ?? light.distanceM, unit),
      light.powerText ?? texts.noPower,
    );
  });
  const lamps = setup.lamps.flatMap(({ role, lampId, distanceM, dimStops }) => {
    const name = kit.lamps.find(({ id }) => id === lampId)?.name;
    if (role === null || name === undefined) return [];
    const dimmer = texts.percent(percentOf(dimStops).toFixed(0));
    return [texts.light(words.lightRole(role).name, name, formatDistance(distanceM, unit), dimmer)];
  });
  const panels = setup.panels
    .filter(({ kind }) => !PANEL_FACTS[kind].opening)
    .map((panel) => texts.panel(words.panelName(panel), formatDistance(panel.distanceM, unit)));
  return [...lights, ...lamps, ...panels].map((line) => <Txt key={line}>{line}</Txt>);
}

/** What cannot be met, with the nearest that can, and why. */
function Misses({ applied: { misses, setup }, kit }: { applied: AppliedLook; kit: Kit }) {
  if (misses.length === 0) return <Txt tone="accent">{texts.allMet}</Txt>;
  return (
    <View role="list" aria-label={texts.cannotBeMet} style={{ gap: 4 }}>
      <Txt bold>{texts.cannotBeMet}</Txt>
      {misses.map((miss) => {
        const { title, wanted, is } = words.lookRow(miss);
        return (
          <View role="listitem" key={title}>
            <Txt>{texts.nearest(title, wanted, is)}</Txt>
            <Txt size="label" tone="quiet">
              {words.missedWhy(miss, { setup, kit })}
            </Txt>
          </View>
        );
      })}
    </View>
  );
}

/** A relation as it should be and as it is; what differs is marked by a bar and bold figures, not by colour alone. */
function Relation({ row }: { row: LookRow }) {
  const palette = usePalette();
  const { title, wanted, is } = words.lookRow(row);
  return (
    <View
      role="row"
      style={{
        flexDirection: 'row',
        gap: 8,
        paddingVertical: 4,
        paddingLeft: 8,
        borderLeftWidth: 3,
        borderLeftColor: row.met ? 'transparent' : palette.danger,
      }}
    >
      <View role="cell" style={{ flex: 2 }}>
        <Txt size="label">{title}</Txt>
      </View>
      <View role="cell" style={{ flex: 1 }}>
        <Txt size="label">{wanted}</Txt>
      </View>
      <View role="cell" style={{ flex: 1 }}>
        <Txt size="label" bold={!row.met}>
          {is}
        </Txt>
      </View>
    </View>
  );
}

/** The picture as it stands, relation by relation against a look. */
function AsItStands({ picture }: { picture: LookPicture }) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const rows = compareLooks(picture, lookPictureOf(setup, kit, numbers));
  const off = rows.filter(({ met }) => !met).length;
  const culprits = toChange(rows, picture);
  return (
    <View role="table" aria-label={texts.asNow} style={{ gap: 2 }}>
      <Txt bold>{texts.asNow}</Txt>
      <Txt tone={off === 0 ? 'accent' : 'text'}>{off === 0 ? texts.allSame : texts.differs(off)}</Txt>
      {culprits.length > 0 && <Txt bold>{texts.toChange(culprits.map(words.lookCulprit).join(', '))}</Txt>}
      <View role="row" style={{ flexDirection: 'row', gap: 8, paddingLeft: 11 }}>
        {[texts.relation, texts.look, texts.now].map((title, index) => (
          <View key={title} role="columnheader" style={{ flex: index === 0 ? 2 : 1 }}>
            <Txt size="label" tone="quiet">
              {title}
            </Txt>
          </View>
        ))}
      </View>
      {rows.map((row) => (
        <Relation key={words.lookRow(row).title} row={row} />
      ))}
    </View>
  );
}

/** A look against this setup: what it would be here with the kit at hand, and how the picture differs from it now. */
export function LookCard({ name, picture }: { name: string; picture: LookPicture }) {
  const kit = useKit();
  const { change } = useChange();
  const applied = useApplied(picture);
  return (
    <View style={{ gap: 12 }}>
      {applied === null ? (
        <Txt role="status" tone="quiet">
          {texts.workingOut}
        </Txt>
      ) : (
        <View role="group" aria-label={texts.hereWith} style={{ gap: 8 }}>
          <Txt bold>{texts.hereWith}</Txt>
          {applied.numbers.camera !== null && (
            <SmallPicture
              setup={applied.setup}
              kit={kit}
              numbers={applied.numbers}
              roomPx={PICTURE_PX}
              name={texts.pictureWith(name)}
            />
          )}
          {applied.numbers.camera !== null && (
            <Txt bold>
              {[
                applied.numbers.camera.text.shutter,
                applied.numbers.camera.text.aperture,
                applied.numbers.camera.text.iso,
              ].join('  ')}
            </Txt>
          )}
          <LightsThere applied={applied} kit={kit} />
          <Misses applied={applied} kit={kit} />
          <View style={{ alignItems: 'flex-start' }}>
            <ActionButton
              label={texts.take}
              name={texts.takeLook(name)}
              icon="check"
              onPress={() => change(...applied.settings)}
            />
          </View>
        </View>
      )}
      <AsItStands picture={picture} />
    </View>
  );
}
