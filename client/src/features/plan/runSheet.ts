import { texts } from './texts';
import { words } from '@/language/words';

import type { DayPlan } from './useDayPlan';

/** One cell of text in a page of its own: never markup. */
function cell(page: Document, kind: 'td' | 'th', text: string): HTMLElement {
  const made = page.createElement(kind);
  made.textContent = text;
  return made;
}

function rowOf(page: Document, kind: 'td' | 'th', texted: readonly string[]): HTMLElement {
  const row = page.createElement('tr');
  row.append(...texted.map((text) => cell(page, kind, text)));
  return row;
}

const STYLE = `
  body { font: 12pt/1.4 'Atkinson Hyperlegible Next', sans-serif; margin: 16mm; color: #000; }
  h1 { font-size: 16pt; margin: 0 0 8mm; }
  table { border-collapse: collapse; width: 100%; }
  th, td { text-align: left; vertical-align: top; padding: 2mm 4mm 2mm 0; border-bottom: 0.3mm solid #999; }
  tr { break-inside: avoid; }
`;

/** Writes the plan of a day into a page: times, setups, spots, settings, notes and cautions. */
export function writeRunSheet(page: Document, { shoot, lines, clock }: DayPlan, day: string): void {
  const { columns } = texts;
  const title = texts.sheetTitle(shoot.title, day);
  page.title = title;
  const style = page.createElement('style');
  style.textContent = STYLE;
  page.head.append(style);
  const heading = page.createElement('h1');
  heading.textContent = title;
  const table = page.createElement('table');
  table.append(
    rowOf(page, 'th', [columns.time, columns.handsOn, columns.setup, columns.spot, columns.settings, columns.notes]),
  );
  for (const { setup, spot, planned, foretold, weather } of lines) {
    const cautions = (spot?.facts ?? []).map((fact) => words.spotFact(fact).name);
    const must = setup.plan?.must === true ? [texts.must] : [];
    table.append(
      rowOf(page, 'td', [
        texts.fromTo(clock(planned.fromMs), clock(planned.toMs)),
        clock(planned.busy.fromMs),
        setup.title,
        spot?.title ?? '',
        foretold === null ? texts.metered : words.foretoldSetup(foretold),
        [...must, ...(weather === null ? [] : [words.weather(weather)]), ...cautions, setup.note]
          .filter(Boolean)
          .join('. '),
      ]),
    );
  }
  page.body.append(heading, table);
}

/** Prints the plan of a day, by way of a page that is not seen. */
export function printRunSheet(plan: DayPlan, day: string): void {
  const frame = document.createElement('iframe');
  frame.style.display = 'none';
  document.body.append(frame);
  const page = frame.contentDocument;
  if (page !== null) writeRunSheet(page, plan, day);
  frame.contentWindow?.addEventListener('afterprint', () => frame.remove());
  frame.contentWindow?.print();
}
