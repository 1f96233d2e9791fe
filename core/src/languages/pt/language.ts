import { por } from 'stopword';
import { languageWith, nounFirst, phrasesIn, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
segundo minuto hora dia semana mês ano vez tempo hoje ontem amanhã um dois três quatro cinco seis sete oito nove dez onze doze vinte trinta cem mil quarto metade
segunda-feira terça-feira quarta-feira quinta-feira sexta-feira sábado domingo janeiro fevereiro março abril maio junho julho agosto setembro outubro novembro dezembro
`;

/** Phrases whose words say nothing by themselves. */
const FIXED = `
por exemplo, no entanto, a partir de, em relação a, por causa de, em vez de, apesar de, em caso de, no caso de, em todo caso, de acordo, de acordo com, através de, com certeza, de fato, de facto, na verdade, em termos de, em geral,
em particular, ao longo de, por meio de, em função de, ao lado de, de qualquer forma, de vez em quando, pelo menos, por parte de, a fim de, no âmbito de, com respeito a, ao invés de, em lugar de, hoje em dia, senhoras e senhores
`;

/** Portuguese. */
export const PORTUGUESE: Language = languageWith('pt', por, {
  snowball: 'portuguese',
  hasLemmas: true,
  phrases: nounFirst('de do da dos das'),
  isNumberWord: wordsIn(TIMES),
  fixedPhrases: phrasesIn(FIXED),
});
