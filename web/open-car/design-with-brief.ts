import { createSelector } from '@reduxjs/toolkit';
import { useMemo } from 'react';
import { designForBrief, type Brief } from '../../core/brief/brief.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { StoredBrief } from '../../core/schema/stored.ts';
import { documentsApi, useListBriefsQuery } from '../app/api/documents-api.ts';
import type { RootState } from '../app/store.ts';

const NONE: readonly StoredBrief[] = [];

/** The brief that a car works to; null where it works to none, or to one that is not here. */
export const briefOf = ({ brief }: Pick<CarDesign, 'brief'>, briefs: readonly StoredBrief[]): StoredBrief | null =>
  brief ? (briefs.find(({ id }) => id === brief.id) ?? null) : null;

const asked = (design: CarDesign, briefs: readonly StoredBrief[]): CarDesign => {
  const worksTo = briefOf(design, briefs);
  return worksTo ? designForBrief(design, worksTo.brief) : design;
};

/** Every brief that is stored. */
export function useBriefs(): readonly StoredBrief[] {
  return useListBriefsQuery().data?.readable ?? NONE;
}

/** The brief that a car works to. */
export function useBriefOf(design: Pick<CarDesign, 'brief'>): { readonly id: string; readonly brief: Brief } | null {
  return briefOf(design, useBriefs());
}

/** A design as its brief asks: its floor, load, aim and limits are those of the brief. */
export function useDesignWithBrief(design: CarDesign): CarDesign {
  const briefs = useBriefs();
  return useMemo(() => asked(design, briefs), [design, briefs]);
}

/** The design that is open, as its brief asks; the same one until either changes. */
export const openDesign = createSelector(
  [
    (state: RootState) => state.design?.present ?? null,
    (state: RootState) => documentsApi.endpoints.listBriefs.select()(state).data?.readable ?? NONE,
  ],
  (design, briefs) => design && asked(design, briefs),
);
