/** How a candidate stands, in the words of the interface. */
export const STATUS_WORDS = {
  chosen: 'in',
  kept: 'kept by you',
  dropped: 'dropped by you',
  out: 'left out',
} as const;
