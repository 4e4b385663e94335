import { GripHorizontal, GripVertical } from "lucide-react";
import type { ReactNode } from "react";
import { Group, Panel, Separator, useDefaultLayout } from "react-resizable-panels";

type Pane = { id: string; size: string; least: number; children: ReactNode };

type PanesProps = {
  /** What their sizes are remembered by. */
  name: string;
  isStacked?: boolean;
  panes: Pane[];
  /** What is dragged between two of them, for a screen reader. */
  handle: string;
};

/** Panes beside each other or stacked, dragged to size by pointer or arrow keys; their sizes are remembered. */
export function Panes({ name, isStacked = false, panes, handle }: PanesProps) {
  const ids = panes.map(({ id }) => paneId(id));
  const { defaultLayout, onLayoutChanged } = useDefaultLayout({ id: `panes ${name}`, panelIds: ids, storage: localStorage });
  const Grip = isStacked ? GripHorizontal : GripVertical;
  return (
    <Group
      id={`panes ${name}`}
      orientation={isStacked ? "vertical" : "horizontal"}
      defaultLayout={defaultLayout}
      onLayoutChanged={onLayoutChanged}
      className="min-h-0 min-w-0 flex-1"
    >
      {panes.map(({ id, size, least, children }, place) => [
        place > 0 && (
          <Separator
            key={`before ${id}`}
            aria-label={handle}
            className={`group grid shrink-0 place-items-center rounded-sm outline-offset-[-2px] ${isStacked ? "h-3" : "w-4"}`}
          >
            <Grip aria-hidden className="size-4 text-edge group-hover:text-ink group-focus-visible:text-ink" />
          </Separator>
        ),
        <Panel key={id} id={paneId(id)} defaultSize={size} minSize={least} className="grid! min-h-0 min-w-0 overflow-hidden!">
          {children}
        </Panel>,
      ])}
    </Group>
  );
}

/** The library puts it on the page, where a heading may have the pane's own name. */
function paneId(id: string): string {
  return `pane-${id}`;
}
