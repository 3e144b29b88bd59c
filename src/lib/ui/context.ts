import { createContext } from 'svelte';
import type { Planner } from './planner.svelte';
import type { Session } from './record/session.svelte';

/** The open build and the solver's panel, for every screen below the bench. */
export const [getBench, setBench] = createContext<{ session: Session; planner: Planner }>();
