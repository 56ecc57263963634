import { useCallback } from 'react';

const FOCUSABLE = 'input:not([aria-hidden]), textarea, button, a[href], summary, [role=slider], [role=button], [role=combobox]';
/** What the arrow keys already mean something to: there, Ctrl goes from one to the next. */
const OWN_ARROWS = 'input[type=range], [role=slider], textarea';

/** How many items on an arrow key goes: along any way, or up and down alone where left and right move a caret. */
function stepOf({ key, target }: KeyboardEvent): number {
  if (key === 'ArrowDown') return 1;
  if (key === 'ArrowUp') return -1;
  if ((target as Element).matches('input[type=text]')) return 0;
  return key === 'ArrowRight' ? 1 : key === 'ArrowLeft' ? -1 : 0;
}

/** Everything in an item that takes the focus, the item itself where it does. */
function stopsOf(item: Element): HTMLElement[] {
  if (item.matches(FOCUSABLE)) return [item as HTMLElement];
  return [...item.querySelectorAll<HTMLElement>(FOCUSABLE)].filter((stop) => !stop.matches(':disabled'));
}

function rove(group: Element, selector: string): () => void {
  let current: Element | null = null;
  const items = (): Element[] => [...group.querySelectorAll(selector)];
  /** One item is reached with Tab: the last one that had the focus, else the first. */
  const refresh = (): void => {
    const all = items();
    if (!current || !all.includes(current)) current = all[0] ?? null;
    for (const item of all)
      for (const stop of stopsOf(item)) {
        const index = item === current ? 0 : -1;
        if (stop.tabIndex !== index) stop.tabIndex = index;
      }
  };
  const follow = ({ target }: Event): void => {
    const item = items().find((candidate) => candidate.contains(target as Node));
    if (!item || item === current) return;
    current = item;
    refresh();
  };
  const move = (event: KeyboardEvent): void => {
    const target = event.target as Element;
    if (event.shiftKey || event.altKey || event.metaKey || event.ctrlKey !== target.matches(OWN_ARROWS)) return;
    const step = stepOf(event);
    const all = items();
    const at = all.findIndex((item) => item.contains(target));
    if (step === 0 || at === -1) return;
    event.preventDefault();
    event.stopPropagation();
    const next = stopsOf(all[Math.min(Math.max(at + step, 0), all.length - 1)]!);
    next[Math.min(stopsOf(all[at]!).indexOf(target as HTMLElement), next.length - 1)]?.focus();
  };
  const watcher = new MutationObserver(refresh);
  watcher.observe(group, { childList: true, subtree: true });
  group.addEventListener('focusin', follow);
  // Before anything inside: a list that would open on an arrow key opens on Enter or Space.
  group.addEventListener('keydown', move as EventListener, true);
  refresh();
  return () => {
    watcher.disconnect();
    group.removeEventListener('focusin', follow);
    group.removeEventListener('keydown', move as EventListener, true);
  };
}

/**
 * Makes a group of items one stop for Tab: within it the arrow keys go from one to the next (roving focus; source: WAI-ARIA
 * Authoring Practices, keyboard navigation inside components), with Ctrl where the arrows already move a slider. An item may
 * hold several things to focus; the same one of the next item is gone to. Give the result to the group as its `ref`.
 */
export function useRoving(selector: string): (group: Element | null) => (() => void) | undefined {
  return useCallback((group: Element | null) => (group ? rove(group, selector) : undefined), [selector]);
}
