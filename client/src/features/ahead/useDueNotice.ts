import { useEffect, useState } from 'react';

/**
 * Says once that a reading is due, while the page lives and where the person allows it; nothing is sent from anywhere.
 * @param inMs so long from now, milliseconds; null: it is not due within the hour
 */
export function useDueNotice(inMs: number | null, text: string) {
  const [state, setState] = useState<'off' | 'on' | 'refused'>('off');
  useEffect(() => {
    if (state !== 'on' || inMs === null) return;
    const timer = setTimeout(() => new Notification(text), inMs);
    return () => clearTimeout(timer);
  }, [state, inMs, text]);
  const turn = async (on: boolean) => {
    if (!on) return setState('off');
    const has = 'Notification' in window;
    const allowed = has ? await Notification.requestPermission().catch(() => 'denied') : 'denied';
    setState(allowed === 'granted' ? 'on' : 'refused');
  };
  return { state, turn };
}
