import {
  PROVE_AGAIN,
  type Account,
  type BookedIn,
  type CheckIn,
  type ClosedPage,
  type CustomerWithMachines,
  type Found,
  type MachineLife,
  type Model,
  type OwnerLife,
  type Day,
  type DayPin,
  type DayRooms,
  type Delivery,
  type Drawer,
  type JobWithLog,
  type KeptPlan,
  type NeedAct,
  type NeedIn,
  type OrdersIn,
  type OwnOrder,
  type Parcel,
  type PartsIn,
  type PriceLineKey,
  type RackTag,
  type Shop,
  type SessionState,
  type SpecCard,
  type StandIn,
} from '@rusty-wren/contract';
import type { ModelNote } from '@rusty-wren/core/model';
import type { Hours } from '@rusty-wren/core/schedule';
import type { PriceLine, ShopRules } from '@rusty-wren/core/worth';
import {
  createApi,
  fetchBaseQuery,
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';
import { handGiven, lockedHere, proofWanted, stood } from '../hands/hands';
import { isBehind } from './heard';
import { clockRead } from '../keeping/clock';
import { reachable, unreachable } from '../keeping/outbox';
import { keepSeen, lastSeen } from '../keeping/shelf';

const REFUSALS: ReadonlySet<unknown> = new Set([400, 403, 404, 405, 409, 413, 415, 422]);

/** Whether the server has said no, for good; anything else that went wrong may go right later. */
export const isRefused = (error: unknown): boolean =>
  typeof error === 'object' && error !== null && 'status' in error && REFUSALS.has(error.status);

/** Whether the server itself said that it went wrong. */
const isAnswered = (error: unknown): boolean =>
  typeof error === 'object' && error !== null && 'status' in error && typeof error.status === 'number';

const ask = fetchBaseQuery({ baseUrl: '/api/', timeout: 15_000 });

/** Whether this is a job that hangs here and was not sent yet: it has no number. */
const isHeldHere = (data: unknown): boolean =>
  (data as { job?: { tag?: unknown } } | undefined)?.job?.tag === 0;

/**
 * Asks the server. What it answers to a plain question is kept on this device, and given again while it is away. Its clock is
 * compared with this device's by the way.
 */
const askOrRemember: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (
  args,
  { dispatch, getState, ...rest },
  extra,
) => {
  const asked = Date.now();
  const result = await ask(args, { dispatch, getState, ...rest }, extra);
  const date = Date.parse(result.meta?.response?.headers.get('date') ?? '');
  if (Number.isFinite(date)) dispatch(clockRead({ server: date, asked, here: Date.now() }));
  const { offline } = (getState() as { outbox: { offline: boolean } }).outbox;
  if (result.error?.status === 401) {
    // Signed out, or locked, by this device or another: how it stands is asked, and what was to be sent waits.
    dispatch(api.util.invalidateTags(['Session']));
    return result;
  }
  if (result.error?.status === 403 && problemWords(result.error) === PROVE_AGAIN) dispatch(proofWanted());
  if (typeof args !== 'string') return result;
  if (!result.error) {
    if (offline) dispatch(reachable());
    void keepSeen(args, result.data);
    return result;
  }
  const seen = await lastSeen(args);
  if (!seen || (isRefused(result.error) && !isHeldHere(seen.data))) return result;
  if (!isRefused(result.error) && !offline) dispatch(unreachable());
  return { data: seen.data, meta: result.meta };
};

/** A given paper of a job, by its entry. */
interface OfPaper {
  jobId: string;
  entryId: string;
}

/** What came: by its order, by what a scanner typed, or by the part. */
type CameIn = { id: string; count?: number; by?: string } & (
  | { order: string }
  | { code: string }
  | { part: string }
);

/** Something done with a part of a job. */
interface ActOnPart {
  jobId: string;
  need: string;
  act: NeedAct;
  /** Of the movement. */
  id: string;
  part?: string;
  by?: string;
}

/** What is done with this device's session. */
export interface ChangeSession {
  path?: '/hand' | '/lock' | '/first' | '/secret';
  method: 'POST' | 'PUT' | 'DELETE';
  body?: object;
}

/** Whatever the server knows that somebody has to be signed in for. */
export const EVERYTHING = [
  'People',
  'Rack',
  'Job',
  'Can',
  'Customers',
  'Order',
  'Specs',
  'Shop',
  'Drawer',
  'Day',
  'Learnt',
] as const;

/** Everything asked of the bench server. */
export const api = createApi({
  baseQuery: askOrRemember,
  tagTypes: ['Session', ...EVERYTHING],
  refetchOnReconnect: true,
  endpoints: (build) => ({
    /** How this device stands; never answered from what was seen. */
    session: build.query<SessionState, void>({
      query: () => ({ url: 'session' }),
      providesTags: ['Session'],
      onQueryStarted: async (_, { dispatch, queryFulfilled }) => {
        const answer = await queryFulfilled.catch(() => null);
        if (answer) dispatch(stood(answer.data));
      },
    }),
    /** Changes how this device stands: who has it in hand, locked, signed out. */
    changeSession: build.mutation<SessionState, ChangeSession>({
      query: ({ path = '', method, body }) => ({ url: `session${path}`, method, body: body ?? {} }),
      onQueryStarted: async ({ path }, { dispatch, queryFulfilled }) => {
        const answer = await queryFulfilled.catch((failed: { error: unknown }) => failed);
        if ('error' in answer) {
          // With the server away, it is locked all the same.
          if (path === '/lock' && !isAnswered(answer.error)) dispatch(lockedHere());
          return;
        }
        dispatch(handGiven());
        dispatch(stood(answer.data));
        await dispatch(api.util.upsertQueryData('session', undefined, answer.data));
      },
    }),
    rack: build.query<RackTag[], void>({
      query: () => 'jobs?show=open',
      providesTags: ['Rack'],
      keepUnusedDataFor: 3600,
    }),
    /** Closed jobs, latest first, page by page: those that hold some words, or all. */
    closed: build.infiniteQuery<ClosedPage, string, ClosedPage['next']>({
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      query: ({ queryArg, pageParam }) => {
        const asked = new URLSearchParams({ show: 'closed' });
        if (queryArg) asked.set('words', queryArg);
        if (pageParam) {
          asked.set('since', pageParam.since);
          asked.set('after', pageParam.id);
        }
        return `jobs?${asked}`;
      },
      // Fetched anew whenever somebody comes to look, and not meanwhile: a note on any bench would fetch every page again.
      keepUnusedDataFor: 0,
    }),
    /** What a few words find anywhere. */
    find: build.query<Found, string>({
      query: (words) => `find?${new URLSearchParams({ words })}`,
      providesTags: ['Rack'],
      keepUnusedDataFor: 30,
    }),
    machine: build.query<MachineLife, string>({
      query: (id) => `machines/${id}`,
      providesTags: ['Rack'],
    }),
    owner: build.query<OwnerLife, string>({ query: (id) => `owners/${id}`, providesTags: ['Rack'] }),
    job: build.query<JobWithLog, string>({
      query: (id) => `jobs/${id}`,
      providesTags: (result, _error, id) => [
        { type: 'Job', id },
        // What is found in the same can on another job counts here too.
        ...(result?.sameCan ?? []).map((mate) => ({ type: 'Can' as const, id: mate.job.id })),
      ],
      keepUnusedDataFor: 3600,
      onQueryStarted: async (id, { dispatch, queryFulfilled }) => {
        const answer = await queryFulfilled.catch(() => null);
        if (answer && isBehind(id, answer.data.entries.length))
          dispatch(api.util.invalidateTags([{ type: 'Job', id }]));
      },
    }),
    /** Takes an owner's details out. */
    forgetOwner: build.mutation<{ jobs: number }, { id: string; name: string }>({
      query: ({ id, name }) => ({ url: `owners/${id}/forget`, method: 'POST', body: { name } }),
      invalidatesTags: ['Rack', 'Job', 'Customers'],
    }),
    /** Owners with their machines: for no words those who came last, else those the words find. */
    customers: build.query<CustomerWithMachines[], string>({
      query: (words) => (words ? `customers?${new URLSearchParams({ words })}` : 'customers'),
      providesTags: ['Customers'],
    }),
    models: build.query<Model[], void>({ query: () => 'models', providesTags: ['Customers'] }),
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
    modelNotes: build.query<ModelNote[], void>({ query: () => 'model-notes', providesTags: ['Specs'] }),
    addModelNotes: build.mutation<ModelNote[], ModelNote[]>({
      query: (notes) => ({ url: 'model-notes', method: 'PUT', body: { notes } }),
      invalidatesTags: ['Specs', 'Job'],
    }),
    dropModelNote: build.mutation<ModelNote[], string>({
      query: (id) => ({ url: `model-notes/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Specs', 'Job'],
    }),
    shop: build.query<Shop, void>({ query: () => 'shop', providesTags: ['Shop'] }),
    setRules: build.mutation<Shop, ShopRules>({
      query: (body) => ({ url: 'shop/rules', method: 'PUT', body }),
      invalidatesTags: ['Shop'],
    }),
    setPrices: build.mutation<Shop, { lines: PriceLine[]; gone?: PriceLineKey[] }>({
      query: (body) => ({ url: 'shop/prices', method: 'PUT', body }),
      invalidatesTags: ['Shop'],
    }),
    day: build.query<Day, void>({ query: () => 'day', providesTags: ['Day'] }),
    setHours: build.mutation<Day, { account: string; hours: Hours }>({
      query: ({ account, hours }) => ({ url: `day/hours/${account}`, method: 'PUT', body: hours }),
      invalidatesTags: ['Day'],
    }),
    setRooms: build.mutation<Day, DayRooms>({
      query: (body) => ({ url: 'day/rooms', method: 'PUT', body }),
      invalidatesTags: ['Day'],
    }),
    putPin: build.mutation<Day, DayPin>({
      query: (body) => ({ url: 'day/pins', method: 'PUT', body }),
      invalidatesTags: ['Day'],
    }),
    dropPin: build.mutation<Day, string>({
      query: (task) => ({ url: `day/pins/${encodeURIComponent(task)}`, method: 'DELETE' }),
      invalidatesTags: ['Day'],
    }),
    openCalendar: build.mutation<{ token: string }, string>({
      query: (account) => ({ url: `day/calendar/${account}`, method: 'POST', body: {} }),
    }),
    closeCalendar: build.mutation<unknown, string>({
      query: (account) => ({ url: `day/calendar/${account}`, method: 'DELETE' }),
    }),
    keepPlan: build.mutation<Day, KeptPlan>({
      query: (body) => ({ url: 'day/plan', method: 'PUT', body }),
      invalidatesTags: ['Day'],
    }),
    /** The drawer, what is on its way, and what jobs have of it; of one job also what was fitted. */
    drawer: build.query<Drawer, string | null>({
      query: (jobId) => (jobId === null ? 'parts' : `parts?job=${jobId}`),
      providesTags: ['Drawer'],
    }),
    takeParts: build.mutation<Drawer, PartsIn>({
      query: (body) => ({ url: 'parts', method: 'PUT', body }),
      invalidatesTags: ['Drawer'],
    }),
    countPart: build.mutation<Drawer, { part: string; id: string; count: number; words?: string }>({
      query: ({ part, ...body }) => ({ url: `parts/${part}/count`, method: 'POST', body }),
      invalidatesTags: ['Drawer'],
    }),
    bookIn: build.mutation<BookedIn, CameIn>({
      query: (body) => ({ url: 'parts/book-in', method: 'POST', body }),
      invalidatesTags: ['Drawer', 'Rack'],
    }),
    placeOrders: build.mutation<Drawer, OrdersIn>({
      query: (body) => ({ url: 'parts/orders', method: 'POST', body }),
      invalidatesTags: ['Drawer', 'Rack'],
    }),
    cancelOrder: build.mutation<Drawer, string>({
      query: (id) => ({ url: `parts/orders/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Drawer', 'Rack'],
    }),
    seeToPart: build.mutation<Drawer, { jobId: string; need: NeedIn }>({
      query: ({ jobId, need }) => ({ url: `jobs/${jobId}/parts`, method: 'POST', body: need }),
      invalidatesTags: (_result, _error, { jobId }) => ['Drawer', 'Rack', { type: 'Job', id: jobId }],
    }),
    actOnPart: build.mutation<Drawer, ActOnPart>({
      query: ({ need, act, jobId: _, ...body }) => ({ url: `needs/${need}/${act}`, method: 'POST', body }),
      invalidatesTags: (_result, _error, { jobId }) => ['Drawer', 'Rack', { type: 'Job', id: jobId }],
    }),
    openOwnerLink: build.mutation<{ token: string; expiresAt: string }, OfPaper>({
      query: ({ jobId, entryId }) => ({
        url: `jobs/${jobId}/papers/${entryId}/link`,
        method: 'POST',
        body: {},
      }),
    }),
    closeOwnerLink: build.mutation<unknown, OfPaper>({
      query: ({ jobId, entryId }) => ({ url: `jobs/${jobId}/papers/${entryId}/link`, method: 'DELETE' }),
    }),
    startStandIn: build.mutation<{ channel: string }, StandIn>({
      query: (body) => ({ url: 'feed/stand-in', method: 'POST', body }),
    }),
    accounts: build.query<Account[], void>({ query: () => 'accounts' }),
    checkIn: build.mutation<JobWithLog, CheckIn>({
      query: (body) => ({ url: 'jobs', method: 'POST', body }),
      invalidatesTags: ['Rack', 'Customers'],
    }),
    /** Whether the server is there; never answered from what was seen. */
    health: build.query<{ ok: true }, void>({ query: () => ({ url: 'health' }) }),
    deliver: build.mutation<Delivery, readonly Parcel[]>({
      query: (parcels) => ({ url: 'entries', method: 'POST', body: { parcels } }),
    }),
  }),
});

export const {
  useActOnPartMutation,
  useBookInMutation,
  useCancelOrderMutation,
  useCloseCalendarMutation,
  useOpenCalendarMutation,
  useCountPartMutation,
  useDayQuery,
  useDropPinMutation,
  useKeepPlanMutation,
  usePutPinMutation,
  useSetHoursMutation,
  useSetRoomsMutation,
  useDrawerQuery,
  usePlaceOrdersMutation,
  useSeeToPartMutation,
  useTakePartsMutation,
  useRackQuery,
  useClosedInfiniteQuery,
  useFindQuery,
  useMachineQuery,
  useOwnerQuery,
  useJobQuery,
  useCustomersQuery,
  useModelsQuery,
  useAccountsQuery,
  useForgetOwnerMutation,
  useSessionQuery,
  useChangeSessionMutation,
  useCloseOwnerLinkMutation,
  useOpenOwnerLinkMutation,
  useOwnOrderQuery,
  useSetOwnOrderMutation,
  useSetPricesMutation,
  useSetRulesMutation,
  useShopQuery,
  useAddModelNotesMutation,
  useDropModelNoteMutation,
  useModelNotesQuery,
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

/** Why what was sent was not taken, in one sentence; null where it was. */
export const refusalIn = (answer: { error?: unknown }): string | null =>
  answer.error ? problemWords(answer.error) : null;
