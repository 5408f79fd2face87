import { texts } from './texts';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { noticed } from '@/store/deviceSlice';
import { newId } from '@/store/ids';
import { selectFacts } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { useMemo } from 'react';

import { asVariant, differences, setAside, toVariant, type VariantDifference } from '@sphene/core/explain';
import { MOST_VARIANTS, type Setting, type Setup, type Variant } from '@sphene/core/setup';
import { type SolutionNumbers, solveNumbers } from '@sphene/core/solution';

/** A variant with what it comes to. */
export interface SeenVariant {
  variant: Variant;
  setup: Setup;
  numbers: SolutionNumbers;
  /** in what it differs from what is in force */
  changes: VariantDifference[];
}

const LETTERS = [...'ABCDEFGHIJKLMNOP'];
const freshName = (variants: readonly Variant[]): string =>
  LETTERS.map(texts.variantCalled).find((name) => variants.every((one) => one.name !== name)) ??
  texts.variantCalled('');

/** What sets the one in force aside, unless it stands there just so; null where there is no room. */
function asideOf(setup: Setup): { variants: Variant[]; settings: Setting[] } | null {
  const same = setup.variants.find((variant) => differences(asVariant(setup, variant), setup).length === 0);
  if (same !== undefined) return { variants: setup.variants, settings: [{ path: 'variantOf', value: same.id }] };
  if (setup.variants.length >= MOST_VARIANTS) return null;
  const variant = setAside(setup, newId(), freshName(setup.variants));
  const variants = [...setup.variants, variant];
  return {
    variants,
    settings: [
      { path: 'variants', value: variants },
      { path: 'variantOf', value: variant.id },
    ],
  };
}

/** Sets this one aside, then does something else with the setup; says so where there is no room. */
export function useLeaving(): (...then: Setting[]) => void {
  const { setup } = useSetup();
  const { change } = useChange();
  const dispatch = useAppDispatch();
  return (...then) => {
    const aside = asideOf(setup);
    if (aside === null) return void dispatch(noticed({ text: texts.full }));
    const settings = aside.settings.filter(({ path }) => then.every((one) => one.path !== path));
    change(...settings, ...then);
  };
}

/** The variants of the setup on screen with what each comes to, and what can be done with them. */
export function useVariants() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { change } = useChange();
  const leaving = useLeaving();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const seen = useMemo(
    () =>
      setup.variants.map((variant): SeenVariant => {
        const its = asVariant(setup, variant);
        return {
          variant,
          setup: its,
          numbers: solveNumbers(its, kit, facts, new Date(clockMs)).numbers,
          changes: differences(setup, its),
        };
      }),
    [setup, kit, facts, clockMs],
  );
  return {
    setup,
    kit,
    numbers,
    seen,
    setAside: () => leaving(),
    goTo: (variant: Variant) => leaving(...toVariant(setup, variant)),
    drop: (id: string) => change({ path: 'variants', value: setup.variants.filter((one) => one.id !== id) }),
    dropAll: () => change({ path: 'variants', value: [] }, { path: 'variantOf', value: null }),
  };
}
