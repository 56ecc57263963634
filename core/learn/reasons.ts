import type { Answer } from './idea.ts';

/** Why one figure goes as it does after one kind of change: a reason for each answer, that holds with just that answer. */
export type Reasons = Readonly<Record<Answer, string>>;

/** What a roller has in place of the parts of a car on axles, the longer words first. */
const OF_REEL: readonly (readonly [RegExp, string])[] = [
  [/\bdrive wheels\b/g, 'rims'],
  [/\bwheels\b/g, 'rims'],
  [/\bits bearings\b/g, 'its washer'],
  [/\bbearings\b/g, 'the washer'],
  [/\bthe axle\b/g, 'the reel'],
  [/\bwasher or bearing\b/g, 'washer'],
];
/** A reason in the words of a roller. `ofReel('its wheels spin') // 'its rims spin'` */
export const ofReel = (words: string): string => OF_REEL.reduce((told, [part, own]) => told.replace(part, own), words);

/** The same energy over more way: a longer lever, a larger wheel. */
export const GEARED_LONGER = {
  pull: {
    less: 'Each turn of the axle carries the car further, so the same torque pushes it with less force.',
    more: 'The arm now pulls at a better angle, and that outweighs the longer way.',
    alike: 'What is lost in force by the longer way is won by the angle at which the arm pulls.',
  },
  distance: {
    more: 'The energy is given off over more metres: less is lost to wheelspin and to bearings that the pull presses.',
    less: 'The pull lasts longer but falls below what holds the car back: it stops before all of its energy is used.',
    alike: 'The energy is the same, and each metre costs as much as before.',
  },
  speed: {
    more: 'With less force the wheels spin less, so more of the energy becomes speed.',
    less: 'The energy comes over more metres, and rolling takes its part of each: less is left for speed at the end of the pull.',
    alike: 'As much energy moves as much car, and little is lost while it pulls.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** The same energy over less way: a shorter lever, a smaller wheel, a thicker axle. */
export const GEARED_SHORTER = {
  pull: {
    more: 'Each turn of the axle carries the car less far, or the arm that turns it is longer: the same work is done with more force.',
    less: 'The arm now pulls at a worse angle, and that outweighs the shorter way.',
    alike: 'What is won in force by the shorter way is lost by the angle at which the arm pulls.',
  },
  distance: {
    more: 'More force keeps the car going where it stopped before with energy left.',
    less: 'More force over fewer metres: wheels spin, or the pull presses the axle harder into its bearings, and energy becomes heat.',
    alike: 'The energy is the same, and each metre costs as much as before.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Smaller wheels: a shorter gear, and more to roll. */
export const SMALLER_WHEELS: Readonly<Record<'distance' | 'pull', Reasons>> = {
  pull: GEARED_SHORTER.pull,
  distance: {
    more: 'More force keeps the car going where it stopped before with energy left.',
    less: 'A smaller wheel rolls harder on the same floor, and its larger force is more easily lost to wheelspin.',
    alike: 'The little that a smaller wheel rolls harder is hardly felt on this car.',
  },
};

/** Another lever, and what is wound in. */
export const LEVER_ENERGY: Reasons = {
  more: 'The spring is bent further before the lever is hooked in.',
  less: 'The spring is bent less far before the lever is hooked in.',
  alike: 'The spring is bent by the same angle, whatever the length of the lever: the energy is in the spring.',
};

/** Something that leaves the motor alone, and what is wound in. */
export const ENERGY_APART: Reasons = {
  more: 'The motor can be wound further now.',
  less: 'The motor cannot be wound as far now.',
  alike: 'What is wound in depends on the spring or rubber and how far it is wound. Neither has changed.',
};

/** More weight that does not turn. */
export const HEAVIER = {
  distance: {
    more: 'The extra weight presses the drive wheels on the floor, or carries the car on after its pull: here that wins over the rolling it costs.',
    less: 'Everything that rolls is pressed harder on the floor and into its bearings: each metre costs more.',
    alike: 'What weight costs in rolling it gives back in grip and coasting, or it is small beside the car.',
  },
  speed: {
    more: 'The extra weight keeps the wheels from spinning, so more of the energy becomes speed.',
    less: 'The same energy moves more mass: ½ m v² with a larger m is a smaller v.',
    alike: 'The extra weight is small beside the car, or it saves as much wheelspin as it costs speed.',
  },
  wheelspin: {
    more: 'A heavier car is slower to get going, so its wheels turn ahead of it for longer.',
    less: 'More weight on the drive wheels lets the floor push harder before they slip.',
    alike: 'The wheels held before and hold now, or they slip as much as they did.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Less weight that does not turn. */
export const LIGHTER = {
  distance: {
    more: 'Less weight presses on wheels and bearings: each metre costs less.',
    less: 'Too little weight is left to hold the floor, or to carry the car on after its pull.',
    alike: 'What it saves in rolling it loses in grip and coasting.',
  },
  speed: {
    more: 'The same energy moves less mass: ½ m v² with a smaller m is a larger v.',
    less: 'With less weight on them the drive wheels spin, and energy becomes heat in place of speed.',
    alike: 'The saved weight is small beside the car, or wheelspin takes what it brings.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Heavier drive wheels. */
export const HEAVIER_WHEELS: Reasons = {
  more: 'Their weight keeps them from spinning, so more of the energy becomes speed.',
  less: 'Wheels are moved on and turned: their mass counts twice, and the same energy makes less speed.',
  alike: 'They weigh little beside the rest of the car.',
};

/** Tyres that grip more and roll harder. */
export const GRIPPIER = {
  distance: {
    more: 'Wheelspin made heat of energy: now the tyre holds, and that energy moves the car.',
    less: 'The softer tyre takes more in each metre, and this car did not need its grip.',
    alike: 'The tyre held already, and the new one rolls about as easily.',
  },
  wheelspin: {
    more: 'The new tyre holds less on this floor than the old one.',
    less: 'The floor can push harder before the tyre slips.',
    alike: 'The tyre held already, or the pull is far beyond what either holds.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** No tyres: less grip, and hard edges that roll easily. */
export const BARE = {
  distance: {
    more: 'Hard edges roll more easily, and this car did not need the grip.',
    less: 'Without grip the wheels turn away from the car, and energy becomes heat.',
    alike: 'The bare wheel holds well enough, and the tyre cost little.',
  },
  wheelspin: {
    more: 'Bare edges hold less: the wheels turn ahead of the car.',
    less: 'Bare edges hold better on this floor than the tyre did.',
    alike: 'Bare edges hold as well as the launch needs, or slip as much as the tyre did.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Short carpet in place of the floor. */
export const ON_CARPET: Reasons = {
  more: 'The edges of its wheels sink among the fibres and hold: what went into wheelspin now moves the car.',
  less: 'Carpet takes more in each metre than this floor, and this car did not need its grip.',
  alike: 'What carpet saves in wheelspin, or grip, it takes again in rolling.',
};

/** Less that holds the car back: bearings, rubbing. */
export const LESS_FRICTION = {
  distance: {
    more: 'Less is lost in each metre, so the same energy lasts for more of them.',
    less: 'It is freer to turn at the launch, and its wheels spin: more is lost there than is saved later.',
    alike: 'That is a small part of what holds this car back.',
  },
  time: {
    more: 'Less slows it, so it rolls on for longer before it stops.',
    less: 'It is quicker on its way, and stops no further on: it is there sooner.',
    alike: 'That is a small part of what slows this car.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** More that holds the car back: it rubs. */
export const MORE_FRICTION = {
  distance: {
    more: 'It is slowed at the launch, where its wheels spun: what that saves is more than the rubbing costs.',
    less: 'More is lost in each metre, so the same energy lasts for fewer of them.',
    alike: 'That is a small part of what holds this car back.',
  },
  time: {
    more: 'It creeps along its way and takes longer for it.',
    less: 'More slows it, so it stops sooner.',
    alike: 'That is a small part of what slows this car.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** A floor that falls. */
export const DOWNHILL = {
  distance: {
    more: 'In each metre the floor gives back a part of what rolling takes.',
    less: 'It is quicker, and what grows with speed takes more than the slope gives.',
    alike: 'So little slope is nothing beside what holds this car back.',
  },
  time: {
    more: 'It is slowed less, so it rolls on for longer before it stops.',
    less: 'It is quicker on its way, and stops hardly further on.',
    alike: 'So little slope is nothing beside what slows this car.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** A floor that rises. */
export const UPHILL = {
  distance: {
    more: 'It is slower, and what grows with speed takes less by more than the slope does.',
    less: 'Each metre lifts the car by 5 mm: that is taken from what it has.',
    alike: 'So little slope is nothing beside what holds this car back.',
  },
  time: {
    more: 'It is slower on its way, and comes hardly less far.',
    less: 'It is slowed more, so it stops sooner.',
    alike: 'So little slope is nothing beside what slows this car.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** The end tied to the axle. */
export const TIED: Reasons = {
  more: 'It pulls for longer before it winds up again the other way.',
  less: 'The turning axle winds it up again the other way, and that brakes: there is no coasting.',
  alike: 'The car stops before its pull ends: it never comes to where the end matters.',
};

/** More turns of rubber. */
export const MORE_TURNS = {
  energy: {
    more: 'The rubber is stretched or twisted further, and what is wound in is force times way.',
    less: 'So far wound, a part of the rubber is slack elsewhere: less is held.',
    alike: 'The last turns add next to nothing to what the rubber holds.',
  },
  distance: {
    more: 'More energy is wound in, and it lasts for more metres.',
    less: 'The stronger launch spins the wheels, and more is lost there than the turns bring.',
    alike: 'What the turns bring is lost again, in wheelspin or in the rubber itself.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Fewer turns of rubber. */
export const FEWER_TURNS = {
  energy: {
    more: 'Wound less far, more of the rubber holds its share.',
    less: 'The rubber is stretched or twisted less far: less is wound in.',
    alike: 'The last turns added next to nothing to what the rubber holds.',
  },
  distance: {
    more: 'The gentler launch no longer spins the wheels: that saves more than the turns brought.',
    less: 'Less energy is wound in, and it lasts for fewer metres.',
    alike: 'What the turns brought was lost again, in wheelspin or in the rubber itself.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** One more band beside the others. */
export const BAND_BESIDE = {
  pull: {
    more: 'Bands side by side each pull: their forces add up.',
    less: 'The thicker bundle takes more of its own pull at its washer or bearing than the band brings.',
    alike: 'What the band brings is taken again where the bundle is held.',
  },
  wheelspin: {
    more: 'The bands pull harder together than the floor holds.',
    less: 'With the band the car holds the floor better than it did.',
    alike: 'The floor still holds what they pull, or it held next to nothing before.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** One more band end to end. */
export const BAND_ON_END = {
  pull: {
    more: 'The longer chain can be wound so that it begins with more force.',
    less: 'A longer chain is stretched less by as many turns: it pulls with less force.',
    alike: 'The chain is wound so far that its force hardly depends on its length.',
  },
  distance: {
    more: 'The chain pulls gently for longer: less is lost to wheelspin and bearings.',
    less: 'Stretched less by as many turns, the chain holds less energy.',
    alike: 'What it loses in force it gains in the way that it pulls.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** A wider body, or a card that meets the air. */
export const MORE_AIR = {
  speed: {
    more: 'Its extra weight keeps the wheels from spinning, and that brings more than the air takes.',
    less: 'It pushes more air aside, and air takes by the square of the speed.',
    alike: 'At this speed air takes next to nothing.',
  },
  distance: {
    more: 'Its extra weight holds the floor or carries it on, and that brings more than the air takes.',
    less: 'It pushes more air aside in each metre, and a wider body weighs more.',
    alike: 'At this speed air takes next to nothing in each metre.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Axles or wheels that steer it. */
export const CURVED = {
  drift: {
    more: 'Axles or wheels that differ steer the car in a curve: it leaves the line by the square of its way.',
    less: 'It now steers against the curve that the car had before.',
    alike: 'It steers next to nothing beside what a build of this care is off anyhow.',
  },
  distance: {
    more: 'The curve takes it over a floor that falls.',
    less: 'The curve takes it over a floor that rises.',
    alike: 'It runs in a curve, and as far along that as before: the motor does not feel which way it goes.',
  },
  energy: {
    more: 'The turned axle winds the motor further.',
    less: 'The turned axle winds the motor less far.',
    alike: 'The motor is wound as far as before: where the car goes is nothing to it.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Built so that everything runs true. */
export const TRUER: Reasons = {
  more: 'True axles and wheels no longer hide a curve that the design itself has.',
  less: 'Its axles are nearer to parallel, so the curve that it runs in is wider.',
  alike: 'What the design itself steers is far more than what care can take away.',
};
