import { spa } from 'stopword';
import { languageWith, listed, nounFirst, phrasesIn, wordsIn, type Language } from '../language.ts';

/** What the published Spanish list lacks: forms of ser, estar, haber and tener, and pronouns. */
const MORE_FORMS = `
es son era eran fue fueron ser sea sido soy eres somos está están estaba estaban estar estoy estamos ha han he hay había
habían hemos tiene tienen tenía tengo tenemos si esta este esto estos estas esa esos esas aquel aquella le les lo nosotros
nosotras ustedes vosotros ellos ellas usted yo nos os mis tus nuestro nuestra vuestro todo toda todos todas
`;

/** Days and months, times and numbers. */
const TIMES = `
segundo minuto hora día semana mes año vez tiempo hoy ayer mañana uno dos tres cuatro cinco seis siete ocho nueve diez once doce veinte treinta cien mil cuarto mitad
lunes martes miércoles jueves viernes sábado domingo enero febrero marzo abril mayo junio julio agosto septiembre setiembre octubre noviembre diciembre
`;

/** Phrases whose words say nothing by themselves. */
const FIXED = `
por ejemplo, sin embargo, en cuanto a, a pesar de, a través de, en vez de, en lugar de, de acuerdo, de acuerdo con, en caso de, en el caso de, a partir de, por supuesto, en realidad, de hecho, a lo largo de, en todo caso,
en cualquier caso, en general, en particular, con respecto a, por medio de, a causa de, debido a, en relación con, en función de, en términos de, al menos, por lo menos, de vez en cuando, de todas formas, de todos modos, a menudo,
por parte de, a fin de, con el fin de, en el marco de, es decir, al lado de, señoras y señores
`;

/** Spanish. */
export const SPANISH: Language = languageWith('es', [...spa, ...listed(MORE_FORMS)], {
  snowball: 'spanish',
  hasLemmas: true,
  phrases: nounFirst('de del'),
  isNumberWord: wordsIn(TIMES),
  fixedPhrases: phrasesIn(FIXED),
});
