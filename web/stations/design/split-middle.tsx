import { useEffect, useRef, type ReactNode } from 'react';
import { disableGlobalCursorStyles, Panel, PanelGroup, PanelResizeHandle, type ImperativePanelGroupHandle } from 'react-resizable-panels';
import { readLocalStorage, useLocalStorage } from '../../ui/use-local-storage.ts';
import { useIsPhone } from '../../ui/use-is-phone.ts';
import styles from './design-page.module.css';

// The page's content policy allows no style sheet that is made on the way.
disableGlobalCursorStyles();

/** Percent of the height that the drawing takes, over the curve and over what is explored. */
type Heights = Readonly<Record<'curve' | 'explore', number>>;
const HEIGHTS: Heights = { curve: 43, explore: 34 };
const STORED_AS = 'design-drawing-height';
/** Percent: below that the drawing folds away. */
const LEAST = 20;
const STEP = 5;

interface SplitMiddleProps {
  readonly over: keyof Heights;
  readonly drawing: ReactNode;
  readonly lower: ReactNode;
}

/** The drawing over the panel, with a handle between them: dragged or by arrow keys; Enter folds the drawing away. It stays as it was left. */
export function SplitMiddle({ over, drawing, lower }: SplitMiddleProps) {
  const isPhone = useIsPhone();
  const [heights, store] = useLocalStorage(STORED_AS, HEIGHTS);
  const groupRef = useRef<ImperativePanelGroupHandle>(null);
  useEffect(() => {
    const height = readLocalStorage(STORED_AS, HEIGHTS)[over];
    groupRef.current?.setLayout([height, 100 - height]);
  }, [over]);
  if (isPhone)
    return (
      <div className={styles.middle}>
        {drawing}
        {lower}
      </div>
    );
  return (
    <div className={styles.middle}>
      <PanelGroup
        ref={groupRef}
        direction="vertical"
        keyboardResizeBy={STEP}
        onLayout={([height]) => {
          if (height !== undefined && Math.abs(height - heights[over]) > 0.1) store({ ...heights, [over]: height });
        }}
      >
        <Panel defaultSize={heights[over]} minSize={LEAST} collapsible className={styles.pane}>
          {drawing}
        </Panel>
        <PanelResizeHandle
          className={styles.handle}
          aria-label="Height of the drawing"
          title="Drag to resize. Enter folds the drawing away."
        />
        <Panel defaultSize={100 - heights[over]} minSize={LEAST} className={styles.pane}>
          {lower}
        </Panel>
      </PanelGroup>
    </div>
  );
}
