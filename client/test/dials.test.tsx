import {
  ApertureDial,
  DistanceDial,
  HeightDial,
  IsoDial,
  NumberDial,
  PowerDial,
  ShutterDial,
  StopsDial,
} from '@/ui/dials';
import { fireEvent, render, screen } from '@testing-library/react';
import fc from 'fast-check';

import { SAMPLE_KIT } from '@sphene/core/sample';

// jsdom has no media queries, which Paper asks for
Object.assign(globalThis, {
  matchMedia: () => ({ matches: false, addListener: () => undefined, removeListener: () => undefined }),
});

type Change = (value: number) => void;

/** One dial on screen, and what it said. */
function shown(dial: (onChange: Change) => React.ReactNode) {
  const changes: number[] = [];
  const { unmount } = render(<>{dial((value) => changes.push(value))}</>);
  const value = () => screen.getByRole('button', { name: /Type a value/ });
  return {
    changes,
    unmount,
    text: () => value().textContent,
    press: (key: string) => fireEvent.keyDown(value(), { key }),
    type: (text: string) => {
      fireEvent.click(value());
      const field = screen.getByRole('textbox');
      fireEvent.change(field, { target: { value: text } });
      fireEvent.keyDown(field, { key: 'Enter' });
      return screen.queryByRole('alert')?.textContent ?? null;
    },
    disabled: (name: RegExp) => screen.getByRole('button', { name }).getAttribute('aria-disabled') === 'true',
  };
}

describe('steps of a dial', () => {
  const [first] = SAMPLE_KIT.flashUnits;
  if (first === undefined) throw new Error('the sample kit has flash');
  it.each<[string, (onChange: Change) => React.ReactNode, string, number, number]>([
    [
      'an aperture in thirds',
      (onChange) => <ApertureDial label="Aperture" value={4} increment="third" onChange={onChange} />,
      'f/4',
      4 + 1 / 3,
      4 - 1 / 3,
    ],
    [
      'a shutter in halves',
      (onChange) => <ShutterDial label="Shutter" value={7} increment="half" onChange={onChange} />,
      '1/125',
      7.5,
      6.5,
    ],
    [
      'an ISO, up to the next third',
      (onChange) => <IsoDial label="ISO" value={2} increment="third" onChange={onChange} />,
      '400',
      2 + 1 / 3,
      2 - 1 / 3,
    ],
    [
      'stops by tenths',
      (onChange) => <StopsDial label="Feel" value={0.5} least={-1} most={1} step={0.1} signed onChange={onChange} />,
      '+0.5',
      0.6,
      0.4,
    ],
    [
      'degrees',
      (onChange) => (
        <NumberDial label="Angle" unit="°" value={12} least={-90} most={90} step={5} decimals={0} onChange={onChange} />
      ),
      '12 °',
      15,
      5,
    ],
    ['metres', (onChange) => <DistanceDial label="Distance" unit="m" value={2} onChange={onChange} />, '2 m', 2.1, 1.9],
    [
      'feet, kept as metres',
      (onChange) => <DistanceDial label="Distance" unit="ft" value={3.048} onChange={onChange} />,
      '10.0 ft',
      10.5 * 0.3048,
      9.5 * 0.3048,
    ],
    [
      'height in feet',
      (onChange) => <HeightDial label="Height" unit="ft" value={0.6096} onChange={onChange} />,
      '2 ft',
      2.5 * 0.3048,
      1.5 * 0.3048,
    ],
  ])('%s', (_name, dial, text, more, less) => {
    const { changes, press, text: said } = shown(dial);
    expect(said()).toContain(text);
    press('ArrowUp');
    press('ArrowDown');
    expect(changes).toEqual([expect.closeTo(more, 3), expect.closeTo(less, 3)]);
  });

  it("a power is stepped and typed in the unit's own scale, and ends at its ends", () => {
    const full = shown((onChange) => <PowerDial label="Power" unit={first} value={0} onChange={onChange} />);
    expect(full.disabled(/more power$/)).toBe(true);
    full.press('ArrowUp');
    full.press('ArrowDown');
    expect(full.changes).toHaveLength(1);
    expect(full.changes[0]).toBeLessThan(0);
    expect(full.type('never')).toMatch(/\w/);
    expect(full.changes).toHaveLength(1);
  });

  it('never leave the range, wherever they begin', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.constantFrom('ArrowUp', 'ArrowDown'),
        (value, key) => {
          const dial = shown((onChange) => (
            <StopsDial label="Feel" value={value} least={-1} most={1} step={1 / 3} signed onChange={onChange} />
          ));
          dial.press(key);
          for (const next of dial.changes) expect([next >= -1 - 1e-9, next <= 1 + 1e-9]).toEqual([true, true]);
          dial.unmount();
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('what is typed into a dial', () => {
  it.each<[string, (onChange: Change) => React.ReactNode, string, number]>([
    [
      'stops with a part',
      (onChange) => <StopsDial label="Hold-back" value={1} least={0.1} most={5} step={0.1} onChange={onChange} />,
      '1⅓',
      4 / 3,
    ],
    [
      'a minus as people type it',
      (onChange) => <StopsDial label="Tone" value={0} least={-5} most={5} step={1 / 3} signed onChange={onChange} />,
      '−1,5',
      -1.5,
    ],
    [
      'centimetres',
      (onChange) => <DistanceDial label="Distance" unit="m" value={2} onChange={onChange} />,
      '150 cm',
      1.5,
    ],
    [
      'metres where feet are the unit',
      (onChange) => <DistanceDial label="Distance" unit="ft" value={2} onChange={onChange} />,
      '3 m',
      3,
    ],
    [
      'feet, bare',
      (onChange) => <DistanceDial label="Distance" unit="ft" value={2} onChange={onChange} />,
      '10',
      3.048,
    ],
    [
      'an aperture with a tenth',
      (onChange) => <ApertureDial label="Aperture" value={4} increment="tenth" onChange={onChange} />,
      '5.6 4',
      5.4,
    ],
    [
      'a number with its unit',
      (onChange) => (
        <NumberDial
          label="Focal length"
          unit="mm"
          value={50}
          least={10}
          most={600}
          step={5}
          decimals={0}
          onChange={onChange}
        />
      ),
      '85 mm',
      85,
    ],
  ])('%s', (_name, dial, text, value) => {
    const { changes, type } = shown(dial);
    expect(type(text)).toBeNull();
    expect(changes).toEqual([expect.closeTo(value, 6)]);
  });

  it.each<[string, (onChange: Change) => React.ReactNode, string, RegExp]>([
    [
      'stops out of range',
      (onChange) => <StopsDial label="Hold-back" value={1} least={0.1} most={5} step={0.1} onChange={onChange} />,
      '9',
      /between 0\.1 and 5\.0/,
    ],
    [
      'a sign alone',
      (onChange) => <StopsDial label="Tone" value={0} least={-5} most={5} step={1 / 3} signed onChange={onChange} />,
      '-',
      /Write stops between/,
    ],
    [
      'a distance of nothing',
      (onChange) => <DistanceDial label="Distance" unit="m" value={2} onChange={onChange} />,
      '0',
      /between 0\.30? m and 30/,
    ],
    [
      'a shutter beyond the body',
      (onChange) => <ShutterDial label="Shutter" value={7} least={0} most={8} increment="third" onChange={onChange} />,
      '1/8000',
      /Keep it between 1 s and 1\/250/,
    ],
    [
      'words for a number',
      (onChange) => (
        <NumberDial label="Angle" unit="°" value={0} least={-90} most={90} step={5} decimals={0} onChange={onChange} />
      ),
      'left',
      /between −90 ° and 90 °/,
    ],
  ])('%s gets a message that says what would be right, and changes nothing', (_name, dial, text, message) => {
    const { changes, type } = shown(dial);
    expect(type(text)).toMatch(message);
    expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe(text);
    expect(changes).toEqual([]);
  });
});
