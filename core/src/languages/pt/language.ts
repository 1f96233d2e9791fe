import { por } from 'stopword';
import { languageWith, nounFirst, wordsIn, type Language } from '../language.ts';

/** Days and months, times and numbers. */
const TIMES = `
segundo minuto hora dia semana mês ano vez tempo hoje ontem amanhã um dois três quatro cinco seis sete oito nove dez onze doze vinte trinta cem mil quarto metade
segunda-feira terça-feira quarta-feira quinta-feira sexta-feira sábado domingo janeiro fevereiro março abril maio junho julho agosto setembro outubro novembro dezembro
`;

/** Portuguese. */
export const PORTUGUESE: Language = languageWith('pt', por, {
  snowball: 'portuguese',
  hasLemmas: true,
  phrases: nounFirst('de do da dos das'),
  isNumberWord: wordsIn(TIMES),
});
