declare const VERSION: string;

/** Of the program, as package.json has it. */
export const version = VERSION;
