import { readBrief } from '../../core/files/read.ts';
import type { Brief } from '../../core/schema/generated/brief.ts';
import type { StoredBrief } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { documents, type Documents } from './documents.ts';

export type BriefQueries = Documents<Brief, StoredBrief>;
export const briefQueries = (db: Db): BriefQueries => documents(db, 'brief', readBrief);
