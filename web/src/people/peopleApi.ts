import type { Backups, Device, Done, Instrument, PersonOnBooks, Role } from '@rusty-wren/contract';
import { api } from '../api/api';

export interface PersonChange {
  id: string;
  role?: Role;
  left?: boolean;
  secret?: string;
}

/** What the lead asks of the server: people, devices, instruments, and what was done. */
export const peopleApi = api.injectEndpoints({
  endpoints: (build) => ({
    people: build.query<PersonOnBooks[], void>({
      query: () => ({ url: 'people' }),
      providesTags: ['People'],
    }),
    addPerson: build.mutation<PersonOnBooks[], { id: string; name: string; role: Role; secret: string }>({
      query: (body) => ({ url: 'people', method: 'POST', body }),
      invalidatesTags: ['People', 'Session', 'Day'],
    }),
    changePerson: build.mutation<PersonOnBooks[], PersonChange>({
      query: ({ id, ...body }) => ({ url: `people/${id}`, method: 'PUT', body }),
      invalidatesTags: ['People', 'Session', 'Day'],
    }),
    devices: build.query<Device[], void>({ query: () => ({ url: 'devices' }), providesTags: ['People'] }),
    endDevice: build.mutation<Device[], string>({
      query: (id) => ({ url: `devices/${id}`, method: 'DELETE' }),
      invalidatesTags: ['People'],
    }),
    backups: build.query<Backups, void>({ query: () => ({ url: 'backups' }), providesTags: ['People'] }),
    instruments: build.query<Instrument[], void>({
      query: () => ({ url: 'instruments' }),
      providesTags: ['People'],
    }),
    letIn: build.mutation<{ token: string }, { id: string; name: string }>({
      query: (body) => ({ url: 'instruments', method: 'POST', body }),
      invalidatesTags: ['People'],
    }),
    withdraw: build.mutation<Instrument[], string>({
      query: (id) => ({ url: `instruments/${id}`, method: 'DELETE' }),
      invalidatesTags: ['People'],
    }),
    done: build.query<Done[], void>({ query: () => ({ url: 'done' }), providesTags: ['People'] }),
  }),
});

export const {
  usePeopleQuery,
  useAddPersonMutation,
  useChangePersonMutation,
  useBackupsQuery,
  useDevicesQuery,
  useEndDeviceMutation,
  useInstrumentsQuery,
  useLetInMutation,
  useWithdrawMutation,
  useDoneQuery,
} = peopleApi;
