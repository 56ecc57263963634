import { useEffect } from 'react';

/** The parts of a station, as they are named for those who cannot see them. */
const REGION = 'nav[aria-label], main header, main section, main form[aria-label], main [role=tablist]';
const STOP = 'input, textarea, button, a[href], summary, [tabindex="0"]';

const canStop = (stop: HTMLElement): boolean => stop.tabIndex >= 0 && !stop.matches(':disabled') && stop.getClientRects().length > 0;

/** Where the keyboard may go next: the first thing to focus of each part that lies in no other. */
function entrances(): HTMLElement[] {
  const regions = [...document.querySelectorAll<HTMLElement>(REGION)].filter(
    (region) => !region.parentElement!.closest('main section, main header'),
  );
  return regions.flatMap((region) => [...region.querySelectorAll<HTMLElement>(STOP)].find(canStop) ?? []);
}

/** F6 goes to the next part of the station, Shift + F6 to the one before: the verdict is a few keys from the sizes. */
export function useRegions(): void {
  useEffect(() => {
    const go = (event: KeyboardEvent): void => {
      // A dialog keeps the keyboard.
      if (event.key !== 'F6' || document.querySelector('[role=dialog], [role=presentation].MuiModal-root')) return;
      event.preventDefault();
      const stops = entrances();
      const here = document.activeElement;
      // The last entrance at or before where the keyboard is.
      const at = stops.findLastIndex(
        (stop) => stop === here || Boolean(here && stop.compareDocumentPosition(here) & Node.DOCUMENT_POSITION_FOLLOWING),
      );
      const next = event.shiftKey ? at - 1 : at + 1;
      stops.at(next % stops.length)?.focus();
    };
    window.addEventListener('keydown', go);
    return () => window.removeEventListener('keydown', go);
  }, []);
}
