import { texts } from './texts';
import { words } from '@/language/words';
import { pictureMaker } from '@/workers/pictures';

import type { Picture as Developed } from '@sphene/core/renderer';
import type { Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';

/** PNG text is Latin: everything else is written as JSON escapes. */
const latin = (text: string): string =>
  text.replace(/[^\x20-\x7e]/g, (letter) => `\\u${letter.charCodeAt(0).toString(16).padStart(4, '0')}`);

/** The settings that a picture was made with, as PNG text. */
export function pictureText(setup: Setup, numbers: SolutionNumbers): Record<string, string> {
  const { camera, lights, points, stage, colour } = numbers;
  const settings = {
    setup: setup.title,
    camera: camera === null ? null : camera.text,
    whiteBalance: words.kelvin(colour.whiteBalance),
    lights: lights.map(({ role, group, unitName, modifierName, powerText }) => ({
      role,
      group,
      unit: unitName,
      modifier: modifierName,
      power: powerText,
    })),
    stage: stage.lights.map(({ role, group, at, noseDeg, softnessDeg }) => ({
      name: words.light({ role, group }),
      at,
      noseDeg: Number(noseDeg.toFixed(1)),
      softnessDeg: Number(softnessDeg.toFixed(1)),
    })),
    tones: points.map(({ name, placedStops }) => ({
      name,
      stops: placedStops === null ? null : Number(placedStops.toFixed(2)),
    })),
  };
  return {
    Title: latin(setup.title),
    Software: 'Sphene',
    Description: texts.computedPictureNotAPhotograph,
    'Sphene settings': latin(JSON.stringify(settings)),
  };
}

/** Saves a picture as a PNG file with its settings in it. */
export async function savePicture(developed: Developed, setup: Setup, numbers: SolutionNumbers): Promise<void> {
  const file = await pictureMaker().png(
    developed.rgba.slice(),
    developed.width,
    developed.height,
    pictureText(setup, numbers),
  );
  const url = URL.createObjectURL(new Blob([file as Uint8Array<ArrayBuffer>], { type: 'image/png' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${
    setup.title
      .replace(/[^\w-]+/g, '-')
      .replace(/^-|-$/g, '')
      .toLowerCase() || 'setup'
  }.png`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
