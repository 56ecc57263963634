import { hasAllWords } from '../has-all-words.ts';
/** A word of the field: how it is called, how else it is met on a screen, and what it is. */
export interface GlossaryTerm {
  readonly word: string;
  /** Small letters; each represents the word where it is met, whole. */
  readonly met: readonly string[];
  readonly means: string;
}

/** Words that stand on the screens, by the alphabet. */
export const GLOSSARY = {
  'air-drag': {
    word: 'air drag',
    met: ['air drag', 'drag'],
    means: 'the force of the air against a moving car: four times as large at twice the speed',
  },
  ballast: { word: 'ballast', met: ['ballast'], means: 'weight that is added where it helps' },
  bearing: { word: 'bearing', met: ['bearing', 'bearings'], means: 'what an axle turns in' },
  'cocked-angle': { word: 'cocked', met: ['cocked'], means: 'of a trap: its lever is held back, ready to pull' },
  censored: {
    word: 'censored run, at least',
    met: ['censored run', 'at least'],
    means: 'a run that hit the wall: it would have gone further, nobody knows how far',
  },
  coasting: { word: 'coasting', met: ['coasting', 'coasts', 'coast'], means: 'rolling on after the pull has ended' },
  friction: {
    word: 'coefficient of friction, grip',
    met: ['coefficient of friction', 'grip'],
    means: 'friction force divided by the force pressing the surfaces together; for a tyre it is called grip',
  },
  interval: {
    word: 'confidence interval, range',
    met: ['confidence interval', 'range', '8 in 10'],
    means: 'the range that most likely contains the value; 8 times in 10, where no other share is given',
  },
  curvature: { word: 'curvature', met: ['curvature', 'curve'], means: 'how sharply a car turns: one divided by the radius of its curve' },
  drift: {
    word: 'drift',
    met: ['drift', 'drifts', 'off the line'],
    means: 'the distance of the car from the straight line through the start',
  },
  'drive-axle': { word: 'drive axle', met: ['drive axle'], means: 'the axle that the motor turns' },
  'end-play': { word: 'end play', met: ['end play', 'play'], means: 'how far an axle can slide from side to side' },
  energy: {
    word: 'energy, potential energy',
    met: ['energy', 'potential energy'],
    means: 'stored work: it can move, lift or warm things',
  },
  hysteresis: { word: 'hysteresis', met: ['hysteresis'], means: 'the part of the energy that spring or rubber turns into heat' },
  inertia: { word: 'inertia', met: ['inertia'], means: 'how hard a thing is to accelerate or to turn' },
  'kinetic-energy': {
    word: 'kinetic energy',
    met: ['kinetic energy', 'final kinetic energy'],
    means: 'energy of motion: half the mass times the square of the speed',
  },
  lever: { word: 'lever arm', met: ['lever', 'lever arm'], means: 'the bar on the arm of the trap that pulls the string' },
  advantage: {
    word: 'mechanical advantage',
    met: ['mechanical advantage', 'gear'],
    means: 'how many times a lever or gear makes a force larger and the distance smaller',
  },
  'moment-arm': {
    word: 'moment arm',
    met: ['moment arm'],
    means: 'the distance from the middle of the axle to the line of the string or band, measured square to it',
  },
  'normal-load': { word: 'normal load', met: ['normal load'], means: 'the force with which a wheel is pressed on the floor' },
  overhang: { word: 'overhang', met: ['overhang'], means: 'how far the body extends beyond both axles, together' },
  rolling: {
    word: 'rolling resistance',
    met: ['rolling resistance', 'rolling'],
    means: 'the force that slows a rolling wheel because wheel and floor deform a little',
  },
  sleeve: { word: 'sleeve', met: ['sleeve', 'sleeves'], means: 'a layer that makes the axle thicker where string or band winds' },
  slip: {
    word: 'slip, wheelspin',
    met: ['slip', 'wheelspin', 'spins'],
    means: 'the distance that the tyre turns beyond what the car moves',
  },
  'spring-rate': {
    word: 'spring rate',
    met: ['spring rate'],
    means: 'how much harder a spring pulls for each bit that it is bent further',
  },
  stall: { word: 'stall', met: ['stall', 'stalls'], means: 'standing still with the motor still wound: the pull is below the resistance' },
  stretch: { word: 'stretch ratio', met: ['stretch ratio', 'stretched'], means: 'how many times its own length a band is stretched to' },
  scatter: {
    word: 'standard deviation, scatter',
    met: ['standard deviation', 'scatter'],
    means: 'how far runs usually lie from their mean',
  },
  tension: { word: 'tension', met: ['tension'], means: 'the force along a string or band' },
  toe: { word: 'toe, out of square', met: ['toe', 'out of square'], means: 'how far an axle is turned from square to the car' },
  'top-speed': {
    word: 'top speed',
    met: ['top speed'],
    means: 'the highest speed of a run, usually where the pull ends',
  },
  torque: { word: 'torque', met: ['torque'], means: 'force times the length of the arm that it acts on' },
  'track-width': { word: 'track width', met: ['track width'], means: 'the distance between the wheels of an axle' },
  preload: { word: 'preload', met: ['preload'], means: 'the torque that the spring of a trap still has at rest' },
  pull: {
    word: 'tractive force, pull',
    met: ['tractive force', 'pull'],
    means: 'the force with which the tyre pushes the floor back, and the floor pushes the car',
  },
  tyre: { word: 'tyre', met: ['tyre', 'tyres'], means: 'the surface that the drive wheels run on' },
  wheelbase: { word: 'wheelbase', met: ['wheelbase'], means: 'the distance between the axles' },
  winding: {
    word: 'winding, turns',
    met: ['winding', 'turns', 'wound'],
    means: 'string or band wound on the axle, counted in turns of the axle',
  },
} as const satisfies Readonly<Record<string, GlossaryTerm>>;
export type TermId = keyof typeof GLOSSARY;
export const TERM_IDS = Object.keys(GLOSSARY) as readonly TermId[];

/** A pattern for each word, where it stands by itself. */
const PATTERNS = TERM_IDS.map((id) => [id, new RegExp(`(?<![\\p{L}-])(?:${GLOSSARY[id].met.join('|')})(?![\\p{L}-])`, 'iu')] as const);

/** The words that are met in a text, by the alphabet: `wordsIn('Its track width') // ['track-width']`. */
export const termsIn = (text: string): readonly TermId[] => PATTERNS.filter(([, pattern]) => pattern.test(text)).map(([id]) => id);

/** Whether a word is looked for by its names or its meaning. */
export const isTermFound = (id: TermId, sought: string): boolean =>
  hasAllWords([GLOSSARY[id].word, ...GLOSSARY[id].met, GLOSSARY[id].means].join(' '), sought);
