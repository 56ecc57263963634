import type { CarDesign, Outcome, RunRecord } from '../design/car-design.ts';

/** What the server keeps and answers with, and the page asks for. */
export interface StoredCar {
  readonly id: string;
  readonly version: number;
  readonly design: CarDesign;
  readonly updatedAt: string;
}

/** A car as the list shows it: with its runs counted and the furthest of them. */
export interface ListedCar extends StoredCar {
  readonly runCount: number;
  readonly best: Outcome | null;
}

export interface StoredRun {
  readonly id: string;
  readonly carId: string;
  readonly version: number;
  readonly record: RunRecord;
}
