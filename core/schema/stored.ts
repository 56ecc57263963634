import type { ArchiveManifest } from './generated/archive.ts';
import type { Brief } from './generated/brief.ts';
import type { CrewClass } from './generated/crew-class.ts';
import type { Meet } from './generated/meet.ts';
import type { MeetEntry } from './generated/meet-entry.ts';
import type { MeetResult } from './generated/meet-result.ts';
import type { Photo } from './generated/photo.ts';
import type { Session } from './generated/session.ts';
import type { OwnPart } from './generated/own-part.ts';
import type { CarDesign } from './generated/car-design.ts';
import type { CarVersion } from './generated/car-version.ts';
import type { Outcome, RunRecord } from './generated/run-record.ts';
import type { Fault } from '../fault.ts';
import type { RemovableKind, ResourceKind } from './resources.ts';

/** What every kept thing has. */
export interface StoredItem {
  readonly id: string;
  readonly version: number;
}

/** A kept thing that cannot be read any more: its text as it is, to be saved, and what is wrong with it. */
export interface Unreadable extends StoredItem {
  readonly unreadable: { readonly text: string; readonly faults: readonly Fault[] };
}

/** What lists hold: the thing, or that it cannot be read. */
export type Listed<T extends StoredItem> = T | Unreadable;

/** Whether a listed thing could be read. */
export const isReadable = <T extends StoredItem>(listed: Listed<T>): listed is T => !('unreadable' in listed);

/** What the server keeps and answers with, and the page asks for. */
export interface StoredCar extends StoredItem {
  readonly design: CarDesign;
  readonly updatedAt: string;
}

/** A part of the builder's own. */
export interface StoredPart extends StoredItem {
  readonly part: OwnPart;
  readonly updatedAt: string;
}

/** A brief, with its floors. */
export interface StoredBrief extends StoredItem {
  readonly brief: Brief;
  readonly updatedAt: string;
}

/** An afternoon of runs. */
export interface StoredSession extends StoredItem {
  readonly session: Session;
  readonly updatedAt: string;
}

/** A class of crews. */
export interface StoredClass extends StoredItem {
  readonly class: CrewClass;
  readonly updatedAt: string;
}

/** A contest; its entries and results are beside it, so its list of entries is empty. */
export interface StoredMeet extends StoredItem {
  readonly meet: Meet;
  readonly updatedAt: string;
}

/** A contest as the list shows it. */
export interface ListedMeet extends StoredMeet {
  readonly entryCount: number;
}

/** What belongs to a contest, in the order in which the server got it. */
interface OfMeet extends StoredItem {
  /** Counts what came, from 1: by the server, whatever the clocks of those who wrote it say. */
  readonly number: number;
  readonly updatedAt: string;
}

/** A crew and its car in a contest. */
export interface StoredEntry extends OfMeet {
  readonly entry: MeetEntry;
}

/** A result of a contest, as it was first saved. */
export interface StoredResult extends OfMeet {
  readonly result: MeetResult;
}

/** Results of a contest after a number, with what tells a page that follows whether it has all of them. */
export interface ResultPage {
  readonly results: readonly Listed<StoredResult>[];
  /** Whether none follow, and the number of the last of these. */
  readonly isLast: boolean;
  readonly last: number;
  /** How many there are, and the sum of their versions: another sum means that one was replaced. */
  readonly count: number;
  readonly versions: number;
}

/** What a page that follows contests is reported when something was written. */
export type LiveNews =
  | { readonly kind: 'result'; readonly meet: string; readonly stored: StoredResult }
  | { readonly kind: 'entry'; readonly meet: string; readonly stored: StoredEntry }
  | { readonly kind: 'meet'; readonly meet: string; readonly stored: StoredMeet }
  /** Something else of it: it is read again. */
  | { readonly kind: 'changed'; readonly meet: string }
  /** In the space of a crew: something was written, by a tab of one of its devices or by the leader (null). */
  | { readonly kind: 'stored'; readonly what: ResourceKind; readonly id: string | null; readonly by: string | null }
  /** In the space of a crew: its class is another; for the leader: a crew of a class has come further. */
  | { readonly kind: 'class'; readonly classId: string };

/** What something was before a change. */
export interface EarlierContent {
  readonly version: number;
  readonly savedAt: string;
  readonly content: unknown;
}

/** A picture of a run. */
export interface StoredPhoto extends StoredItem {
  readonly photo: Photo;
  readonly updatedAt: string;
}

/** A car as the list shows it: with its runs counted and the furthest of them. */
export interface ListedCar extends StoredCar {
  readonly runCount: number;
  readonly best: Outcome | null;
}

/** What belongs to a car: a run, or a version that was stored. */
export interface StoredRecord<T> extends StoredItem {
  readonly carId: string;
  readonly record: T;
}

export type StoredRun = StoredRecord<RunRecord>;
export type StoredVersion = StoredRecord<CarVersion>;

/** A run as a page of the list holds it: its design is named, and told once beside the runs. */
export interface ListedRun extends StoredRecord<Omit<RunRecord, 'design'>> {
  readonly designId: string;
}

/** Designs by the name that runs refer to them by. */
export type Designs = Readonly<Record<string, CarDesign>>;

/** Some runs of a car, newest first, of `total`. */
export interface RunPage {
  readonly total: number;
  readonly runs: readonly Listed<ListedRun>[];
  readonly designs: Designs;
}

/** m: a car that came less far did not start: it stalled, or its wheels spun on the spot. Nobody measures such a run. */
export const START = 0.05;

/** Runs added up: what mean and spread are made of. m, m². */
export interface RunSums {
  /** Those that started and stopped by themselves, the sum of their distances and of their squares; of the others, `walls` hit the wall and `noStarts` did not start. */
  readonly stopped: number;
  readonly walls: number;
  readonly noStarts: number;
  readonly sum: number;
  readonly sumOfSquares: number;
  /** The furthest of all. */
  readonly best: Outcome;
}

/** Runs with one design, with the same winding, added up. */
export interface RunTally extends RunSums {
  readonly designId: string;
  /** Turns wound; null: fully. */
  readonly turns: number | null;
  readonly latest: string;
}

/** Runs of one session added up. */
export interface SessionSums extends RunSums {
  readonly session: string;
}

/** The newest groups of like runs, and how many groups there are. */
export interface RunTallies {
  readonly total: number;
  readonly tallies: readonly RunTally[];
  readonly designs: Designs;
}

/** A design that a later save replaced. */
export interface EarlierDesign {
  readonly version: number;
  readonly savedAt: string;
  readonly design: CarDesign;
}

/** Something removed, which can be brought back. */
export interface Removed {
  readonly what: RemovableKind;
  readonly id: string;
  /** The car it belongs to; null for what belongs to none. */
  readonly carId: string | null;
  /** Its own name; a run's is its car's. */
  readonly name: string;
  /** m, of a run. */
  readonly distance: number | null;
  readonly removedAt: string;
}

/** How many of each kind. */
export type ArchiveCount = Readonly<Record<ResourceKind, number>>;

/** One thing of an archive that is not simply new or the same. */
export interface ArchiveFinding {
  readonly what: ResourceKind;
  readonly id: string;
  readonly carId: string | null;
  readonly name: string;
}

/** An archive beside what is stored here. */
export interface ArchiveReport {
  readonly manifest: ArchiveManifest;
  readonly fresh: ArchiveCount;
  readonly same: ArchiveCount;
  /** What was stored, replaced or brought back; nothing after a mere look. */
  readonly taken: ArchiveCount;
  /** The same of the work of crews, which goes to their own spaces: things of all kinds together. */
  readonly ofCrews: { readonly fresh: number; readonly same: number; readonly taken: number };
  /** The first of those that differ from what is here, and how many there are. */
  readonly different: readonly ArchiveFinding[];
  readonly differing: number;
  /** The first of those that were removed here, and how many there are. */
  readonly removed: readonly ArchiveFinding[];
  readonly gone: number;
  /** The first of what cannot be read, and how many there are. */
  readonly faults: readonly Fault[];
  readonly faulty: number;
}
