import { THEME_CHOICES, type ThemeChoice } from './deviceSlice';

const KEY = 'sphene.theme';
/** A theme from what was stored; null for anything else. */
export const asTheme = (value: unknown): ThemeChoice | null => THEME_CHOICES.find((choice) => choice === value) ?? null;

/**
 * The theme that this device keeps: at hand before anything is drawn, and kept before the tap is over. Null where none was
 * chosen, or where the page may not store anything.
 */
export function storedTheme(): ThemeChoice | null {
  try {
    return asTheme(globalThis.localStorage?.getItem(KEY));
  } catch {
    return null;
  }
}

/** Keeps the theme on this device; where storage is blocked it holds until the page is closed. */
export function storeTheme(theme: ThemeChoice): void {
  try {
    globalThis.localStorage?.setItem(KEY, theme);
  } catch {
    // a private window: the screen follows all the same
  }
}

/** Tells when another tab of this device keeps another theme. @returns how to end it */
export function followTheme(told: (theme: ThemeChoice) => void): () => void {
  const follow = ({ key, newValue }: StorageEvent) => {
    const theme = key === KEY ? asTheme(newValue) : null;
    if (theme !== null) told(theme);
  };
  globalThis.addEventListener('storage', follow);
  return () => globalThis.removeEventListener('storage', follow);
}
