import { PacedDraft } from '@/setupView/pacedDraft';

import type { Setting } from '@sphene/core/setup';

const at = (value: number): Setting[] => [{ path: 'lights.0.distanceM', value }];

describe('what is under the thumb', () => {
  const frames: FrameRequestCallback[] = [];
  const frame = () => {
    for (const draw of frames.splice(0)) draw(0);
  };
  beforeEach(() => {
    frames.splice(0);
    jest.spyOn(globalThis, 'requestAnimationFrame').mockImplementation((draw) => frames.push(draw));
    jest.spyOn(globalThis, 'cancelAnimationFrame').mockImplementation((id) => void frames.splice((id ?? 0) - 1, 1));
  });
  afterEach(() => jest.restoreAllMocks());

  it('is shown once a frame, the newest of it, and the next step when the last stands', () => {
    const shown: Setting[][] = [];
    const draft = new PacedDraft((settings) => shown.push(settings));
    draft.want(at(1));
    draft.want(at(2));
    frame();
    expect(shown).toEqual([at(2)]);
    draft.want(at(3));
    draft.want(at(4));
    frame();
    expect(shown).toEqual([at(2)]);
    draft.stands();
    frame();
    expect(shown).toEqual([at(2), at(4)]);
  });

  it('is forgotten when it is let go: nothing comes after, and the next drag begins at once', () => {
    const shown: Setting[][] = [];
    const draft = new PacedDraft((settings) => shown.push(settings));
    draft.want(at(1));
    frame();
    draft.want(at(2));
    draft.end();
    draft.stands();
    frame();
    expect(shown).toEqual([at(1)]);
    draft.want(at(3));
    draft.end();
    frame();
    expect(shown).toEqual([at(1)]);
    draft.want(at(4));
    frame();
    expect(shown).toEqual([at(1), at(4)]);
  });
});
