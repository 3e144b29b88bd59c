import type { Attachment } from 'svelte/attachments';
import type * as Drag from './drag';

/** `draggable`, whose code is loaded when the first cap is on the page. */
export const draggable =
  (...wish: Parameters<typeof Drag.draggable>): Attachment<SVGGElement> =>
  (node) => {
    let isGone = false;
    let end: ReturnType<Attachment<SVGGElement>>;
    void import('./drag').then((module) => {
      if (!isGone) end = module.draggable(...wish)(node);
    });
    return () => {
      isGone = true;
      end?.();
    };
  };
