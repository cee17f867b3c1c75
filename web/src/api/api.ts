import type {
  Account,
  CheckIn,
  CustomerWithMachines,
  JobWithLog,
  NewEntry,
  OwnOrder,
  RackTag,
  SpecCard,
  StandIn,
} from '@rusty-wren/contract';
import type { Entry } from '@rusty-wren/core/log';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';

/** Everything asked of the bench server. */
export const api = createApi({
  baseQuery: fetchBaseQuery({ baseUrl: '/api/', timeout: 15_000 }),
  tagTypes: ['Rack', 'Job', 'Can', 'Customers', 'Order', 'Specs'],
  refetchOnReconnect: true,
  endpoints: (build) => ({
    rack: build.query<RackTag[], 'open' | 'closed'>({
      query: (show) => `jobs?show=${show}`,
      providesTags: ['Rack'],
      keepUnusedDataFor: 3600,
    }),
    job: build.query<JobWithLog, string>({
      query: (id) => `jobs/${id}`,
      providesTags: (result, _error, id) => [
        { type: 'Job', id },
        // What is found in the same can on another job counts here too.
        ...(result?.sameCan ?? []).map((mate) => ({ type: 'Can' as const, id: mate.job.id })),
      ],
      keepUnusedDataFor: 3600,
    }),
    customers: build.query<CustomerWithMachines[], void>({
      query: () => 'customers',
      providesTags: ['Customers'],
    }),
    ownOrder: build.query<OwnOrder, void>({ query: () => 'own-order', providesTags: ['Order'] }),
    setOwnOrder: build.mutation<OwnOrder, OwnOrder>({
      query: (body) => ({ url: 'own-order', method: 'PUT', body }),
      invalidatesTags: ['Order'],
    }),
    specs: build.query<SpecCard[], void>({ query: () => 'specs', providesTags: ['Specs'] }),
    setSpecs: build.mutation<SpecCard[], SpecCard[]>({
      query: (cards) => ({ url: 'specs', method: 'PUT', body: { cards } }),
      // Every verdict may be another one now.
      invalidatesTags: ['Specs', 'Rack', 'Job', 'Can'],
    }),
    startStandIn: build.mutation<{ channel: string }, StandIn>({
      query: (body) => ({ url: 'feed/stand-in', method: 'POST', body }),
    }),
    accounts: build.query<Account[], void>({ query: () => 'accounts' }),
    checkIn: build.mutation<JobWithLog, CheckIn>({
      query: (body) => ({ url: 'jobs', method: 'POST', body }),
      invalidatesTags: ['Rack', 'Customers'],
    }),
    addEntries: build.mutation<{ entries: Entry[] }, { jobId: string; entries: NewEntry[] }>({
      query: ({ jobId, entries }) => ({ url: `jobs/${jobId}/entries`, method: 'POST', body: { entries } }),
      invalidatesTags: ['Rack'],
    }),
  }),
});

export const {
  useRackQuery,
  useJobQuery,
  useCustomersQuery,
  useAccountsQuery,
  useCheckInMutation,
  useOwnOrderQuery,
  useSetOwnOrderMutation,
  useSetSpecsMutation,
  useSpecsQuery,
  useStartStandInMutation,
} = api;

/** The server's one sentence on why not, or a plain one of our own. */
export function problemWords(error: unknown): string {
  if (typeof error === 'object' && error !== null && 'data' in error) {
    const { data } = error as { data: unknown };
    if (typeof data === 'object' && data !== null && 'error' in data)
      return String((data as { error: unknown }).error);
  }
  return 'The bench server does not answer.';
}
