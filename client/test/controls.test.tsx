import { ChoiceList } from '@/ui/ChoiceList';
import { HoldBackControl } from '@/ui/HoldBackControl';
import { NextBar } from '@/ui/NextBar';
import { StopDial } from '@/ui/StopDial';
import { fireEvent, render, screen } from '@testing-library/react';

import { parseAperture } from '@sphene/core/notation';

describe('the hold-back control', () => {
  const slider = () => screen.getByRole('slider');
  it.each([
    ['ArrowRight', 1.1],
    ['ArrowLeft', 0.9],
    ['PageUp', 1.5],
    ['PageDown', 0.5],
    ['Home', 0.1],
    ['End', 5],
  ])('%s sets %s', (key, value) => {
    const changes: number[] = [];
    render(<HoldBackControl way="share" value={1} onDraft={() => undefined} onChange={(next) => changes.push(next)} />);
    fireEvent.keyDown(slider(), { key });
    expect(changes).toEqual([expect.closeTo(value, 9)]);
  });

  it('says stops, share and words at once, on screen and to a voice', () => {
    render(<HoldBackControl way="share" value={2} onDraft={() => undefined} onChange={() => undefined} />);
    expect(slider().getAttribute('aria-valuetext')).toBe(
      '75 % of the light is flash. 2.0 stops under the total, 1.6 stops under the key alone, 1.6 stops, ' +
        'fill over the ambient. Flash carries the face, ambient two under',
    );
    expect(screen.getByRole('button', { name: /^Carry/ }).getAttribute('aria-pressed')).toBe('true');
    expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
      '2.0 stops under the total',
      '1.6 stops under the key alone',
      '1.6 stops, fill over the ambient',
    ]);
  });
});

describe('a choice', () => {
  it('moves with the arrow keys, round the end', () => {
    const chosen: string[] = [];
    render(
      <ChoiceList
        label="Flash"
        value="b"
        onChoose={(value) => chosen.push(value)}
        choices={[
          { value: 'a', label: 'A' },
          { value: 'b', label: 'B' },
        ]}
      />,
    );
    fireEvent.keyDown(screen.getByRole('radio', { name: 'B' }), { key: 'ArrowRight' });
    fireEvent.keyDown(screen.getByRole('radio', { name: 'B' }), { key: 'ArrowLeft' });
    expect(chosen).toEqual(['a', 'a']);
  });
});

describe('a dial', () => {
  it('steps with arrow keys unless it is at its end', () => {
    const pressed: string[] = [];
    render(
      <StopDial
        label="Aperture"
        text="f/2"
        down={{ name: 'wider', onPress: () => pressed.push('down'), disabled: true }}
        up={{ name: 'smaller', onPress: () => pressed.push('up') }}
        parse={(text) => {
          const read = parseAperture(text);
          return read.ok ? read : { ok: false, reason: read.reason.kind };
        }}
        onChange={() => undefined}
      />,
    );
    const value = screen.getByRole('button', { name: 'Aperture f/2. Type a value' });
    fireEvent.keyDown(value, { key: 'ArrowUp' });
    fireEvent.keyDown(value, { key: 'ArrowDown' });
    expect(pressed).toEqual(['up']);
    expect(screen.getByRole('button', { name: 'Aperture: wider' }).getAttribute('aria-disabled')).toBe('true');
  });
});

describe('the next bar', () => {
  it('is a button that says what it does, and plain text when there is nothing to tap', () => {
    let taps = 0;
    const { rerender } = render(
      <NextBar
        text="Flash to 1/32"
        detail="Meter should read f/2.8."
        doing="It is set"
        onPress={() => {
          taps += 1;
        }}
      />,
    );
    fireEvent.click(screen.getByRole('button', { name: 'It is set: Flash to 1/32. Meter should read f/2.8.' }));
    expect(taps).toBe(1);
    rerender(<NextBar text="Shoot" detail="" doing={null} onPress={() => undefined} />);
    expect(screen.queryByRole('button')).toBeNull();
    expect(screen.getByRole('region', { name: 'Next' }).textContent).toContain('Shoot');
  });
});
