import type { PathItem } from './drawing.ts';

/** A colour as #rrggbb, as every writer knows it. Source: HSL to RGB of CSS Color 4. `hex(0, 100, 50) // '#ff0000'` */
function hex(hue: number, saturation: number, lightness: number): string {
  const light = lightness / 100;
  const spread = (saturation / 100) * Math.min(light, 1 - light);
  const channel = (n: number): string => {
    const k = (n + hue / 30) % 12;
    const value = light - spread * Math.max(-1, Math.min(k - 3, 9 - k, 1));
    return Math.round(255 * value)
      .toString(16)
      .padStart(2, '0');
  };
  return `#${channel(0)}${channel(8)}${channel(4)}`;
}

/** Paper for what is there, the accent for what is added; lighter where more light falls. */
export const faceColour = ({ isAdded, light }: NonNullable<PathItem['face']>): string =>
  isAdded ? hex(30, 85, 52 + 26 * light) : hex(45, 22, 78 + 19 * light);

/** Edges of what is added: the colour of the pull. */
export const ACCENT = '#8a3f00';
