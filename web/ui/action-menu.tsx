import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';

interface ActionMenuProps {
  readonly anchor: HTMLElement;
  readonly onClose: () => void;
  readonly actions: readonly (readonly [label: string, act: () => void])[];
}

/** What can be done, below what was pressed. */
export default function ActionMenu({ anchor, onClose, actions }: ActionMenuProps) {
  return (
    <Menu anchorEl={anchor} open onClose={onClose}>
      {actions.map(([label, act]) => (
        <MenuItem
          key={label}
          onClick={() => {
            onClose();
            act();
          }}
        >
          {label}
        </MenuItem>
      ))}
    </Menu>
  );
}
