import type { Chain, Plugged } from './chains';

/** What is still to be done to a drive or an adapter on its cable: null where it is as it should be. */
export interface Due {
  unit: string | null;
  terminated: boolean | null;
}

/** How a drive should be jumpered and terminated, where it is not so or nobody looked. */
export const dueOf = ({ unit, terminated, want }: Plugged): Due => ({
  unit: unit === want.unit ? null : want.unit,
  terminated: want.terminated === terminated ? null : want.terminated
});

/** The same of the host adapter at its end of the bus. */
export const adapterDue = ({ adapter }: Chain): Due => ({
  unit: null,
  terminated: !adapter || adapter.terminated === adapter.want ? null : adapter.want
});

export const isDue = ({ unit, terminated }: Due): boolean => unit !== null || terminated !== null;
