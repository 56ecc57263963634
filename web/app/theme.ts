import { createTheme, useColorScheme } from '@mui/material/styles';
import { FONTS, TOKENS, type Tokens } from '../ui/tokens.ts';

declare module '@mui/material/styles' {
  interface Palette {
    workbench: Tokens;
  }
  interface PaletteOptions {
    workbench?: Tokens;
  }
  interface TypographyVariants {
    figures: React.CSSProperties;
    verdict: React.CSSProperties;
  }
  interface TypographyVariantsOptions {
    figures?: React.CSSProperties;
    verdict?: React.CSSProperties;
  }
}
declare module '@mui/material/Typography' {
  interface TypographyPropsVariantOverrides {
    figures: true;
    verdict: true;
  }
}

const paletteOf = (tokens: Tokens) => ({
  primary: { main: tokens.ink, contrastText: tokens.ground },
  secondary: { main: tokens.distance, contrastText: tokens.ground },
  error: { main: tokens.stop, contrastText: tokens.ground },
  success: { main: tokens.good, contrastText: tokens.ground },
  text: { primary: tokens.ink, secondary: tokens.muted },
  background: { default: tokens.ground, paper: tokens.panel },
  divider: tokens.rule,
  workbench: tokens,
});

const heading = (size: number) => ({ fontFamily: FONTS.heading, fontWeight: 660, fontSize: `${size}px`, lineHeight: 1.25 });

/** What shows where the keyboard is. */
const RING = '3px solid var(--mui-palette-workbench-distance)';

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-scheme' },
  colorSchemes: { light: { palette: paletteOf(TOKENS.light) }, dark: { palette: paletteOf(TOKENS.dark) } },
  spacing: 4,
  shape: { borderRadius: 8 },
  typography: {
    fontFamily: FONTS.text,
    fontSize: 15,
    htmlFontSize: 16,
    h1: heading(22),
    h2: heading(18),
    h3: heading(15),
    body1: { fontSize: '15px', lineHeight: 1.45 },
    body2: { fontSize: '14px', lineHeight: 1.4 },
    caption: { fontSize: '13px', lineHeight: 1.35 },
    button: { textTransform: 'none', fontWeight: 600, fontSize: 14 },
    figures: { fontFamily: FONTS.figures, fontVariantNumeric: 'tabular-nums', fontSize: '14px' },
    verdict: { fontFamily: FONTS.heading, fontWeight: 680, fontSize: '54px', lineHeight: 1, fontVariantNumeric: 'tabular-nums' },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        'html, body, #root': { height: '100%' },
        // Over every component's own: nothing that takes the focus hides it.
        ':focus-visible, .Mui-focusVisible': { outline: `${RING} !important`, outlineOffset: '2px' },
        // A field shows it about its frame; what is in a row that is cut off at its edge, within.
        '.MuiInputBase-root:has(:focus-visible)': { outline: RING, outlineOffset: '2px' },
        '.MuiInputBase-root :focus-visible': { outline: '0 !important' },
        // A dialog as a whole is no stop of its own.
        '.MuiModal-root [tabindex="-1"]:focus-visible': { outline: '0 !important' },
        '.MuiTab-root:focus-visible, .MuiMenuItem-root:focus-visible': { outlineOffset: '-3px' },
        '.explained': {
          all: 'unset',
          cursor: 'help',
          textDecoration: 'underline dotted',
          textUnderlineOffset: '3px',
          '&:focus-visible': { outline: RING, outlineOffset: '2px', borderRadius: '2px' },
        },
        '@media (prefers-reduced-motion: reduce)': {
          '*, *::before, *::after': { animationDuration: '0.01ms !important', transitionDuration: '0.01ms !important' },
        },
      },
    },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: { styleOverrides: { paper: { border: '1px solid var(--mui-palette-divider)' } } },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          color: 'var(--mui-palette-text-primary)',
          '&.Mui-selected, &.Mui-selected:hover': {
            backgroundColor: 'var(--mui-palette-primary-main)',
            color: 'var(--mui-palette-primary-contrastText)',
          },
        },
      },
    },
    MuiTooltip: { defaultProps: { enterDelay: 400 } },
  },
});

/** The colours of the scheme now shown, for what cannot take CSS variables. */
export function useTokens(): Tokens {
  const { mode, systemMode } = useColorScheme();
  return TOKENS[(mode === 'system' ? systemMode : mode) ?? 'light'];
}
