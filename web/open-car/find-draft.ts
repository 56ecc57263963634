import { isAlive, tabId } from '../app/tab.ts';
import { keepDraft, keyOf, PREFIX, type Draft } from './drafts.ts';

async function read(text: string | null): Promise<Draft | null> {
  if (text === null) return null;
  try {
    // Seldom wanted, and a fair piece of program.
    const { readCarDesign } = await import('../../core/files/read.ts');
    const value = JSON.parse(text) as { baseVersion?: unknown; design?: unknown } | null;
    const design = readCarDesign(value?.design);
    return design.kind === 'read' && typeof value?.baseVersion === 'number'
      ? { baseVersion: value.baseVersion, design: design.value }
      : null;
  } catch {
    return null;
  }
}

/** This tab's draft of a car, or one left behind by a tab that is gone; a left-behind one becomes this tab's own. */
export async function findDraft(carId: string): Promise<Draft | null> {
  const own = await read(localStorage.getItem(keyOf(carId, tabId())));
  if (own) return own;
  for (const key of Object.keys(localStorage).filter((name) => name.startsWith(`${PREFIX}${carId}:`))) {
    const tab = key.slice(keyOf(carId, '').length);
    if (await isAlive(tab)) continue;
    const draft = await read(localStorage.getItem(key));
    if (draft) keepDraft(carId, draft);
    if (tab !== tabId()) localStorage.removeItem(key);
    if (draft) return draft;
  }
  return null;
}
