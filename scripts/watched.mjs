/** Counts frames and the longest task of a page while `work` runs. */
export async function watched(tab, work) {
  await tab.evaluate(() => {
    globalThis.frames_ = 0;
    globalThis.longest = 0;
    globalThis.began = performance.now();
    const count = () => {
      globalThis.frames_ += 1;
      globalThis.nextCount = requestAnimationFrame(count);
    };
    globalThis.nextCount = requestAnimationFrame(count);
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) globalThis.longest = Math.max(globalThis.longest, duration);
    }).observe({ entryTypes: ['longtask'] });
  });
  await work();
  return tab.evaluate(() => {
    cancelAnimationFrame(globalThis.nextCount);
    return {
      perSecond: (1000 * globalThis.frames_) / (performance.now() - globalThis.began),
      longestMs: globalThis.longest,
    };
  });
}
