import { readSession } from '../../core/files/read.ts';
import type { Session } from '../../core/schema/generated/session.ts';
import type { StoredSession } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { documents, type Documents } from './documents.ts';

export type SessionQueries = Documents<Session, StoredSession>;
export const sessionQueries = (db: Db): SessionQueries => documents(db, 'session', readSession);
