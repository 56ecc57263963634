import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface SideDrawerProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** What is opened beside the station, with its name and the way out. */
export const SideDrawer = ({ title, onClose, children }: SideDrawerProps) => (
  <Drawer
    anchor="right"
    open
    onClose={onClose}
    slotProps={{ paper: { 'aria-label': title, sx: { width: 'min(460px, 100vw)', p: 4, gap: 4, display: 'grid', alignContent: 'start' } } }}
  >
    <Box sx={{ display: 'flex', alignItems: 'center' }}>
      <Typography variant="h2">{title}</Typography>
      <Button onClick={onClose} sx={{ ml: 'auto' }}>
        Close
      </Button>
    </Box>
    {children}
  </Drawer>
);
