import type { LastChanges } from '@rusty-wren/contract';
import { api } from '../api/api';

/** Who changed the shop's settings last. */
export const { useLastChangesQuery } = api.injectEndpoints({
  endpoints: (build) => ({
    lastChanges: build.query<LastChanges, void>({
      query: () => 'settings',
      providesTags: ['Shop', 'Specs', 'Order', 'Day', 'Learnt'],
    }),
  }),
});
