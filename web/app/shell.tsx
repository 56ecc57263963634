import Box from '@mui/material/Box';
import { Outlet } from 'react-router';
import { useCars } from '../stations/garage/use-cars.ts';
import { useFileDrop } from '../ui/use-file-drop.ts';
import { Rail } from './rail.tsx';
import { ShortcutList } from './shortcut-list.tsx';
import { Toasts } from './toasts.tsx';

/** The frame of every station: the rail at the left, on a phone along the bottom. A car file dropped anywhere is opened. */
export function Shell() {
  const { openFile } = useCars();
  useFileDrop((file) => void openFile(file));
  return (
    <Box sx={{ display: 'flex', flexDirection: { xs: 'column-reverse', md: 'row' }, height: '100dvh' }}>
      <Rail />
      <Box component="main" sx={{ flex: 1, minWidth: 0, minHeight: 0, overflow: 'auto' }}>
        <Outlet />
      </Box>
      <Toasts />
      <ShortcutList />
    </Box>
  );
}
