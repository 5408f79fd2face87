import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import ts from 'typescript';

import { SAMPLE_DOCUMENTS } from '@sphene/core/sample';
import { pseudoText } from '@sphene/core/words';
import { SCREENS } from './screens';
import { expect, test } from './stack';

const ENGLISH = path.resolve(import.meta.dirname, '../core/src/english');
const LANGUAGE_KEY = 'sphene.language';

/** The sources of the client and of the sample, where some pieces stand as texts or names of their own. */
const ELSEWHERE = ['../client/src', '../core/src/sample'].map((folder) => path.resolve(import.meta.dirname, folder));

function textElsewhere(): string {
  const files = ELSEWHERE.flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((name) => path.join(folder, name)),
  );
  return files
    .filter((name) => /\.tsx?$/.test(name))
    .map((name) => readFileSync(name, 'utf8'))
    .join('\n');
}

/** Pieces of the sentences that only the core says, as they stand in the first language: at least two words. */
function piecesOfEnglish(): string[] {
  const elsewhere = textElsewhere();
  const pieces = new Set<string>();
  const visit = (node: ts.Node): void => {
    const isText = ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node);
    if (isText && /[A-Za-z]{2,}[,:;]? [A-Za-z]{2,}/.test(node.text) && node.text.trim().length >= 14)
      pieces.add(node.text.trim());
    ts.forEachChild(node, visit);
  };
  for (const name of readdirSync(ENGLISH))
    visit(ts.createSourceFile(name, readFileSync(path.join(ENGLISH, name), 'utf8'), ts.ScriptTarget.Latest, true));
  return [...pieces].filter((piece) => !elsewhere.includes(piece));
}

/** What is seen or read aloud on the page, text by text. */
const textsOf = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const texts: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT | NodeFilter.SHOW_ELEMENT);
    for (let node = walker.nextNode(); node !== null; node = walker.nextNode()) {
      if (node instanceof Element) texts.push(node.getAttribute('aria-label') ?? '', node.getAttribute('title') ?? '');
      else if (node.parentElement?.closest('script, style, noscript') === null) texts.push(node.textContent ?? '');
    }
    return texts.filter((text) => text.trim() !== '');
  });

/** A text without what the pseudo-language has wrapped. */
function unmarked(text: string): string {
  let left = text;
  for (let before = ''; before !== left;) {
    before = left;
    left = left.replace(/⟦[^⟦⟧]*⟧/g, '');
  }
  return left;
}

/**
 * What devices print and everyone writes so, figures with their units, our own name, what a parser reads, and
 * days, which are written as in English until a language brings its own form.
 */
const NOTATION =
  /\b(ISO|EV|Sphene|SVG|PNG|JPEG|IES|mm|cm|m|ft|ms|s|K|cc|Hz|Ws|lx|lm|kg|rad|Tv|Av|Sv|ND|to|power)\b|\d+ [A-Z][a-z]+( \d{4}|,)/g;

/** Every name that people gave in the sample: these stay as they were typed. */
function namesOfSample(): string[] {
  const names = new Set<string>();
  const visit = (value: unknown, key: string): void => {
    if (typeof value === 'string' && /^(name|title|place|text|notes?|timeZone)$/.test(key)) names.add(value);
    else if (typeof value === 'object' && value !== null)
      for (const [inner, one] of Object.entries(value)) visit(one, Array.isArray(value) ? key : inner);
  };
  visit(SAMPLE_DOCUMENTS, '');
  return [...names].filter((name) => /[A-Za-z]{2}/.test(name)).sort((a, b) => b.length - a.length);
}

/** Words that are left of a text when names and notation are taken away. */
function wordsLeft(text: string, names: readonly string[]): string[] {
  const rest = names.reduce((left, name) => left.replaceAll(new RegExp(escaped(name), 'gi'), ' '), text);
  return rest.replace(NOTATION, ' ').match(/[A-Za-z]{2,}/g) ?? [];
}
const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

test('in another language nothing that core or client say is left as it was', async ({ page, stack }) => {
  const pieces = piecesOfEnglish();
  expect(pieces.length).toBeGreaterThan(300);
  await page.addInitScript((key) => localStorage.setItem(key, 'x-pseudo'), LANGUAGE_KEY);
  const names = namesOfSample();
  const left: string[] = [];
  const leftOfClient = new Set<string>();
  let translated = 0;
  for (const { name, at, tabs = [''] } of SCREENS) {
    await page.goto(stack.url + at);
    for (const tab of tabs) {
      // what is drawn before the device's documents are there is not the screen yet
      await expect(page.getByRole('status', { name: pseudoText('Everything is saved') }).first()).toBeVisible();
      if (tab !== '') await page.getByRole('tab', { name: pseudoText(tab) }).click();
      // folded parts are opened, so that what is in them is drawn
      const folded = page.getByRole('button', { expanded: false }).filter({ visible: true });
      for (let more = await folded.count(); more > 0; more = await folded.count()) {
        await folded.first().click();
        if ((await folded.count()) >= more) break;
      }
      const texts = await textsOf(page);
      translated += texts.filter((text) => text.includes('⟦')).length;
      const plain = texts.map(unmarked);
      for (const text of plain)
        if (wordsLeft(text, names).length > 0) leftOfClient.add(`${name} ${tab}: ${text.trim().slice(0, 120)}`);
      left.push(
        ...pieces
          .filter((piece) => plain.some((text) => text.includes(piece)))
          .map((piece) => `${name} ${tab}: ${piece}`),
      );
    }
  }
  expect(translated).toBeGreaterThan(200);
  expect(left).toEqual([]);
  expect([...leftOfClient]).toEqual([]);
});
