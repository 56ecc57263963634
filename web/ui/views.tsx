import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { useId, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';

interface ViewsProps<T extends string> {
  readonly label: string;
  /** By their names in the address, in order. */
  readonly views: readonly (readonly [view: T, label: string])[];
  readonly children: (view: T) => ReactNode;
}

/** Views of a page, one at a time behind tabs; the address tells which, so that a link leads to one. The first where it tells none. */
export function Views<T extends string>({ label, views, children }: ViewsProps<T>) {
  const [search, setSearch] = useSearchParams();
  const id = useId();
  const asked = search.get('view');
  const [view] = views.find(([one]) => one === asked) ?? views[0]!;
  return (
    <>
      <Tabs
        value={view}
        onChange={(_event, next: T) => setSearch({ view: next }, { replace: true })}
        variant="scrollable"
        aria-label={label}
      >
        {views.map(([one, words]) => (
          <Tab key={one} value={one} label={words} id={`${id}-${one}`} aria-controls={id} />
        ))}
      </Tabs>
      <div id={id} role="tabpanel" aria-labelledby={`${id}-${view}`}>
        {children(view)}
      </div>
    </>
  );
}
