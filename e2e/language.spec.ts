import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import ts from 'typescript';

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
      else if (node.parentElement?.closest('script, style') === null) texts.push(node.textContent ?? '');
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

test('in another language nothing that the core says is left as it was', async ({ page, stack }) => {
  const pieces = piecesOfEnglish();
  expect(pieces.length).toBeGreaterThan(300);
  await page.addInitScript((key) => localStorage.setItem(key, 'x-pseudo'), LANGUAGE_KEY);
  const left: string[] = [];
  let translated = 0;
  for (const { name, at, tabs = [''] } of SCREENS) {
    await page.goto(stack.url + at);
    for (const tab of tabs) {
      const header = page.getByRole('heading').first();
      await expect(header).toBeVisible();
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
      left.push(
        ...pieces
          .filter((piece) => plain.some((text) => text.includes(piece)))
          .map((piece) => `${name} ${tab}: ${piece}`),
      );
    }
  }
  expect(translated).toBeGreaterThan(200);
  expect(left).toEqual([]);
});
