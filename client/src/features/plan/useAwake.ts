import { useEffect, useState } from 'react';

/**
 * Keeps the screen from going dark while it is wanted and the page is seen; everything works without it.
 * @returns `refused` where this browser has no such thing or does not allow it
 */
export function useAwake(wanted: boolean): 'on' | 'off' | 'refused' {
  const [state, setState] = useState<'on' | 'off' | 'refused'>('off');
  useEffect(() => {
    if (!wanted) return;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (gone) void lock.release();
        else setState('on');
      } catch {
        if (!gone) setState('refused');
      }
    };
    const seen = () => void ask();
    // the browser lets go of it each time the page is hidden
    document.addEventListener('visibilitychange', seen);
    void ask();
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', seen);
      void lock?.release();
      setState('off');
    };
  }, [wanted]);
  return state;
}
