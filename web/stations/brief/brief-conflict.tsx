import type { Brief } from '../../../core/brief/brief.ts';
import { ruleSheet } from '../../../core/brief/rule-sheet.ts';
import type { UnitSystem } from '../../../core/units/quantity.ts';
import { useSaveBrief } from '../../app/use-briefs.ts';
import { BRIEF } from '../../open-brief/brief-document.ts';
import { ConflictDialog } from '../../open-document/conflict-dialog.tsx';
import { useUnits } from '../../ui/use-units.ts';

/** Lines of the rule sheets that are in one of two briefs only. */
function rowsOf(mine: Brief, other: Brief, units: UnitSystem): (readonly [string, string, string])[] {
  const [here, there] = [mine, other].map((brief) =>
    ruleSheet(brief, units)
      .split('\n')
      .filter((line) => line.trim() !== ''),
  );
  const only = (lines: readonly string[], others: readonly string[]) =>
    lines.filter((line) => !others.includes(line)).map((line) => line.trim());
  return [
    ...only(here!, there!).map((line) => ['only in yours', line, ''] as const),
    ...only(there!, here!).map((line) => ['only in the other', '', line] as const),
  ];
}

/** Asked while the brief was changed elsewhere. */
export function BriefConflict() {
  const units = useUnits();
  const { keep } = useSaveBrief();
  return (
    <ConflictDialog
      kind={BRIEF}
      rowsOf={(mine, other) => rowsOf(mine, other, units)}
      saveBeside={async (mine) => {
        const name = `${mine.name.slice(0, 70)} (mine)`;
        return (await keep({ ...mine, name })) ? { name } : { error: null };
      }}
    />
  );
}
