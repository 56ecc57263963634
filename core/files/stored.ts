import type { OwnPart } from './generated/own-part.ts';
import type { CarDesign, CarVersion, Outcome, RunRecord } from '../design/car-design.ts';

/** What the server keeps and answers with, and the page asks for. */
export interface StoredCar {
  readonly id: string;
  readonly version: number;
  readonly design: CarDesign;
  readonly updatedAt: string;
}

/** A part of the builder's own. */
export interface StoredPart {
  readonly id: string;
  readonly version: number;
  readonly part: OwnPart;
}

/** A car as the list shows it: with its runs counted and the furthest of them. */
export interface ListedCar extends StoredCar {
  readonly runCount: number;
  readonly best: Outcome | null;
}

/** What belongs to a car: a run, or a version that was kept. */
export interface StoredRecord<T> {
  readonly id: string;
  readonly carId: string;
  readonly version: number;
  readonly record: T;
}

export type StoredRun = StoredRecord<RunRecord>;
export type StoredVersion = StoredRecord<CarVersion>;
