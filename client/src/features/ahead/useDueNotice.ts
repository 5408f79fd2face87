import { noticeMoved } from '@/store/deviceSlice';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { useState } from 'react';

/** Whether this device tells when a reading of a setup is due, and the switch of it. */
export function useDueNotice(setupId: string) {
  const dispatch = useAppDispatch();
  const isOn = useAppSelector((state) => state.device.noticeFor === setupId);
  const [isRefused, setRefused] = useState(false);
  const turn = async (on: boolean) => {
    const has = 'Notification' in window;
    const allowed = on && has ? await Notification.requestPermission().catch(() => 'denied') : 'denied';
    setRefused(on && allowed !== 'granted');
    dispatch(noticeMoved(on && allowed === 'granted' ? setupId : null));
  };
  return { state: isOn ? ('on' as const) : isRefused ? ('refused' as const) : ('off' as const), turn };
}
