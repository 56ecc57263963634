/** The colours of the workbench, once for each scheme. Contrast of text on ground is at least 4.5:1 (WCAG 2.2 AA). */
export interface Tokens {
  readonly ground: string;
  readonly panel: string;
  readonly ink: string;
  readonly muted: string;
  readonly rule: string;
  /** Whatever pulls: line, area, text. */
  readonly pull: string;
  readonly pullArea: string;
  readonly pullText: string;
  /** Whatever travels or resists travel. */
  readonly distance: string;
  readonly distanceSoft: string;
  /** Lost energy, a broken rule, danger: always with a sign or a word. */
  readonly stop: string;
  readonly good: string;
  readonly goodSoft: string;
}

export const TOKENS: Readonly<Record<'light' | 'dark', Tokens>> = {
  light: {
    ground: '#F5F1E8',
    panel: '#FBF9F4',
    ink: '#16302B',
    muted: '#4A5F59',
    rule: '#D9D2C3',
    pull: '#A85608',
    pullArea: '#E9B873',
    pullText: '#7A3D04',
    distance: '#1F6C9B',
    distanceSoft: '#9CC3DC',
    stop: '#A8321F',
    good: '#2F6F4A',
    goodSoft: '#93B8A1',
  },
  dark: {
    ground: '#0F1F1C',
    panel: '#162A26',
    ink: '#EDE7DA',
    muted: '#A9B8B2',
    rule: '#2B433D',
    pull: '#F0A04B',
    pullArea: '#7A5A33',
    pullText: '#F0A04B',
    distance: '#7CC1EC',
    distanceSoft: '#35586E',
    stop: '#F08A74',
    good: '#86CFA3',
    goodSoft: '#3E6A52',
  },
};

export const FONTS = {
  heading: '"Bricolage Grotesque Variable", "Atkinson Hyperlegible Next Variable", sans-serif',
  text: '"Atkinson Hyperlegible Next Variable", sans-serif',
  figures: '"Atkinson Hyperlegible Mono Variable", monospace',
} as const;
