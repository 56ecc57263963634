import { describe, expect, it } from 'vitest';
import { spaceOf } from './space.ts';

const CREW = '5ce44000-0000-4000-8000-0000000000e1';

describe('the space that a page is in', () => {
  it.each([
    ['the owner’s', '/cars/1/design', '', { visited: null, base: '', api: '/api', prefix: '' }],
    ['of the crew that joined', '/', `joined=x; crew=${CREW}`, { visited: null, base: '', api: '/api', prefix: `${CREW}/` }],
    [
      'that a leader visits',
      `/crews/${CREW}/cars/1`,
      '',
      { visited: CREW, base: `/crews/${CREW}`, api: `/api/crews/${CREW}`, prefix: `${CREW}/` },
    ],
    ['the owner’s, at an address of no crew', '/crews/7/cars', '', { visited: null, base: '', api: '/api', prefix: '' }],
  ])('is %s', (_name, path, cookie, space) => expect(spaceOf(path, cookie)).toEqual(space));
});
