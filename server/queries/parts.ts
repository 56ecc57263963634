import type { OwnPart } from '../../core/schema/generated/own-part.ts';
import { readOwnPart } from '../../core/files/read.ts';
import type { StoredPart } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { documents, type Documents } from './documents.ts';

export type PartQueries = Documents<OwnPart, StoredPart>;
export const partQueries = (db: Db): PartQueries => documents(db, 'part', readOwnPart);
