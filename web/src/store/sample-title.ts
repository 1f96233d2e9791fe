export const SAMPLE_TITLE = 'Night buses in Larkhaven';
export const GERMAN_SAMPLE_TITLE = 'Nachtbusse in Larkhaven';
