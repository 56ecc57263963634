import type { Fault, Bound, Problem } from './fault.ts';

const BOUND: Readonly<Record<Bound['is'], string>> = { least: 'at least', above: 'above', most: 'at most', below: 'below' };
const AGAINST = { exceed: 'must be greater than', reach: 'must not be below', 'not-exceed': 'must not be above' } as const;

const reasoned = (words: string, because: string | undefined, sign = ': '): string => (because ? `${words}${sign}${because}` : words);

/** A bound in words, its value as `print` has it: `must be at least 24 g, what the wheels and axles alone weigh`. */
export const describeLimit = ({ is, value, because }: Bound, format: (value: number) => string): string =>
  reasoned(`must be ${BOUND[is]} ${format(value)}`, because, ', ');

/** What is wrong and what would put it right, to be read after the name of the key; numbers as `print` has them (SI without it), other keys as `name` has them. */
export function describeProblem(
  wrong: Problem,
  format: (value: number) => string = String,
  name: (key: string) => string = (key) => key,
): string {
  switch (wrong.code) {
    case 'bound':
      return describeLimit(wrong.limit, format);
    case 'against':
      return reasoned(`${AGAINST[wrong.must]} ${name(wrong.other)}`, wrong.because);
    case 'missing':
      return reasoned('is missing', wrong.because);
    case 'unknown-key':
      return 'is not a known key; remove it or check its spelling';
    case 'unknown-kind':
      return 'is not a kind known here';
    case 'choice':
      return `must be one of ${wrong.among.join(', ')}`;
    case 'expected':
      return `must be ${wrong.what}`;
    case 'blank':
      return 'needs a letter or sign that can be seen';
    case 'too-large':
      return `has ${wrong.count} ${wrong.of}; at most ${wrong.most} are allowed`;
    case 'not-json':
      return `not a JSON file: ${wrong.reason}`;
    case 'not-valid':
      return wrong.reason;
    case 'more':
      return `and ${wrong.count} more`;
    case 'not-of-part':
      return `is not a value of a ${wrong.part}; remove it`;
    case 'out-of-range':
      return `is far ${wrong.toward === 'low' ? 'below' : 'above'} the value of any car`;
    case 'out-of-place':
      return 'does not belong in an archive of this program; it is skipped';
    case 'orphan':
      return 'belongs to a car, meet or version that is not in the archive';
    case 'lacking':
      return `should be ${wrong.said}, but ${wrong.found} are there: a part of the archive is missing`;
    case 'not-of-this-car':
      return 'is not a version of this car';
    case 'own-ancestor':
      return 'must not be based on this version itself';
    case 'lever-past-line':
      return wrong.at === 'released'
        ? 'lets the string wind up again before the end of the pull (the lever would pass the line from axle to pivot); raise it'
        : 'lets the string wind up first (the lever would start beyond the line from pivot to axle); lower it';
    case 'lever-in-line':
      return `puts lever and string in line (less than 5° apart) ${wrong.at === 'cocked' ? 'when cocked; lower it' : 'at the end of the pull; raise it'}, or change ${wrong.others.map(name).join(' or ')}`;
    case 'band-breaks':
      return wrong.unwound === null
        ? `stretches the band to more than ${wrong.most} times its length; it would break. Wind fewer turns, or use a longer chain`
        : `stretches the band to ${wrong.unwound.toFixed(1)} times its length before it is wound, above ${wrong.most}; it would break`;
  }
}

/** One line for people: `motor.leverLength: must be above 0`. */
export const formatFault = (fault: Fault): string =>
  fault.path === '' ? describeProblem(fault) : `${fault.path}: ${describeProblem(fault)}`;

/** A fault with its sentence, for whoever asks the program rather than the page. */
export type FaultWithMessage = Fault & { readonly message: string };
export const withMessage = (fault: Fault): FaultWithMessage => ({ ...fault, message: describeProblem(fault) });
