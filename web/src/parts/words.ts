import { format, parseISO } from 'date-fns';

/** A day as it is said at the bench: "Tue 1 Dec". */
export const dayWords = (day: string): string => format(parseISO(day), 'EEE d MMM');

/** Today, as an ISO day of this device. */
export const todayIs = (): string => format(new Date(), 'yyyy-MM-dd');
