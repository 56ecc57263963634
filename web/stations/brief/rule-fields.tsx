import { CHANGES, TIES } from '../../../core/brief/rule-sheet.ts';
import { limitsOf, type Rules } from '../../../core/brief/brief.ts';
import { kitText, readKit } from '../../../core/brief/written.ts';
import asked from '../../asked/asked.module.css';
import { ChoiceSelect } from '../../asked/choice-select.tsx';
import { AllowedParts, LimitFields } from '../../asked/limit-fields.tsx';
import type { EditBrief } from '../../open-brief/brief-slice.ts';
import { QuantityField } from '../../ui/quantity-field.tsx';
import { TextEntry } from '../../ui/text-entry.tsx';
import { Drafts } from '../../ui/use-draft.ts';

const LONGEST_BUILD = 100_000;

interface RuleFieldsProps {
  readonly rules: Rules;
  readonly edit: EditBrief;
}

/** Every rule that a brief can set. */
export function RuleFields({ rules, edit }: RuleFieldsProps) {
  const change = (part: Partial<Rules>): void => edit((present) => ({ ...present, rules: { ...present.rules, ...part } }));
  const limits = limitsOf(rules);
  return (
    <Drafts value={null}>
      <AllowedParts limits={limits} onChange={(part) => change(part as Partial<Rules>)} />
      <div className={asked.pair}>
        <LimitFields limits={limits} onChange={(part) => change(part as Partial<Rules>)} />
        <QuantityField
          size="small"
          label="Minutes to build (0: any)"
          quantity="count"
          value={rules.minutes ?? 0}
          check={(value) => (value >= 0 && value <= LONGEST_BUILD ? null : `Must be 0 to ${LONGEST_BUILD}.`)}
          onChange={(minutes) => change({ minutes: minutes > 0 ? minutes : null })}
        />
        <TextEntry label="What it may cost" value={rules.budget} maxLength={80} onChange={(budget) => change({ budget })} />
      </div>
      <TextEntry
        label="Kit, a line each: 8 luggage labels"
        value={kitText(rules.kit)}
        multiline
        minRows={3}
        check={(text) => {
          const read = readKit(text);
          return read.kind === 'unclear' ? read.message : null;
        }}
        onChange={(text) => {
          const read = readKit(text);
          if (read.kind === 'read') change({ kit: read.value });
        }}
      />
      <ChoiceSelect label="Between runs" value={rules.change} options={CHANGES} onChange={(next) => change({ change: next })} />
      <ChoiceSelect label="Ties" value={rules.ties ?? 'shared'} options={TIES} onChange={(ties) => change({ ties })} />
    </Drafts>
  );
}
