import { createApi } from '@reduxjs/toolkit/query/react';
import { baseQuery, TAGS } from './resource-endpoints.ts';

/** The program’s API; requests for each kind of thing are added by the files beside this. */
export const baseApi = createApi({ reducerPath: 'api', baseQuery, tagTypes: TAGS, endpoints: () => ({}) });
