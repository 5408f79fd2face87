import { GearForm } from '@/features/kit/GearForm';
import { type Draft, valueAt } from '@/features/kit/field';
import { FIELDS } from '@/features/kit/fields';
import { chosen, TEMPLATES } from '@/features/kit/templates';
import { fireEvent, render, screen } from '@testing-library/react';

import { GEAR_LISTS, GEAR_SCHEMAS, GEAR_TYPES, type GearItem, type GearList } from '@sphene/core/gear';
import { SAMPLE_KIT, sampleId } from '@sphene/core/sample';

const whole = (list: GearList, draft: Draft) => ({ id: sampleId(500), retired: false, ...draft, ...GEAR_TYPES[list] });
const nearly = (value: unknown): unknown =>
  typeof value === 'number'
    ? expect.closeTo(value, 1)
    : Array.isArray(value)
      ? value.map(nearly)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(Object.entries(value).map(([key, inside]) => [key, nearly(inside)]))
        : value;

describe('the fields of the kit', () => {
  it.each(GEAR_LISTS.map((list) => [list]))('%s: every field of the sample kit is read back as it is shown', (list) => {
    for (const thing of SAMPLE_KIT[list]) {
      const draft = thing as unknown as Draft;
      for (const { path, show, read, choices, when } of FIELDS[list]) {
        if (choices !== undefined || when?.(draft) === false) continue;
        expect([thing.name, path, read(show(valueAt(draft, path)))]).toEqual([
          thing.name,
          path,
          nearly(valueAt(draft, path)),
        ]);
      }
    }
  });

  it.each(GEAR_LISTS.map((list) => [list]))(
    '%s: a new thing is whole once it has a name, whatever is chosen in it',
    (list) => {
      const named: Draft = { ...TEMPLATES[list], name: 'Own' };
      expect(GEAR_SCHEMAS[list].safeParse(whole(list, named)).success).toBe(true);
      for (const { path, choices = [] } of FIELDS[list])
        for (const { value } of choices) {
          if (value === 'table') continue;
          const draft = chosen(named, path, value);
          expect([path, value, GEAR_SCHEMAS[list].safeParse(whole(list, draft)).error?.issues]).toEqual([
            path,
            value,
            undefined,
          ]);
        }
    },
  );

  it('what cannot be read is no value', () => {
    const field = (list: GearList, path: string) => FIELDS[list].find((one) => one.path === path);
    expect(field('flashUnits', 'output.ws')?.read('four hundred')).toBeUndefined();
    expect(field('flashUnits', 'recycleFullS')?.read('')).toBeNull();
    expect(field('flashUnits', 't01FullS')?.read('1/220')).toBeCloseTo(1 / 220, 9);
    expect(field('flashUnits', 'outlets')?.read('A 67 %, B 33')).toEqual([
      { name: 'A', share: 0.67 },
      { name: 'B', share: 0.33 },
    ]);
    expect(field('flashUnits', 'outlets')?.read('half each')).toBeUndefined();
    expect(field('reflectors', 'surfaces')?.read('White, copper')).toBeUndefined();
    expect(field('gels', 'shiftMired')?.read('−78')).toBe(-78);
    expect(field('cameras', 'syncTv')?.read('1/250')).toBeCloseTo(8, 9);
  });
});

describe('the form', () => {
  it('keeps what was typed with a message until it can be read, then hands over the whole thing', () => {
    const saved: GearItem[] = [];
    render(
      <GearForm
        list="stands"
        start={{ id: sampleId(500), retired: false, ...TEMPLATES.stands }}
        onSave={(item) => saved.push(item)}
        onCancel={() => undefined}
      />,
    );
    fireEvent.change(screen.getByLabelText('Highest'), { target: { value: 'tall' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(screen.getAllByRole('alert').map(({ textContent }) => textContent)).toEqual([
      'Give it a name of up to 80 letters.',
      '“tall” is no highest. Write it as 2.6.',
    ]);
    expect(screen.getByLabelText<HTMLInputElement>('Highest').value).toBe('tall');
    expect(saved).toEqual([]);
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Boom' } });
    fireEvent.change(screen.getByLabelText('Highest'), { target: { value: '3,2' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(saved).toEqual([
      {
        type: 'stand',
        version: 2,
        id: sampleId(500),
        retired: false,
        name: 'Boom',
        highestM: 3.2,
        footRadiusM: 0.45,
        boomM: null,
        wheels: false,
      },
    ]);
  });

  it('a figure out of its range is told at its field, with an example', () => {
    render(
      <GearForm
        list="grids"
        start={{ id: sampleId(500), retired: false, ...TEMPLATES.grids, name: 'G' }}
        onSave={() => {
          throw new Error('saved');
        }}
        onCancel={() => undefined}
      />,
    );
    fireEvent.change(screen.getByLabelText('Angle'), { target: { value: '500' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(screen.getByRole('alert').textContent).toMatch(/Write it as 40\.$/);
  });

  it('a choice opens the fields that it needs', () => {
    render(
      <GearForm
        list="flashUnits"
        start={{ id: sampleId(500), retired: false, ...TEMPLATES.flashUnits }}
        onSave={() => undefined}
        onCancel={() => undefined}
      />,
    );
    expect(screen.queryByRole('textbox', { name: 'Guide number' })).toBeNull();
    fireEvent.click(screen.getByRole('radio', { name: 'Guide number' }));
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Guide number' }).value).toBe('34');
    expect(screen.queryByRole('textbox', { name: 'Energy at full power' })).toBeNull();
  });
});
