import { readPhoto } from '../../core/files/read.ts';
import type { Photo } from '../../core/schema/generated/photo.ts';
import type { StoredPhoto } from '../../core/schema/stored.ts';
import type { Db } from '../database.ts';
import { documents, type Documents } from './documents.ts';

export type PhotoQueries = Documents<Photo, StoredPhoto>;
export const photoQueries = (db: Db): PhotoQueries => documents(db, 'photos', 'photo', readPhoto);
