import type { OwnPart } from '../../core/files/generated/own-part.ts';
import { readOwnPart } from '../../core/files/read.ts';
import type { Db } from '../database.ts';
import { documents, type Documents } from './documents.ts';

export const partQueries = (db: Db): Documents<OwnPart> => documents(db, 'own_parts', 'part', readOwnPart);
