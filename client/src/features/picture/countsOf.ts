import type { Frame } from '@sphene/core/documents';
import type { Picture as Developed } from '@sphene/core/renderer';

const BINS = 64;

/** A picture's histogram as frames have theirs. */
export function countsOf(developed: Developed): Pick<Frame, 'histogram' | 'clipped'> {
  const { width, height } = developed;
  const histogram = developed.histogram();
  const channel = (at: number) =>
    Array.from({ length: BINS }, (_, bin) => {
      let sum = 0;
      for (let i = 0; i < 256 / BINS; i += 1) sum += histogram[at * 256 + bin * (256 / BINS) + i] ?? 0;
      return sum;
    });
  const share = (at: number, tone: number) => (histogram[at * 256 + tone] ?? 0) / (width * height);
  return {
    histogram: { red: channel(0), green: channel(1), blue: channel(2) },
    clipped: {
      highlights: [share(0, 255), share(1, 255), share(2, 255)],
      shadows: [share(0, 0), share(1, 0), share(2, 0)],
    },
  };
}
