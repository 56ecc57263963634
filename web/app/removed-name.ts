import type { ResourceKind } from '../../core/schema/resources.ts';

const WHAT: Readonly<Record<ResourceKind, string>> = {
  car: 'Car',
  run: 'Run',
  version: 'Version',
  part: 'Part',
  brief: 'Brief',
  session: 'Session',
  photo: 'Photo',
  meet: 'Meet',
  entry: 'Entry',
  result: 'Result',
  class: 'Class',
};
const when = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });
const TIME = /^\d{4}-\d\d-\d\dT[\d:.]+Z$/;

/** What something removed, or of an archive, is called; a run by when it ran: `Run of 21 Nov 2026, 18:00`. */
export const removedName = (what: ResourceKind, name: string): string =>
  TIME.test(name) ? `${WHAT[what]} of ${when.format(new Date(name))}` : `${WHAT[what]} “${name}”`;
