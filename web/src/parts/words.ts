import { format } from 'date-fns';

/** Today, as an ISO day of this device. */
export const todayIs = (): string => format(new Date(), 'yyyy-MM-dd');
