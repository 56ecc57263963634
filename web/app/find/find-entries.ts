import { MEASUREMENTS, MEASUREMENT_KINDS } from '../../../core/bench/measurements.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { hasAllWords } from '../../../core/has-all-words.ts';
import { GLOSSARY } from '../../../core/learn/glossary-terms.ts';
import { IDEAS } from '../../../core/learn/idea.ts';
import { CAR_ROWS, isRowOf } from '../../stations/design/car/car-rows.ts';
import { STATION_INDEX } from '../../stations/design/car/station-index.ts';
import { termAddress } from '../../ui/term-links.tsx';

/** Something that can be gone to: what it is called, in which station, by what it is found besides, and its address. */
export interface FindEntry {
  readonly label: string;
  readonly station: string;
  readonly words: string;
  readonly to: string;
}

type Place = readonly [label: string, to: string, words: string];

/** What is done where, in the words that builders look for it by. `to`: after the car's address, or the whole of it. */
const OF_CAR: Readonly<Record<string, readonly Place[]>> = {
  Brief: [
    ['Brief of this car', 'brief', 'aim goal round rules points limits class contest use a brief'],
    ['Rounds, floors and walls', 'brief', 'wall room lane width gap door twig stretch'],
    ['Limits of size, weight, bands and parts', 'brief', 'length width height mass number of parts wheels rules allowed'],
  ],
  Bench: [['Print bench sheets', 'bench/sheets', 'paper blank readings']],
  Build: [
    ['Drawing and templates', 'build', 'print pdf dxf svg laser full size'],
    ['Parts list', 'build?view=parts', 'shopping weight substitute kit'],
    ['Build steps', 'build?view=steps', 'make how to minutes'],
    ['Inspection', 'build?view=inspection', 'measure finished car tolerance'],
  ],
  Track: [
    ['Log a run', 'track', 'distance save result outcome wall mark did not start spun'],
    ['Count turns while winding', 'track', 'wind counter sensor safe turns'],
    ['Time a run', 'track', 'stopwatch watch gates splits'],
    ['Session, floor and room', 'track', 'direction tape marks spacing room'],
    ['Import or export runs as CSV', 'track', 'table file spreadsheet'],
    ['Print a run sheet', 'track/sheet', 'paper'],
    ['Let phones log runs', 'track', 'share crew code join'],
  ],
  Tune: [
    ['What to do next', 'tune', 'change improve advice cause fault'],
    ['Compare two versions', 'tune', 'did it help better worse'],
    ['Fit to the runs', 'tune', 'posterior scatter friction energy learned'],
  ],
};
const OF_ALL: Readonly<Record<string, readonly Place[]>> = {
  Garage: [
    ['New car', '/', 'create add start'],
    ['Open a car, brief or archive', '/', 'file import restore backup'],
    ['Save everything as one file', '/', 'archive export backup'],
    ['Restore what was removed', '/', 'trash deleted undo'],
  ],
  Brief: [['All briefs', '/briefs', 'new brief contest task']],
  Race: [['Race', '/race', 'side by side in true time compare cars versions']],
  Meet: [['Meets', '/meets', 'race contest heats lanes standings board officials order of arrival points']],
};

/** Everything that can be found, for a car and for none. */
export function findEntries(carId: string | null, design: CarDesign | null): readonly FindEntry[] {
  const entries: FindEntry[] = [];
  const add = (station: string, places: readonly Place[], base: string): void => {
    for (const [label, to, words] of places) entries.push({ label, station, words: `${station} ${label} ${words}`, to: `${base}${to}` });
  };
  if (carId !== null && design) {
    const base = `/cars/${carId}/`;
    const inDesign = (label: string): string => `design?find=${encodeURIComponent(label)}`;
    for (const row of CAR_ROWS[design.motor.kind].filter((row) => isRowOf(row, design))) {
      const label = row.kind === 'size' ? row.size.label : row.kind === 'part' ? row.part.label : row.choice.label;
      add('Design', [[label, inDesign(label), row.words]], base);
    }
    for (const { label, words } of STATION_INDEX) add('Design', [[label, inDesign(label), words.join(' ')]], base);
    for (const kind of MEASUREMENT_KINDS.filter((one) => MEASUREMENTS[one].suits(design))) {
      const { name, tells, needs } = MEASUREMENTS[kind];
      add('Bench', [[name, `bench?measure=${kind}`, `${tells} ${needs.join(' ')}`]], base);
    }
    for (const [station, places] of Object.entries(OF_CAR)) add(station, places, base);
    for (const [idea, title] of Object.entries(IDEAS))
      add('Learn', [[title, `learn?view=ideas&idea=${idea}`, 'idea question predict']], base);
    for (const [id, { word, met, means }] of Object.entries(GLOSSARY))
      add('Glossary', [[word, termAddress(carId, id as keyof typeof GLOSSARY), `${met.join(' ')} ${means}`]], '');
  }
  for (const [station, places] of Object.entries(OF_ALL)) add(station, places, '');
  return entries;
}

/** Entries that have all the words that were typed: those whose own name begins with them first. */
export function entriesFound(entries: readonly FindEntry[], sought: string): readonly FindEntry[] {
  const found = entries.filter(({ words }) => hasAllWords(words, sought));
  const typed = sought.trim().toLowerCase();
  const rank = ({ label, station }: FindEntry): number =>
    (label.toLowerCase().startsWith(typed) ? 0 : hasAllWords(label, sought) ? 1 : 2) + (station === 'Glossary' ? 0.5 : 0);
  return found.toSorted((a, b) => rank(a) - rank(b));
}
