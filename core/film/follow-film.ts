import { markWatch } from './camera-shake.ts';
import { dotFollower, sightAt, type DotLoss, type FollowedDot } from './follow-dot.ts';
import { colourOf, windowAbout, type DotColour, type Frame, type PictureWindow } from './frame.ts';
import type { Pixels } from './homography.ts';

/** What is to be followed, as it is seen in the first frame. Pixels. */
export interface FilmTargets {
  readonly picture: readonly [width: number, height: number];
  /** Focal length; without it about the picture’s width. */
  readonly focal?: number | undefined;
  readonly dot: Pixels;
  readonly radius: number;
  /** A dot near the rim of a drive wheel, and the radius of that wheel. */
  readonly wheel?: { readonly dot: Pixels; readonly radius: number; readonly wheelRadius: number } | undefined;
  readonly marks: readonly Pixels[];
}

/** Why a film is followed no further: the dot is seen no longer, or the camera did not stay where it was. */
export type FilmLoss = DotLoss | 'camera-moved';

/** Where the dots were, as the camera of the first frame would have seen them. */
export interface FollowedFilm {
  readonly points: readonly FollowedDot[];
  readonly wheel: readonly { readonly time: number; readonly pixels: Pixels }[];
  /** Pixels that the camera shook at most. */
  readonly shook: number;
  /** Whether marks were there to tell that. */
  readonly isWatched: boolean;
}

/** Pixels that marks may be off a turn of the camera, and frames for which they may be more, or not found. */
const TURNED_ONLY = 2;
const PATIENCE = 5;
/** Pixels below which the camera stood: correcting it would only add to what is off. */
const STOOD = 0.5;
/** Wheel radii about where the wheel’s dot was that it is looked for; part of its first sight below which it is not seen. */
const ABOUT_WHEEL = 2.3;
const SEEN_FROM = 0.3;

/** Follows the dots of a film, frame by frame, and what the camera did meanwhile. */
export function filmFollower({ picture, focal, dot, radius, wheel, marks }: FilmTargets) {
  const follower = dotFollower(picture, dot, radius);
  const watch = markWatch(picture, focal ?? picture[0], marks);
  const seen: { readonly dot: FollowedDot; readonly wheel: Pixels | null; readonly steadied: (pixels: Pixels) => Pixels }[] = [];
  let wheelColour: DotColour | null = null;
  let wheelMass = 0;
  let shook = 0;
  let isWatched = true;
  let [unsure, steadied] = [0, (pixels: Pixels): Pixels => pixels];
  const wheelAt = (frame: Frame, car: Pixels): Pixels | null => {
    if (!wheel) return null;
    wheelColour ??= colourOf(frame, wheel.dot, wheel.radius * 0.7);
    const from: Pixels = seen.length === 0 ? wheel.dot : [car[0] + wheel.dot[0] - dot[0], car[1] + wheel.dot[1] - dot[1]];
    const rough = sightAt(frame, wheelColour, from, ABOUT_WHEEL * wheel.wheelRadius);
    const fine = sightAt(frame, wheelColour, rough.middle, 2.2 * wheel.radius);
    if (seen.length === 0) wheelMass = fine.mass;
    return fine.mass > SEEN_FROM * wheelMass ? fine.middle : null;
  };
  return {
    /** What it wants to see at a time: the dot’s window, the wheel’s, and one for each mark. */
    windows: (time: number): readonly PictureWindow[] => {
      const own = follower.window(time);
      const last = seen.at(-1)?.dot.pixels ?? dot;
      // The wheel moves with the dot: as far as the dot’s own window reaches.
      const reach = ABOUT_WHEEL * (wheel?.wheelRadius ?? 0) + own.width / 2;
      const aboutWheel = wheel ? [windowAbout([last[0] + wheel.dot[0] - dot[0], last[1] + wheel.dot[1] - dot[1]], reach, picture)] : [];
      return [own, ...aboutWheel, ...watch.windows()];
    },
    /** Looks at these windows; tells why it goes no further, if so. */
    see: (frames: readonly Frame[]): FilmLoss | null => {
      const [own, ...rest] = frames;
      const stand = watch.see(wheel ? rest.slice(1) : rest);
      if (seen.length === 0) isWatched = stand !== null;
      if (isWatched) {
        unsure = stand && stand.left <= TURNED_ONLY ? 0 : unsure + 1;
        if (stand && unsure === 0) {
          steadied = stand.steadied;
          shook = Math.max(shook, stand.moved);
        }
      }
      const found = follower.see(own!);
      if (unsure > PATIENCE || (typeof found === 'string' && unsure > 0)) return 'camera-moved';
      if (typeof found === 'string') return found;
      seen.push({ dot: found, wheel: wheel ? wheelAt(rest[0]!, found.pixels) : null, steadied });
      return null;
    },
    /** Shows where the dot is, after it was lost. */
    show: follower.show,
    /** Frames in which it was seen. */
    count: (): number => seen.length,
    latest: (): FollowedDot | null => seen.at(-1)?.dot ?? null,
    result: (): FollowedFilm => {
      const isSteady = shook < STOOD;
      const asAtFirst = (one: (typeof seen)[number], pixels: Pixels): Pixels => (isSteady ? pixels : one.steadied(pixels));
      return {
        points: seen.map((one) => ({ ...one.dot, pixels: asAtFirst(one, one.dot.pixels) })),
        wheel: seen.flatMap((one) => (one.wheel ? [{ time: one.dot.time, pixels: asAtFirst(one, one.wheel) }] : [])),
        shook,
        isWatched,
      };
    },
  };
}

export type FilmFollower = ReturnType<typeof filmFollower>;
