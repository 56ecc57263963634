import type { Role } from '../../core/schema/sharing.ts';
import { useGetJoinedQuery } from '../app/api.ts';

/** As what this page joined: the host on the machine that the program runs on; null until it is told. */
export const useRole = (): Role | 'host' | null => useGetJoinedQuery().data?.role ?? null;
