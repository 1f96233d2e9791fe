import { byRules, cueWords, type Cues } from '../cues.ts';

/** What tells parts of speech in Portuguese. */
export const PORTUGUESE_CUES: Cues = {
  beforeNouns: cueWords(`
    primeiro primeira último última últimos últimas novo nova novos novas grande grandes bom boa melhor melhores pior
    maior único única próximo próxima antigo antiga velho velha
    um uma uns umas do da dos das no na nas ao à aos às pelo pela pelos pelas dum duma num numa este esta estes estas
    esse essa esses essas aquele aquela aqueles aquelas neste nesta deste desta meu minha meus minhas teu tua seu sua
    seus suas nosso nossa nossos nossas cada outro outra outros outras muito muita muitos muitas pouco pouca poucos
    poucas algum alguma alguns algumas nenhum nenhuma vários várias todo toda todos todas dois duas três quatro cinco
    seis sete oito nove dez
  `),
  beforeVerbs: cueWords(`
    eu tu ele ela nós eles elas você vocês se me te lhe lhes não já que quem pode podem posso quero quer vou vai vamos
    vão está estão estava estavam foi
  `),
  prepositions: cueWords(`
    para de em com por sem sobre entre contra segundo durante desde até
  `),
  others: cueWords(`
    mais menos muito tão bem mal aqui ali lá agora depois então assim também sempre nunca já ainda quase talvez além
    só apenas hoje ontem amanhã antes quando como onde enquanto porque pois embora mas porém senão se qual quais cujo
    mesmo mesma mesmos mesmas tal tais próprio própria seguinte seguintes demais qualquer sim
  `),
  either: cueWords('o a os as nos'),
  infinitiveEndings: /(?:ar|er|ir|or)$/,
  nounEndings:
    /(?:ção|ções|são|sões|dade|dades|mento|mentos|ura|uras|eza|ezas|ança|anças|ência|ências|ância|âncias|ismo|ismos|ista|istas|agem|agens|dor|dores|dora|doras)$/,
  verbEndings:
    /(?:ar|er|ir|ando|endo|indo|ava|avam|ou|aram|eram|iram|ará|arão|aria|eria|amos|emos|imos|ado|ido|ados|idos)$/,
  adjectiveEndings:
    /(?:oso|osa|osos|osas|ivo|iva|ivos|ivas|ável|áveis|ível|íveis|ico|ica|icos|icas|al|ais|ário|ária|ante|antes|ente|entes)$/,
  otherEndings: /mente$/,
  singulars: byRules([
    [/árvores$/, 'árvore', true],
    [/raízes$/, 'raiz', true],
    [/(?<=[nlrgu])eses$/, 'ês', true],
    [/(?:ões|ães)$/, 'ão', true],
    [/ais$/, 'al', true],
    [/éis$/, 'el', true],
    [/óis$/, 'ol', true],
    [/ns$/, 'm', true],
    [/(?<=[rz])es$/, '', true],
    [/(?<=[aeiouãéêó])s$/, '', true],
  ]),
  nounFirst: true,
};
