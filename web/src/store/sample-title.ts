export const SAMPLE_TITLE = 'Night buses in Larkhaven';
