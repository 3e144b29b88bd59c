import { drag, select } from 'd3';
import type { Attachment } from 'svelte/attachments';

/**
 * Lets a cap be dragged along its row: `over` hears the pointer's x in the drawing's own units,
 * `drop` that it was let go (false when it was hardly moved).
 */
export function draggable(
  over: (x: number) => void,
  drop: (moved: boolean) => void
): Attachment<SVGGElement> {
  return (node) => {
    let from = 0;
    let moved = false;
    const behaviour = drag<SVGGElement, unknown>()
      .container(() => node.ownerSVGElement!)
      .on('start', (event: { x: number }) => {
        from = event.x;
        moved = false;
      })
      .on('drag', (event: { x: number }) => {
        if (Math.abs(event.x - from) > 4) moved = true;
        if (moved) over(event.x);
      })
      .on('end', () => drop(moved));
    select(node).call(behaviour);
    return () => void select(node).on('.drag', null);
  };
}
