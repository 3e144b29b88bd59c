import type { Build } from '../../core/model';
import type { Saved } from './send';

/** A change that the server has not acknowledged. */
export interface Change {
  build: Build;
  note: string;
}

/** A state that the server has, and when it became the present one. */
export type SavedState = Pick<Saved, 'head' | 'build' | 'updated'>;

/** Changes that wait, and the saved state they started from. */
export interface Pending {
  base: SavedState;
  queue: Change[];
}

const PREFIX = 'yj-pending';

/**
 * Changes that wait for the server, kept in the browser so that they outlive the page. Each page has a
 * key of its own; what a page left behind is taken over by the next one that opens the same build.
 */
export class PendingStore {
  private readonly key: string;

  constructor(private readonly build: string) {
    this.key = `${PREFIX}:${build}:${Math.random().toString(36).slice(2)}`;
  }

  /** Keeps them; when the browser has no room for every step, the last state alone. */
  keep(pending: Pending): void {
    if (!pending.queue.length) return this.forget();
    const last = pending.queue.slice(-1);
    for (const queue of [pending.queue, last])
      try {
        localStorage.setItem(this.key, JSON.stringify({ ...pending, queue }));
        return;
      } catch {
        // No room, or storage is switched off: the page itself still holds them.
      }
  }

  forget(): void {
    try {
      localStorage.removeItem(this.key);
    } catch {
      // Nothing was kept then.
    }
  }

  /** Takes over what another page of the same build left, or null. */
  adopt(): Pending | null {
    for (const key of keysOf(this.build)) {
      if (key === this.key) continue;
      const text = localStorage.getItem(key);
      localStorage.removeItem(key);
      const pending = text === null ? null : read(text);
      if (!pending) continue;
      this.keep(pending);
      return pending;
    }
    return null;
  }
}

function keysOf(build: string): string[] {
  try {
    return Object.keys(localStorage).filter((key) => key.startsWith(`${PREFIX}:${build}:`));
  } catch {
    return [];
  }
}

function read(text: string): Pending | null {
  try {
    const { base, queue } = JSON.parse(text) as Pending;
    return base?.build && queue?.length ? { base, queue } : null;
  } catch {
    return null;
  }
}

/** Whether changes of a build wait in this browser. */
export const waits = (build: string): boolean => keysOf(build).length > 0;

const LAST = 'yj-last';

/**
 * The last saved state that this browser knows of a build. A page that is opened while the server is away comes
 * from an older copy; this brings it up to what was saved.
 */
export const lastSaved = {
  keep({ head, build, updated }: SavedState): void {
    try {
      localStorage.setItem(`${LAST}:${build.id}`, JSON.stringify({ head, build, updated }));
    } catch {
      // Without room the older copy is what there is.
    }
  },
  /** Forgets all of them: whoever signed out leaves no copy of what was saved. */
  forgetAll(): void {
    try {
      for (const key of Object.keys(localStorage))
        if (key.startsWith(`${LAST}:`)) localStorage.removeItem(key);
    } catch {
      // Nothing was kept then.
    }
  },
  of(build: string): SavedState | null {
    try {
      const state = JSON.parse(localStorage.getItem(`${LAST}:${build}`) ?? 'null') as SavedState | null;
      return state?.build?.id === build ? state : null;
    } catch {
      return null;
    }
  }
};
