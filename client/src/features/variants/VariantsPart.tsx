import { texts } from './texts';
import { SmallPicture } from '@/features/picture/SmallPicture';

import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';

import { inOrder } from '@sphene/core/explain';
import type { Kit } from '@sphene/core/gear';
import type { Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';
import { sayDifference } from './sayDifference';
import { type SeenVariant, useVariants } from './useVariants';

/** Two stand side by side on a phone. */
const COLUMN_PX = 166;
const PICTURE_PX = { width: COLUMN_PX, height: 208 };

const settingsOf = ({ camera }: SolutionNumbers): string =>
  camera === null
    ? texts.noCameraSettingsYet
    : [camera.text.shutter, camera.text.aperture, camera.text.iso.replace('ISO ', ''), camera.text.filters]
        .filter((part) => part !== null)
        .join('  ');

/** What is off where the camera cannot do what is wished for. */
function offOf({ camera }: SolutionNumbers): string | null {
  if (camera === null || camera.met) return null;
  const side = camera.missing === 'too-bright' ? texts.tooBright : texts.tooDark;
  return texts.stopsOff(camera.missingStops.toFixed(1), side);
}

/** One way of making the picture: its picture, what is dialled, and what can be done with it. */
function Column({
  name,
  setup,
  kit,
  numbers,
  children,
}: {
  name: string;
  setup: Setup;
  kit: Kit;
  numbers: SolutionNumbers;
  children?: ReactNode;
}) {
  const palette = usePalette();
  const off = offOf(numbers);
  return (
    <View role="article" aria-label={name} style={{ width: COLUMN_PX, gap: 4 }}>
      <View style={{ height: PICTURE_PX.height, justifyContent: 'center', backgroundColor: palette.raised }}>
        {numbers.camera === null ? (
          <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
            {texts.notMeteredYet}
          </Txt>
        ) : (
          <View style={{ alignItems: 'center' }}>
            <SmallPicture setup={setup} kit={kit} numbers={numbers} roomPx={PICTURE_PX} name={texts.pictureOf(name)} />
          </View>
        )}
      </View>
      <Txt bold>{name}</Txt>
      <Txt bold numberOfLines={1}>
        {settingsOf(numbers)}
      </Txt>
      {numbers.lights.map(({ lightId, group, powerText }) => (
        <Txt key={lightId} bold tone="flash">{`${group} ${powerText ?? texts.off}`}</Txt>
      ))}
      {off !== null && (
        <Txt size="label" tone="danger">
          {off}
        </Txt>
      )}
      {children}
    </View>
  );
}

/** What is otherwise in a variant, in a line for each thing; pairs that differ in one thing are marked. */
function HowItDiffers({ seen: { changes, setup }, kit }: { seen: SeenVariant; kit: Kit }) {
  const mark = changes.length === 0 ? texts.same : changes.length === 1 ? texts.oneThing : texts.things(changes.length);
  return (
    <View style={{ gap: 2, flexGrow: 1 }}>
      <Txt size="label" bold={changes.length === 1} tone={changes.length === 1 ? 'accent' : 'quiet'}>
        {mark}
      </Txt>
      {changes.map((change) => {
        const said = sayDifference(change, setup, kit);
        return (
          <Txt key={said} size="label" tone="quiet">
            {said}
          </Txt>
        );
      })}
    </View>
  );
}

/** The wished variants one after the other: what is changed for each, and what changes besides. */
function Order({
  seen,
  setup,
  numbers,
  kit,
}: {
  seen: SeenVariant[];
  setup: Setup;
  numbers: SolutionNumbers;
  kit: Kit;
}) {
  const steps = inOrder(
    setup,
    seen.map((one) => one.setup),
  );
  const before = (at: number) => (at === 0 ? numbers : (seen[steps[at - 1]?.index ?? 0]?.numbers ?? numbers));
  return (
    <View role="list" aria-label={texts.bestOrder} style={{ gap: 8 }}>
      <Txt bold>{texts.bestOrder}</Txt>
      <Txt size="label" tone="quiet">
        {texts.bestOrderWhy}
      </Txt>
      {steps.map(({ index, changes }, at) => {
        const its = seen[index];
        if (its === undefined) return null;
        const [first, ...others] = changes.map((change) => sayDifference(change, its.setup, kit));
        const follows = settingsOf(its.numbers) !== settingsOf(before(at));
        return (
          <View key={its.variant.id} role="listitem">
            <Txt>{`${texts.step(at + 1, its.variant.name)}: ${first ?? texts.nothingToChange}`}</Txt>
            {others.map((other) => (
              <Txt key={other} bold tone="danger">
                {texts.also(other)}
              </Txt>
            ))}
            {follows && <Txt tone="quiet">{texts.follows(settingsOf(its.numbers))}</Txt>}
          </View>
        );
      })}
    </View>
  );
}

/** Other ways of making the picture side by side with the one in force: any of them can be gone back to. */
export function VariantsPart() {
  const { setup, kit, numbers, seen, setAside, goTo, drop, dropAll } = useVariants();
  return (
    <View style={{ gap: 12 }}>
      <ScrollView
        horizontal
        role="region"
        aria-label={texts.sideBySide}
        tabIndex={0}
        contentContainerStyle={{ gap: 12 }}
      >
        <Column name={texts.now} setup={setup} kit={kit} numbers={numbers} />
        {seen.map((one) => (
          <Column key={one.variant.id} name={one.variant.name} setup={one.setup} kit={kit} numbers={one.numbers}>
            <HowItDiffers seen={one} kit={kit} />
            <ActionButton
              label={texts.goTo}
              name={texts.goToIt(one.variant.name)}
              disabled={one.changes.length === 0}
              onPress={() => goTo(one.variant)}
            />
            <ActionButton
              label={texts.drop}
              name={texts.dropIt(one.variant.name)}
              kind="plain"
              onPress={() => drop(one.variant.id)}
            />
          </Column>
        ))}
      </ScrollView>
      <ActionButton label={texts.setThisOneAside} onPress={setAside} />
      <Txt size="label" tone="quiet">
        {texts.setAsideWhy}
      </Txt>
      {seen.length > 1 && <Order seen={seen} setup={setup} numbers={numbers} kit={kit} />}
      {seen.length > 0 && <ActionButton kind="plain" label={texts.keepOnlyNow} onPress={dropAll} />}
    </View>
  );
}

/** The variants by name, for a part that is folded. */
export const variantsSummary = ({ variants }: Setup): string =>
  variants.length === 0 ? texts.variantsWhy : texts.aside(variants.map(({ name }) => name).join(', '));
