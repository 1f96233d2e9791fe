import { zho } from 'stopword';
import { languageWith, type Language } from '../language.ts';

/** Chinese. */
export const CHINESE: Language = languageWith('zh', zho);
