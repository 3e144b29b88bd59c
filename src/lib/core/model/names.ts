/** Item id of the board in every build, and of the synthetic owners of fixed lines. */
export const BOARD_ITEM = 'board';
export const SYSTEM_ITEM = 'system';
export const PNP_ITEM = 'pnp';

/** One key for a setting or a function of an item. */
export const keyOf = (item: string, id: string): string => `${item}/${id}`;
