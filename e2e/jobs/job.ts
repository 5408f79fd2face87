import type { Locator, Page } from '@playwright/test';

import { expect, SetupPage, type Stack } from '../stack';

/** What is to be dialled, as the screen prints it: times in seconds, powers as they stand there. */
export interface Dialled {
  seconds: number;
  aperture: number;
  iso: number;
  powers: string[];
}

/** EV at ISO 100 of settings: log2(N²/t) − log2(ISO/100). Source: ISO 2720. */
export const evOf = ({ seconds, aperture, iso }: Omit<Dialled, 'powers'>): number =>
  Math.log2(aperture ** 2 / seconds) - Math.log2(iso / 100);

/** A power of a dial in fractions, stops under full: `1/64 +0.3` is −5.7. */
export function stopsOfPower(text: string): number {
  const [, denominator = '1', tenths = '0'] = /^1\/(\d+)(?: \+(\d\.\d))?$/.exec(text) ?? [];
  return Number(tenths) - Math.log2(Number(denominator));
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** A whole job on a wide screen, where every part is at hand: what a photographer does, in their words. */
export class Job extends SetupPage {
  constructor(
    page: Page,
    private readonly stack: Stack,
  ) {
    super(page);
  }

  /** An empty shoot, without lights. */
  async begin(name: string): Promise<void> {
    await this.openFresh(this.stack, name);
  }

  region(name: 'Ambient' | 'Look' | 'Camera' | 'Lights' | 'Stage' | 'Check' | 'Log'): Locator {
    return this.page.getByRole('region', { name, exact: true });
  }

  /** Meters a point in one line; a point that is not there yet is added. */
  async meter(point: string, line: string): Promise<void> {
    const ambient = this.region('Ambient');
    const points = ambient.getByRole('radiogroup', { name: 'Point' });
    const own = points.getByRole('radio', { name: new RegExp(`^${point}`) });
    if ((await own.count()) === 0) {
      const add = ambient.getByRole('button', { name: `Add ${point.toLowerCase()}`, exact: true });
      if ((await add.count()) === 0) await ambient.getByRole('button', { name: 'More points' }).click();
      await add.first().click();
    }
    await own.click();
    await this.typeReading('Ambient', `${point}, ambient`, line);
    await expect(own).toHaveAccessibleName(/, f\//);
  }

  /** Types over a dial. */
  async type(region: Locator, dial: string, value: string): Promise<void> {
    await region
      .getByRole('button', { name: new RegExp(`^${escaped(dial)}:? .*Type a value`) })
      .first()
      .click();
    const field = region.getByRole('textbox', { name: `${dial}, typed` });
    await field.fill(value);
    await field.press('Enter');
    await expect(field).toHaveCount(0);
  }

  /** Opens a folded part, if it is folded. */
  async unfold(region: Locator, title: string): Promise<void> {
    const button = region.getByRole('button', { name: new RegExp(`^${escaped(title)}\\. `) }).first();
    if ((await button.getAttribute('aria-expanded')) === 'false') await button.click();
  }

  async choose(region: Locator, name: string | RegExp): Promise<void> {
    await region.getByRole('radio', { name }).first().click();
  }

  /** How far the ambient is held back, by one of the usual places. */
  async look(mark: 'Hint' | 'Touch' | 'Lift' | 'Even' | 'Lead' | 'Carry' | 'Dusk' | 'Shut'): Promise<void> {
    await this.region('Look')
      .getByRole('button', { name: new RegExp(`^${mark}: `) })
      .click();
  }

  async aperture(value: string): Promise<void> {
    await this.type(this.region('Camera'), 'Wanted aperture', value);
  }

  /** Adds a light with its gear at a place. */
  async light(
    role: 'key' | 'fill' | 'rim' | 'background',
    letter: string,
    gear: { unit?: string; modifier?: string; grid?: string; distanceM?: string; sideDeg?: string } = {},
  ): Promise<Locator> {
    const lights = this.region('Lights');
    await lights.getByRole('button', { name: new RegExp(`^Add a ${role}`) }).click();
    const name = `${role.charAt(0).toUpperCase()}${role.slice(1)} ${letter}`;
    const card = lights.getByRole('group', { name, exact: true });
    await expect(card).toBeVisible();
    const folded = card.getByRole('button', { name: new RegExp(`^${name}, `) }).first();
    if ((await folded.count()) > 0 && (await folded.getAttribute('aria-expanded')) === 'false') await folded.click();
    if (gear.unit !== undefined) await this.choose(card, gear.unit);
    if (gear.modifier !== undefined) await this.choose(card, gear.modifier);
    if (gear.grid !== undefined) {
      await this.unfold(card, 'Grid, gels, stand, radio');
      await this.choose(card, new RegExp(`^${gear.grid}`));
    }
    if (gear.distanceM !== undefined) await this.typeDistance(card, gear.distanceM);
    if (gear.sideDeg !== undefined) {
      await this.unfold(card, 'Role, aim and place');
      await this.type(card, 'To the side of the camera', gear.sideDeg);
    }
    return card;
  }

  private async typeDistance(card: Locator, value: string): Promise<void> {
    await card.getByRole('button', { name: /^Distance to .*Type a value/ }).click();
    const field = card.getByRole('textbox', { name: /^Distance to .*typed$/ });
    await field.fill(value);
    await field.press('Enter');
    await expect(field).toHaveCount(0);
  }

  /** Everything that is to be dialled, read off the screen. */
  async dialled(): Promise<Dialled> {
    const text = (await this.page.getByRole('group', { name: 'To be dialled' }).first().innerText()).split('\n');
    const after = (name: string) => text[text.indexOf(name) + 1] ?? '';
    const shutter = after('Shutter');
    const seconds = shutter.startsWith('1/') ? 1 / Number(shutter.slice(2)) : Number.parseFloat(shutter);
    const powers = text.filter(
      (line) => /^(1\/\d+( \+\d\.\d)?|\d+(\.\d)? Ws|off|1\/1)$/.test(line) && line !== shutter,
    );
    return { seconds, aperture: Number(after('Aperture').replace('f/', '')), iso: Number(after('ISO')), powers };
  }

  /** Does what the bar says until it says what is wanted; what is asked on the way is answered as it stands. */
  async until(wanted: RegExp): Promise<void> {
    for (let step = 0; step < 12; step += 1) {
      const text = (await this.next.textContent()) ?? '';
      if (wanted.test(text)) return;
      await this.doNext();
      await expect(this.next).not.toHaveText(text);
    }
    await expect(this.next).toContainText(wanted);
  }

  /** What the meter should read by the bar or the head of the screen: `f/2.8¹` as stops of aperture. */
  async shouldRead(): Promise<number> {
    const text = (await this.page.getByRole('group', { name: 'To be dialled' }).first().innerText()).split('\n');
    const figure = text[text.indexOf('should read') + 1] ?? '';
    return stopsOfAperture(figure);
  }

  /** Types what the meter showed of a test, stops of aperture over f/1. */
  async readTest(stops: number): Promise<void> {
    const field = this.region('Check').getByRole('textbox').first();
    await field.fill((2 ** (stops / 2)).toFixed(2));
    await field.press('Enter');
    await expect(field).toHaveValue('');
  }
}

const TENTHS = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const WHOLE = [1, 1.4, 2, 2.8, 4, 5.6, 8, 11, 16, 22, 32, 45];
/** `f/2.8³` is 3.3 stops over f/1. */
export function stopsOfAperture(figure: string): number {
  const [, whole = '', tenth = ''] = /^f\/(\d+(?:\.\d)?)([⁰¹²³⁴⁵⁶⁷⁸⁹]?)$/.exec(figure) ?? [];
  const stop = WHOLE.indexOf(Number(whole));
  return stop + (tenth === '' ? 0 : TENTHS.indexOf(tenth) / 10);
}
