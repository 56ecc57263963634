import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { filmedRun } from '../../core/film/filmed-run.ts';
import type { FollowedFilm } from '../../core/film/follow-film.ts';
import type { Pixels } from '../../core/film/homography.ts';
import { floorSeenIn, measureFilm, pixelsPerMetre, type FloorSeen } from '../../core/film/measured-film.ts';
import { slipOf } from '../../core/film/slip.ts';
import type { Film } from '../../core/schema/generated/film.ts';
import { openFilm, type FilmReader } from './film-reader.ts';
import type { FilmEnd, FilmFault } from './film-worker.ts';
import { marksOnFloor, type FilmSetup } from './use-film-setup.ts';

/** What is set in the picture: a mark by its number, the car’s dot, the dot of a drive wheel. */
export type TargetId = `mark ${number}` | 'dot' | 'wheel';

/** What is wanted of a film: a run from its release, or how the car coasts. */
export type FilmPurpose = 'run' | 'coast';

const inLineOrApart = (places: readonly (readonly number[])[]): number => (places.every(({ length }) => length === 1) ? 3 : 4);

/** A film that is measured: what is open, set and followed, and what follows from it. `wheelRadius`: m, of the drive wheels. */
export function useFilmWork(setup: FilmSetup, wheelRadius: number) {
  const [reader, setReader] = useState<FilmReader | null>(null);
  const [fault, setFault] = useState<FilmFault | { readonly fault: 'broken'; readonly codec: null } | null>(null);
  const [isOpening, setOpening] = useState(false);
  const [time, setTime] = useState(0);
  const [still, setStill] = useState<{ readonly picture: ImageBitmap; readonly time: number } | null>(null);
  const [targets, setTargets] = useState<Readonly<Partial<Record<TargetId, Pixels>>>>({});
  const [dotTime, setDotTime] = useState(0);
  const [progress, setProgress] = useState<number | null>(null);
  /** Where the dot is in the picture that following is at. */
  const [followedNow, setFollowedNow] = useState<Pixels | null>(null);
  const [end, setEnd] = useState<FilmEnd | null>(null);
  const [followed, setFollowed] = useState<FollowedFilm | null>(null);

  useEffect(() => () => reader?.close(), [reader]);

  // The newest time that was asked for is shown; what was overtaken is not.
  const asked = useRef<{ time: number | null; isBusy: boolean }>({ time: null, isBusy: false });
  const show = useCallback(async (from: FilmReader, at: number): Promise<void> => {
    asked.current.time = at;
    if (asked.current.isBusy) return;
    asked.current.isBusy = true;
    try {
      while (asked.current.time !== null) {
        const next: number = asked.current.time;
        asked.current.time = null;
        const picture = await from.still(next);
        if (picture) setStill({ picture, time: next });
      }
    } finally {
      asked.current.isBusy = false;
    }
  }, []);

  const goTo = (at: number): void => {
    setTime(at);
    if (reader) void show(reader, at);
  };
  const open = async (file: Blob): Promise<void> => {
    setOpening(true);
    setFault(null);
    try {
      const opened = await openFilm(file);
      if ('fault' in opened) return setFault(opened);
      setReader(opened);
      setTargets({});
      setFollowed(null);
      setEnd(null);
      setTime(opened.first);
      await show(opened, opened.first);
    } catch (reason) {
      console.error(reason);
      setFault({ fault: 'broken', codec: null });
    } finally {
      setOpening(false);
    }
  };

  const places = useMemo(
    () =>
      marksOnFloor(
        setup,
        [0, 1, 2, 3].map((i) => targets[`mark ${i}`] ?? null),
      ),
    [setup, targets],
  );
  const marks = useMemo(
    () =>
      places.flatMap((floor, i): Film['marks'] => {
        const pixels = targets[`mark ${i}`];
        return pixels ? [{ floor: [...floor] as [number], pixels: [...pixels] as [number, number] }] : [];
      }),
    [places, targets],
  );
  const needed = inLineOrApart(places);
  // It stands on the near side: the far one is on the other side of the line.
  const side = (places[2]?.[1] ?? 1) < 0 ? 1 : -1;
  const width = reader?.width ?? 0;
  const height = reader?.height ?? 0;
  /** The film without its points, and how the floor is seen by its marks; null until enough of them are set. */
  const seen = useMemo(() => {
    if (width === 0 || marks.length < needed) return null;
    const plain: Omit<Film, 'points'> = { format: 'nimble-axle/film', version: 1, picture: [width, height], marks, height: setup.height };
    const told = floorSeenIn(plain);
    if (told !== 'camera-unknown') return { base: plain, told };
    // Where the picture does not tell where the camera stood, what was measured does.
    const camera: [number, number, number] = [setup.camera[0], side * setup.camera[1], setup.camera[2]];
    return { base: { ...plain, camera }, told: floorSeenIn({ ...plain, camera }) };
  }, [width, height, marks, needed, side, setup.height, setup.camera]);
  const base = seen?.base ?? null;
  const isCameraTold = base !== null && base.camera === undefined;
  const floor: FloorSeen | null = seen && typeof seen.told !== 'string' ? seen.told : null;
  const isInLine = base !== null && floor === null;

  const film = useMemo(
    (): Film | null =>
      base && followed && followed.points.length > 0
        ? {
            ...base,
            // Seconds of the film may begin below 0.
            points: followed.points.map(({ time: at, pixels }) => ({ time: Math.max(at, 0), pixels: [...pixels] as [number, number] })),
          }
        : null,
    [base, followed],
  );
  const measured = useMemo(() => {
    const told = film && floor ? measureFilm(film) : null;
    return told && typeof told !== 'string' ? told : null;
  }, [film, floor]);
  const run = useMemo(() => (measured ? filmedRun(measured) : null), [measured]);
  const slip = useMemo(
    () =>
      measured?.camera && followed && followed.wheel.length > 0
        ? slipOf(measured, followed.wheel, wheelRadius, run && typeof run !== 'string' ? run.start : measured.points[0]!.time)
        : null,
    [measured, followed, wheelRadius, run],
  );

  /** Follows the dot to its end, or from where it was lost and is shown again. */
  const follow = async (again?: { readonly time: number; readonly pixels: Pixels }): Promise<void> => {
    if (!reader || !targets.dot || !floor) return;
    setProgress(0);
    setEnd(null);
    try {
      const from = again?.time ?? dotTime;
      if (again) await reader.show(again.pixels);
      else {
        const radius = await reader.dotRadius(dotTime, targets.dot);
        await reader.begin({
          picture: [reader.width, reader.height],
          focal: floor.focal,
          dot: targets.dot,
          radius,
          marks: marks.map(({ pixels }) => pixels as unknown as Pixels),
          ...(targets.wheel && {
            wheel: {
              dot: targets.wheel,
              radius: await reader.dotRadius(dotTime, targets.wheel),
              wheelRadius: wheelRadius * pixelsPerMetre(floor, targets.dot),
            },
          }),
        });
      }
      const ended = await reader.follow(from, (fraction, at, pixels, picture) => {
        setProgress(fraction);
        setTime(at);
        setFollowedNow(pixels);
        setStill({ picture, time: at });
      });
      setFollowed(await reader.result());
      setEnd(ended);
      setTime(ended.time);
      await show(reader, ended.time);
    } catch (reason) {
      console.error(reason);
      setFault({ fault: 'broken', codec: null });
    } finally {
      setProgress(null);
      setFollowedNow(null);
    }
  };

  return {
    reader,
    fault,
    isOpening,
    time,
    still,
    targets,
    places,
    floor,
    isInLine,
    isCameraTold,
    progress,
    end,
    followed,
    followedNow,
    film,
    measured,
    run,
    slip,
    open,
    goTo,
    follow,
    stop: () => reader?.stop(),
    /** What was found so far is all. */
    endHere: () => setEnd((before) => before && { ...before, kind: 'end' }),
    set: (id: TargetId, pixels: Pixels | null): void => {
      if (id === 'dot') setDotTime(time);
      setTargets(({ [id]: _before, ...rest }) => (pixels ? { ...rest, [id]: pixels } : rest));
      // What was followed from another place counts no more.
      if (id === 'dot' || id === 'wheel') {
        setFollowed(null);
        setEnd(null);
      }
    },
  };
}

export type FilmWorkState = ReturnType<typeof useFilmWork>;
