import type { Setting } from '@sphene/core/setup';

/**
 * Shows what is under the thumb step by step: the next step waits until the last is on screen, and the newest wins, so that
 * a slow device shows fewer steps instead of late ones.
 */
export class PacedDraft {
  private wanted: Setting[] | null = null;
  private frame = 0;
  private isUnderWay = false;

  constructor(private readonly show: (settings: Setting[]) => void) {}

  /** Settings to be shown in the next frame that has room for them. */
  want(settings: Setting[]): void {
    this.wanted = settings;
    this.next();
  }

  /** What was shown last stands on screen. */
  stands(): void {
    this.isUnderWay = false;
    this.next();
  }

  /** Nothing is under the thumb any more: what was wanted and is not shown never will be. */
  end(): void {
    cancelAnimationFrame(this.frame);
    this.frame = 0;
    this.wanted = null;
    this.isUnderWay = false;
  }

  private next(): void {
    if (this.wanted === null || this.isUnderWay || this.frame !== 0) return;
    this.frame = requestAnimationFrame(() => {
      const { wanted } = this;
      this.frame = 0;
      this.wanted = null;
      if (wanted === null) return;
      this.isUnderWay = true;
      this.show(wanted);
    });
  }
}
