import { byRules, cueWords, type Cues } from '../cues.ts';

/** What tells parts of speech in Italian. */
export const ITALIAN_CUES: Cues = {
  beforeNouns: cueWords(`
    ultimo ultima ultimi ultime primo prima primi prime nuovo nuova nuovi nuove grande grandi piccolo piccola piccoli
    piccole buon buona bello bella bel vecchio vecchia stesso stessa altro altra altri altre
    il i un uno una del dello della dei degli delle al allo alla ai agli alle dal dallo dalla dai dagli dalle nel
    nello nella nei negli nelle sul sullo sulla sui sugli sulle col questo questa questi queste quel quello quella
    quei quegli quelle mio mia miei mie tuo tua suo sua suoi sue nostro nostra nostri nostre loro ogni alcuni alcune
    qualche molti molte molto molta pochi poche tutto tutta due tre quattro cinque sei sette otto nove dieci
  `),
  beforeVerbs: cueWords(`
    io tu lui lei noi voi si mi ti ci vi ne non che chi ho hai ha abbiamo avete hanno avevo aveva avevano è sono era
    erano può possono posso vuole vogliono devo deve devono
  `),
  prepositions: cueWords(`
    a di da in con su per tra fra senza verso contro durante
  `),
  others: cueWords(`
    più meno molto troppo bene male qui là ora poi allora così anche neanche ancora già mai sempre spesso forse
    inoltre solo soltanto appena oggi ieri domani dopo prima quando come dove mentre perché poiché anche se ma però
    oppure cioè quindi stesso stessa stessi stesse proprio altro altra altri altre tale tali qualche cosa sì ogni
  `),
  either: cueWords('lo la gli le li'),
  infinitiveEndings: /(?:are|ere|ire|rre|rsi|r[lnvmt][oaie])$/,
  nounEndings:
    /(?:zione|zioni|sione|sioni|tà|mento|menti|ezza|ezze|anza|anze|enza|enze|ismo|ismi|ista|isti|aggio|aggi|tore|tori|trice|trici|tura|ture)$/,
  verbEndings:
    /(?:are|ere|ire|arsi|ersi|irsi|ando|endo|ava|avano|eva|evano|iva|ivano|arono|erono|irono|erà|eranno|iamo|ato|uto|ito|ati|uti|iti)$/,
  adjectiveEndings:
    /(?:oso|osa|osi|ose|ivo|iva|ivi|ive|abile|abili|ibile|ibili|ico|ica|ici|iche|ale|ali|ario|aria)$/,
  otherEndings: /mente$/,
  singulars: byRules([
    [/che$/, 'ca', false],
    [/ghe$/, 'ga', false],
    [/chi$/, 'co', false],
    [/i$/, 'o', false],
    [/i$/, 'e', false],
    [/e$/, 'a', false],
  ]),
  nounFirst: true,
};
