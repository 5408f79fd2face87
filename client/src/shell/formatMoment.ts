import { format } from 'date-fns/format';

/** A moment on this device's own clock: `27 Feb, 14:02`. */
export const formatMoment = (at: string): string => format(new Date(at), 'd MMM, HH:mm');
