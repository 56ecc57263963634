import { readClass } from '../../core/files/read.ts';
import type { CrewClass } from '../../core/schema/generated/crew-class.ts';
import type { StoredClass } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { documents, type Documents } from './documents.ts';

export type ClassQueries = Documents<CrewClass, StoredClass>;
export const classQueries = (db: Db): ClassQueries => documents(db, 'class', readClass);
