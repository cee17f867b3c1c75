import type { LearntFile, LearntState, TakenIn } from '@rusty-wren/contract';
import { api } from '../api/api';

/** What closed jobs have taught. */
export const learningApi = api.injectEndpoints({
  endpoints: (build) => ({
    learnt: build.query<LearntState, void>({ query: () => 'learnt', providesTags: ['Learnt'] }),
    setCounts: build.mutation<LearntState, boolean>({
      query: (counts) => ({ url: 'learnt', method: 'PUT', body: { counts } }),
      invalidatesTags: ['Learnt', 'Job', 'Rack', 'Shop'],
    }),
    learntFile: build.query<LearntFile, void>({
      query: () => ({ url: 'learnt/file' }),
      keepUnusedDataFor: 0,
    }),
    takeIn: build.mutation<LearntState, TakenIn>({
      query: (body) => ({ url: 'learnt/elsewhere', method: 'PUT', body }),
      invalidatesTags: ['Learnt', 'Job', 'Rack'],
    }),
    letGo: build.mutation<LearntState, string>({
      query: (shop) => ({ url: `learnt/elsewhere/${shop}`, method: 'DELETE' }),
      invalidatesTags: ['Learnt', 'Job', 'Rack'],
    }),
  }),
});

export const {
  useLearntQuery,
  useSetCountsMutation,
  useLazyLearntFileQuery,
  useTakeInMutation,
  useLetGoMutation,
} = learningApi;
