// Writes client/src/ui/iconPaths.ts with only the icons named here, since Metro does not shake @mdi/js.
import * as mdi from '@mdi/js';
import { writeFileSync } from 'node:fs';

const NAMES = [
  'arrow-left',
  'arrow-right',
  'plus',
  'minus',
  'check',
  'close',
  'undo',
  'cog-outline',
  'tray-arrow-up',
  'tray-arrow-down',
  'trash-can-outline',
  'chevron-left',
  'chevron-right',
  'backspace-outline',
  'cloud-check-outline',
  'cloud-off-outline',
  'cloud-sync-outline',
  'alert-outline',
  'restore',
  'keyboard-outline',
  'menu-down',
  'magnify',
  'pencil-outline',
  'image-plus-outline',
  'access-point',
  'chevron-down',
  'chevron-up',
  'pin',
  'pin-outline',
  'calculator-variant-outline',
  'scale-balance',
  'lightbulb-outline',
  'content-copy',
  'flip-horizontal',
  'magnify-plus-outline',
  'magnify-minus-outline',
  'image-outline',
  'fullscreen',
  'archive-outline',
  'calendar',
  'calendar-blank',
  'star',
  'star-outline',
  'card-text-outline',
];
const key = (name) =>
  `mdi${name
    .split('-')
    .map((word) => word[0].toUpperCase() + word.slice(1))
    .join('')}`;
const rows = NAMES.map((name) => {
  const path = mdi[key(name)];
  if (!path) throw new Error(`there is no icon ${name}`);
  return `  '${name}': '${path}',`;
});
writeFileSync(
  new URL('../client/src/ui/iconPaths.ts', import.meta.url),
  `// Written by scripts/icons.mjs\nexport const iconPaths = {\n${rows.join('\n')}\n} as const;\nexport ` +
    `type IconName = keyof typeof iconPaths;\n`,
);
