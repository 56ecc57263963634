import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { carsApi } from './api/cars-api.ts';
import { documentsApi } from './api/documents-api.ts';
import { meetsApi } from './api/meets-api.ts';
import { STATION_NAMES } from './station-names.ts';
import { useAppSelector, type RootState } from './store.ts';

/** Pages that are of nothing in particular. */
const PAGES: readonly (readonly [address: RegExp, title: string])[] = [
  [/^\/$/, 'Garage'],
  [/^\/briefs$/, 'Briefs'],
  [/^\/learn$/, 'Learn'],
  [/^\/meets$/, 'Meets'],
  [/^\/race$/, 'Race'],
  [/^\/class$/, 'Class'],
  [/^\/classes$/, 'Classes'],
];
const PROGRAM = 'Nimble Axle';

/** The name of a car, brief or meet as far as this page has it. */
function nameIn(state: RootState, kind: string, id: string): string | undefined {
  switch (kind) {
    case 'cars':
      if (state.design?.id === id) return state.design.present.name;
      return carsApi.endpoints.listCars
        .select()(state)
        .data?.readable.find((car) => car.id === id)?.design.name;
    case 'briefs':
      return state.brief?.id === id ? state.brief.present.name : undefined;
    case 'classes':
      return documentsApi.endpoints.getClass.select(id)(state).data?.class.name;
    case 'meets':
      return meetsApi.endpoints.getMeet.select(id)(state).data?.meet.name;
    default:
      return undefined;
  }
}

/** The title of the page at an address: `Kelp Runner – Track – Nimble Axle`. */
export function pageTitle(path: string, nameOf: (kind: string, id: string) => string | undefined): string {
  const own = PAGES.find(([address]) => address.test(path))?.[1];
  const [, kind = '', id = '', station = ''] = path.split('/');
  const name = own ? undefined : nameOf(kind, id);
  const where =
    own ??
    (kind === 'meets'
      ? station === 'board'
        ? 'Board'
        : 'Meet'
      : kind === 'briefs'
        ? 'Brief'
        : kind === 'classes'
          ? 'Class'
          : (STATION_NAMES as Readonly<Record<string, string>>)[station]);
  return [name, where, PROGRAM].filter(Boolean).join(' – ');
}

/** Gives each page its title. */
export function usePageTitle(): void {
  const { pathname } = useLocation();
  const title = useAppSelector((state) => pageTitle(pathname, (kind, id) => nameIn(state, kind, id)));
  useEffect(() => {
    document.title = title;
  }, [title]);
}
