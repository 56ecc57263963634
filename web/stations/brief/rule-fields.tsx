import { CHANGES, TIES } from '../../../core/brief/rule-sheet.ts';
import { limitsOf, type Rules } from '../../../core/brief/brief.ts';
import { kitText, readKit, readLines } from '../../../core/brief/parse-lines.ts';
import fieldStyles from '../../brief-fields/brief-fields.module.css';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { AllowedParts, LimitFields } from '../../brief-fields/limit-fields.tsx';
import type { EditBrief } from '../../open-brief/brief-slice.ts';
import { QuantityField } from '../../ui/quantity-field.tsx';
import { TextEntry } from '../../ui/text-entry.tsx';
import { Drafts } from '../../ui/use-draft.ts';

const LONGEST_BUILD = 100_000;
/** Sizes that a car may have to reach. */
const LEAST = [
  ['length', 'Shortest allowed', 'size', 5],
  ['width', 'Narrowest allowed', 'size', 5],
  ['height', 'Lowest allowed', 'size', 5],
  ['mass', 'Lightest allowed', 'weight', 10],
] as const;

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
      <div className={fieldStyles.wide}>
        <LimitFields limits={limits} onChange={(part) => change(part as Partial<Rules>)} />
        <QuantityField
          size="small"
          label="Minutes to build (0: any)"
          quantity="count"
          value={rules.minutes ?? 0}
          check={(value) => (value >= 0 && value <= LONGEST_BUILD ? null : `Must be 0 to ${LONGEST_BUILD}.`)}
          onChange={(minutes) => change({ minutes: minutes > 0 ? minutes : null })}
        />
        <TextEntry label="Cost limit" value={rules.budget} maxLength={80} onChange={(budget) => change({ budget })} />
      </div>
      <TextEntry
        label="Kit, one thing a line, such as “8 luggage labels”"
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
      <div className={fieldStyles.wide}>
        {LEAST.map(([key, label, quantity, most]) => (
          <QuantityField
            key={key}
            size="small"
            label={`${label} (0: any)`}
            quantity={quantity}
            value={rules.least?.[key] ?? 0}
            check={(value) => (value >= 0 && value <= most ? null : `Must be 0 to ${most}.`)}
            onChange={(value) => {
              const { [key]: _before, ...least } = rules.least ?? {};
              change({ least: value > 0 ? { ...least, [key]: value } : least });
            }}
          />
        ))}
        <QuantityField
          size="small"
          label="Penalty for each line crossed"
          quantity="distance"
          value={rules.penalty ?? 0}
          check={(value) => (value >= 0 && value <= 100 ? null : 'Must be 0 to 100 m.')}
          onChange={(value) =>
            edit(({ rules: { penalty: _before, ...others }, ...present }) => ({
              ...present,
              rules: { ...others, ...(value > 0 && { penalty: value }) },
            }))
          }
        />
      </div>
      <div className={fieldStyles.pair}>
        <ChoiceSelect
          label="Length measured"
          value={rules.lengthOf ?? 'all'}
          options={{ all: 'over all of the car', body: 'of the body', wheelbase: 'from axle to axle' }}
          onChange={(lengthOf) => change({ lengthOf })}
        />
        <ChoiceSelect
          label="Length and height measured"
          value={rules.leverAt ?? 'cocked'}
          options={{ cocked: 'with the lever cocked', rest: 'with the lever at rest', largest: 'with the lever where it reaches furthest' }}
          onChange={(leverAt) => change({ leverAt })}
        />
        <ChoiceSelect
          label="Distance measured to"
          value={rules.measuredAt ?? 'nose'}
          options={{ nose: 'the nose', rear: 'the rear', 'last-wheel': 'the last wheel' }}
          onChange={(measuredAt) => change({ measuredAt })}
        />
      </div>
      {(
        [
          ['forbidden', 'Parts that are not allowed, one a line', 80],
          ['more', 'Further rules, one a line', 200],
        ] as const
      ).map(([key, label, longest]) => (
        <TextEntry
          key={key}
          label={label}
          value={(rules[key] ?? []).join('\n')}
          multiline
          minRows={2}
          check={(text) => {
            const read = readLines(text, longest);
            return read.kind === 'unclear' ? read.message : null;
          }}
          onChange={(text) => {
            const read = readLines(text, longest);
            if (read.kind === 'read') change({ [key]: read.value });
          }}
        />
      ))}
      <ChoiceSelect label="Between runs" value={rules.change} options={CHANGES} onChange={(next) => change({ change: next })} />
      <ChoiceSelect label="Ties" value={rules.ties ?? 'shared'} options={TIES} onChange={(ties) => change({ ties })} />
    </Drafts>
  );
}
