/** How many times its size a picture may be drawn. */
export const PICTURE_SCALES = { min: 1, max: 4, whole: true } as const;
