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
export const ofReel = (words: string): string => OF_REEL.reduce((text, [part, own]) => text.replace(part, own), words);

/** The same energy over more way: a longer lever, a larger wheel. */
export const GEARED_LONGER = {
  pull: {
    less: 'Each turn of the axle carries the car further, so the same torque pushes it with less force.',
    more: 'The arm now pulls at a better angle, and that outweighs the longer distance.',
    alike: 'The force that is lost to the longer distance is gained by the angle at which the arm pulls.',
  },
  distance: {
    more: 'The energy is spread over more metres. Less is lost to wheelspin and to the bearings under load.',
    less: 'The pull lasts longer but falls below the resistance. The car stops before it has used all of its energy.',
    alike: 'The energy is the same, and each metre takes as much as before.',
  },
  speed: {
    more: 'With less force the wheels spin less, so more of the energy becomes speed.',
    less: 'The energy is spread over more metres, and rolling takes its part of each. Less is left for speed at the end of the pull.',
    alike: 'The same energy moves the same mass, and little is lost during the pull.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** The same energy over less way: a shorter lever, a smaller wheel, a thicker axle. */
export const GEARED_SHORTER = {
  pull: {
    more: 'Each turn of the axle carries the car less far, or the arm that turns it is longer. The same work is done with more force.',
    less: 'The arm now pulls at a worse angle, and that outweighs the shorter distance.',
    alike: 'The force that is gained by the shorter distance is lost by the angle at which the arm pulls.',
  },
  distance: {
    more: 'More force keeps the car going where it stopped before with energy left.',
    less: 'More force acts over fewer metres. The wheels spin, or the pull presses the axle harder into its bearings, and energy becomes heat.',
    alike: 'The energy is the same, and each metre takes as much as before.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Smaller wheels: a shorter gear, and more to roll. */
export const SMALLER_WHEELS: Readonly<Record<'distance' | 'pull', Reasons>> = {
  pull: GEARED_SHORTER.pull,
  distance: {
    more: 'More force keeps the car going where it stopped before with energy left.',
    less: 'A smaller wheel has more rolling resistance on the same floor, and its larger force is more easily lost to wheelspin.',
    alike: 'The small increase in rolling resistance hardly matters on this car.',
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
  more: 'The motor can now be wound further.',
  less: 'The motor can no longer be wound as far.',
  alike: 'The stored energy depends on the spring or rubber and on how far it is wound. Neither has changed.',
};

/** More weight that does not turn. */
export const HEAVIER = {
  distance: {
    more: 'The extra weight gives the drive wheels more grip, or carries the car on after its pull. Here that outweighs the extra rolling resistance.',
    less: 'Everything that rolls is pressed harder on the floor and into its bearings, so each metre takes more energy.',
    alike: 'What weight costs in rolling it gives back in grip and coasting, or it is small compared with the car.',
  },
  speed: {
    more: 'The extra weight keeps the wheels from spinning, so more of the energy becomes speed.',
    less: 'The same energy moves more mass: ½ m v² with a larger m is a smaller v.',
    alike: 'The extra weight is small compared with the car, or it saves as much wheelspin as it costs speed.',
  },
  wheelspin: {
    more: 'A heavier car accelerates more slowly, so its wheels spin for longer.',
    less: 'More weight on the drive wheels lets the floor push harder before they slip.',
    alike: 'The wheels held before and hold now, or they slip as much as they did.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Less weight that does not turn. */
export const LIGHTER = {
  distance: {
    more: 'Less weight presses on wheels and bearings, so each metre takes less energy.',
    less: 'Too little weight is left to grip the floor, or to carry the car on after its pull.',
    alike: 'What it saves in rolling it loses in grip and coasting.',
  },
  speed: {
    more: 'The same energy moves less mass: ½ m v² with a smaller m is a larger v.',
    less: 'With less weight on them the drive wheels spin, and energy becomes heat instead of speed.',
    alike: 'The saved weight is small compared with the car, or wheelspin takes what it gains.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Heavier drive wheels. */
export const HEAVIER_WHEELS: Reasons = {
  more: 'Their weight keeps them from spinning, so more of the energy becomes speed.',
  less: 'Wheels move forward and turn. Their mass counts twice, and the same energy gives less speed.',
  alike: 'They weigh little compared with the rest of the car.',
};

/** Tyres that grip more and roll harder. */
export const GRIPPIER = {
  distance: {
    more: 'Wheelspin turned energy into heat. Now the tyre holds, and that energy moves the car.',
    less: 'The softer tyre takes more energy in each metre, and this car did not need its grip.',
    alike: 'The tyre already held, and the new one has about the same rolling resistance.',
  },
  wheelspin: {
    more: 'The new tyre has less grip on this floor than the old one.',
    less: 'The floor can push harder before the tyre slips.',
    alike: 'The tyre already held, or the pull is far above what either can hold.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** No tyres: less grip, and hard edges that roll easily. */
export const BARE = {
  distance: {
    more: 'Hard edges have less rolling resistance, and this car did not need the grip.',
    less: 'Without grip the wheels spin, and energy becomes heat.',
    alike: 'The bare wheel holds well enough, and the tyre cost little energy.',
  },
  wheelspin: {
    more: 'Bare edges have less grip, so the wheels spin.',
    less: 'Bare edges have more grip on this floor than the tyre did.',
    alike: 'Bare edges hold as well as the launch needs, or slip as much as the tyre did.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Short carpet in place of the floor. */
export const ON_CARPET: Reasons = {
  more: 'The edges of its wheels sink into the fibres and grip. The energy of the wheelspin now moves the car.',
  less: 'Carpet takes more energy in each metre than this floor, and this car did not need its grip.',
  alike: 'What carpet saves in wheelspin it takes again in rolling resistance.',
};

/** Less that holds the car back: bearings, rubbing. */
export const LESS_FRICTION = {
  distance: {
    more: 'Less is lost in each metre, so the same energy lasts for more of them.',
    less: 'It turns more freely at the launch, and its wheels spin. More is lost there than is saved later.',
    alike: 'That is a small part of the resistance of this car.',
  },
  time: {
    more: 'Less slows it, so it rolls on for longer before it stops.',
    less: 'It is faster and stops no further on, so it is there sooner.',
    alike: 'That is a small part of the resistance of this car.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** More that holds the car back: it rubs. */
export const MORE_FRICTION = {
  distance: {
    more: 'Friction slows it at the launch, where its wheels spun. That saves more than the friction costs.',
    less: 'More is lost in each metre, so the same energy lasts for fewer of them.',
    alike: 'That is a small part of the resistance of this car.',
  },
  time: {
    more: 'It creeps and takes longer.',
    less: 'More slows it, so it stops sooner.',
    alike: 'That is a small part of the resistance of this car.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** A floor that falls. */
export const DOWNHILL = {
  distance: {
    more: 'In each metre the floor gives back a part of what rolling takes.',
    less: 'It is faster, and losses that grow with speed take more than the slope gives.',
    alike: 'So small a slope is nothing compared with the resistance of this car.',
  },
  time: {
    more: 'It is slowed less, so it rolls on for longer before it stops.',
    less: 'It is faster, and stops hardly further on.',
    alike: 'So small a slope is nothing compared with the resistance of this car.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** A floor that rises. */
export const UPHILL = {
  distance: {
    more: 'It is slower, and losses that grow with speed fall by more than the slope takes.',
    less: 'Each metre lifts the car by 5 mm, and that takes energy.',
    alike: 'So small a slope is nothing compared with the resistance of this car.',
  },
  time: {
    more: 'It is slower and goes hardly less far.',
    less: 'It is slowed more, so it stops sooner.',
    alike: 'So small a slope is nothing compared with the resistance of this car.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** The end tied to the axle. */
export const TIED: Reasons = {
  more: 'It pulls for longer before it winds up again the other way.',
  less: 'The turning axle winds it up again the other way, and that brakes the car: there is no coasting.',
  alike: 'The car stops before its pull ends. It never reaches the point where the end matters.',
};

/** More turns of rubber. */
export const MORE_TURNS = {
  energy: {
    more: 'The rubber is stretched or twisted further, and the stored energy is force times distance.',
    less: 'Wound this far, a part of the rubber is slack elsewhere, so less energy is stored.',
    alike: 'The last turns add almost nothing to the energy in the rubber.',
  },
  distance: {
    more: 'More energy is stored, and it lasts for more metres.',
    less: 'The stronger launch spins the wheels, and more is lost there than the turns add.',
    alike: 'What the turns add is lost again, in wheelspin or in the rubber itself.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Fewer turns of rubber. */
export const FEWER_TURNS = {
  energy: {
    more: 'Wound less far, more of the rubber stores energy.',
    less: 'The rubber is stretched or twisted less far, so less energy is stored.',
    alike: 'The last turns added almost nothing to the energy in the rubber.',
  },
  distance: {
    more: 'The gentler launch no longer spins the wheels. That saves more than the turns added.',
    less: 'Less energy is stored, and it lasts for fewer metres.',
    alike: 'What the turns added was lost again, in wheelspin or in the rubber itself.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** One more band beside the others. */
export const BAND_BESIDE = {
  pull: {
    more: 'Bands side by side each pull: their forces add up.',
    less: 'The thicker bundle loses more of its pull at its washer or bearing than the band adds.',
    alike: 'What the band adds is lost again where the bundle is held.',
  },
  wheelspin: {
    more: 'The bands together pull harder than the floor can hold.',
    less: 'With the extra band it grips the floor better than it did.',
    alike: 'The floor still holds what they pull, or it hardly held before.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** One more band end to end. */
export const BAND_ON_END = {
  pull: {
    more: 'The longer chain can be wound so that it begins with more force.',
    less: 'The same turns stretch a longer chain less, so it pulls with less force.',
    alike: 'The chain is wound so far that its force hardly depends on its length.',
  },
  distance: {
    more: 'The chain pulls gently for longer, so less is lost to wheelspin and bearings.',
    less: 'The same turns stretch the chain less, so it stores less energy.',
    alike: 'What it loses in force it gains in the distance over which it pulls.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** A wider body, or a card that meets the air. */
export const MORE_AIR = {
  speed: {
    more: 'Its extra weight keeps the wheels from spinning, and that gains more than the drag takes.',
    less: 'It pushes more air aside, and drag grows with the square of the speed.',
    alike: 'At this speed drag takes almost nothing.',
  },
  distance: {
    more: 'Its extra weight grips the floor or carries the car on, and that gains more than the drag takes.',
    less: 'It pushes more air aside in each metre, and a wider body weighs more.',
    alike: 'At this speed drag takes almost nothing in each metre.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Axles or wheels that steer it. */
export const CURVED = {
  drift: {
    more: 'Axles or wheels that differ steer the car in a curve. Its drift grows with the square of the distance.',
    less: 'It now steers against the curve that the car had before.',
    alike: 'It steers very little compared with the usual error of a build with this care.',
  },
  distance: {
    more: 'The curve takes it over a floor that falls.',
    less: 'The curve takes it over a floor that rises.',
    alike: 'It runs in a curve, and as far along the curve as before. The motor does not notice the direction.',
  },
  energy: {
    more: 'The turned axle winds the motor further.',
    less: 'The turned axle winds the motor less far.',
    alike: 'The motor is wound as far as before. The direction of the car makes no difference to it.',
  },
} as const satisfies Readonly<Record<string, Reasons>>;

/** Built so that everything runs true. */
export const TRUER: Reasons = {
  more: 'True axles and wheels no longer hide a curve that the design itself has.',
  less: 'Its axles are nearer to parallel, so the curve that it runs in is wider.',
  alike: 'What the design itself steers is far more than careful building can remove.',
};
