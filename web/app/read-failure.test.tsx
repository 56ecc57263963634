import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { ReadFailure } from './read-failure.tsx';

const shown = (error: unknown): string => renderToStaticMarkup(<ReadFailure title="The runs cannot be read" error={error} />);
/** What only one of the pictures has. */
const WHEEL_OFF = '<ellipse';

describe('what stands in the place of a station that cannot be read', () => {
  it('says that the program cannot be reached, and that what was typed is safe', () => {
    const page = shown({ status: 'FETCH_ERROR' });
    expect(page).toContain('The program cannot be reached');
    expect(page).toContain('saved in this browser');
    expect(page).not.toContain(WHEEL_OFF);
    expect(page).toContain('Try again');
  });
  it('says why the program refuses, in its own words', () => {
    const page = shown({ status: 422, data: { title: 'This car cannot be read', detail: 'axleDiameter is missing' } });
    expect(page).toContain('This car cannot be read: axleDiameter is missing');
    expect(page).toContain(WHEEL_OFF);
  });
});
