import useMediaQuery from '@mui/material/useMediaQuery';

/** Whether the page is as narrow as on a phone: where the rail lies along the bottom. */
export const useIsPhone = (): boolean => useMediaQuery('(max-width: 899.98px)', { noSsr: true });
