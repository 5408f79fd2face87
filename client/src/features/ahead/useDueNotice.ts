import { useEffect, useRef, useState } from 'react';

/**
 * Says once that a reading is due, while the part that asks for it is on screen and where the person allows it; nothing is
 * sent from anywhere.
 */
export function useDueNotice(isDue: boolean, text: string) {
  const [state, setState] = useState<'off' | 'on' | 'refused'>('off');
  const isTold = useRef(false);
  useEffect(() => {
    if (!isDue) isTold.current = false;
    if (!isDue || state !== 'on' || isTold.current) return;
    isTold.current = true;
    new Notification(text);
  }, [state, isDue, text]);
  const turn = async (on: boolean) => {
    if (!on) return setState('off');
    const has = 'Notification' in window;
    const allowed = has ? await Notification.requestPermission().catch(() => 'denied') : 'denied';
    setState(allowed === 'granted' ? 'on' : 'refused');
  };
  return { state, turn };
}
