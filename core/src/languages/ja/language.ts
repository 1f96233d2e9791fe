import { jpn } from 'stopword';
import { languageWith, type Language } from '../language.ts';

/** Japanese. */
export const JAPANESE: Language = languageWith('ja', jpn);
