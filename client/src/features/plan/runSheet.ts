import { texts } from './texts';
import { words } from '@/language/words';

import type { Sheet } from '@sphene/core/sheets';
import type { DayPlan } from './useDayPlan';

/** The plan of a day as a page: times, setups, spots, settings, notes and cautions. */
export function runSheet({ shoot, lines, clock }: DayPlan, day: string): Sheet {
  const { columns } = texts;
  const rows = lines.map(({ setup, spot, planned, foretold, weather }) => {
    const cautions = (spot?.facts ?? []).map((fact) => words.spotFact(fact).name);
    const must = setup.plan?.must === true ? [texts.must] : [];
    const about = [...must, ...(weather === null ? [] : [words.weather(weather)]), ...cautions, setup.note];
    return [
      texts.fromTo(clock(planned.fromMs), clock(planned.toMs)),
      clock(planned.busy.fromMs),
      setup.title,
      spot?.title ?? '',
      foretold === null ? texts.metered : words.foretoldSetup(foretold),
      about.filter(Boolean).join('. '),
    ];
  });
  const head = [columns.time, columns.handsOn, columns.setup, columns.spot, columns.settings, columns.notes];
  return {
    language: words.tag,
    title: texts.runSheet,
    under: texts.sheetTitle(shoot.title, day),
    blocks: [{ kind: 'table', head, rows }],
  };
}
