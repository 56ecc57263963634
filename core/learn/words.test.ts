import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { boxOf } from '../build/drawing.ts';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { wordNumbers } from './glossary.ts';
import { wordPicture } from './word-pictures.ts';
import { WORD_IDS, WORDS, wordsIn } from './words.ts';

const { cars } = JSON.parse(readFileSync(new URL('../../server/demo/skerrow.json', import.meta.url), 'utf8')) as {
  cars: { design: CarDesign }[];
};

describe('words', () => {
  it('are found in a text where they stand by themselves, however they are written', () => {
    expect(wordsIn('Its Track width; wheelspin, and 3 turns')).toEqual(['slip', 'track-width', 'winding']);
    expect(wordsIn('pulley, playing, gearbox, drift-free, energyless')).toEqual([]);
    expect(wordsIn('')).toEqual([]);
  });
  it('are each found by their own name', () => {
    for (const id of WORD_IDS)
      for (const name of WORDS[id].word.split(', ')) expect([name, wordsIn(name)]).toEqual([name, expect.arrayContaining([id])]);
  });
  it.each(cars.map(({ design }) => [design.name, design] as const))(
    'each have a picture within its sheet and a number on %s',
    (_name, design) => {
      const numberOf = wordNumbers(design, 'metric');
      for (const id of WORD_IDS) {
        const { items, width, height } = wordPicture(id, design);
        expect([id, items.length]).toEqual([id, expect.any(Number)]);
        expect(items.length).toBeGreaterThan(1);
        for (const { left, right, top, bottom } of items.map(boxOf)) {
          expect(Math.min(left, top)).toBeGreaterThanOrEqual(0);
          expect([id, right <= width && bottom <= height]).toEqual([id, true]);
        }
        expect(numberOf(id)).not.toMatch(/NaN|undefined|Infinity|^$/);
      }
    },
  );
  it('tell a number by hand: a wheelbase, a mechanical advantage, a normal load', () => {
    const design = { ...newCar('x'), wheelbase: 0.25 };
    const numberOf = wordNumbers({ ...design, driveWheels: { ...design.driveWheels, diameter: 0.12 }, axleDiameter: 0.004 }, 'metric');
    expect(numberOf('wheelbase')).toBe('250\u00a0mm');
    expect(numberOf('advantage')).toBe('1 : 30 from axle to rim');
    expect(numberOf('normal-load')).toMatch(/^\d.*N on the drive wheels$/);
  });
});
