import { readMeet } from '../../core/files/read.ts';
import type { Meet } from '../../core/schema/generated/meet.ts';
import type { StoredMeet } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { documents, type Documents } from './documents.ts';

export type MeetQueries = Documents<Meet, StoredMeet>;
export const meetQueries = (db: Db): MeetQueries => documents(db, 'meets', 'meet', readMeet);
