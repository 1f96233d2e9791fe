import { byRules, cueWords, type Cues } from '../cues.ts';

/** What tells parts of speech in French. */
export const FRENCH_CUES: Cues = {
  beforeNouns: cueWords(`
    dernier dernière derniers dernières premier première premiers premières nouveau nouvelle nouveaux nouvelles nouvel
    petit petite petits petites grand grande grands grandes bon bonne bons bonnes beau belle mauvais mauvaise gros
    grosse vieille vieux vieil
    un une des du au aux ce cet cette ces mon ma mes ton ta tes son sa ses notre nos votre vos leurs quel quelle quels
    quelles chaque plusieurs quelques aucun aucune certains certaines divers différents deux trois quatre cinq six
    sept huit neuf dix
  `),
  beforeVerbs: cueWords(`
    je tu il elle on nous vous ils elles ne me te se y ça cela qui ai as a avons avez ont avais avait avaient suis es
    est sommes êtes sont était étaient été pas peux peut peuvent veux veut veulent doit doivent faut va vont
  `),
  prepositions: cueWords(`
    à pour dans sur sous avec chez entre vers contre sans en par dès selon pendant depuis de
  `),
  others: cueWords(`
    plus moins très trop assez bien mal ici là puis donc alors ainsi aussi encore déjà jamais toujours souvent parfois
    peut-être ensuite enfin surtout beaucoup peu tout tous toute toutes même mêmes autre autres tel telle tels telles
    rien quelque chose quand comme si mais ou et car lorsque puisque dont où cependant toutefois néanmoins oui non
    voilà hier demain maintenant aujourd'hui
  `),
  either: cueWords('le la les leur'),
  infinitiveEndings: /(?:er|ir|re|oir)$/,
  nounEndings:
    /(?:tion|tions|sion|sions|ité|ités|isme|ismes|iste|istes|eur|eurs|euse|ance|ances|ence|ences|age|ages|ure|ures|ment|ments|esse|ette|ettes|oir|oirs)$/,
  verbEndings: /(?:er|ez|ais|ait|aient|ons|ant|eront|era|erai|irent|èrent|é|és|ée|ées)$/,
  adjectiveEndings:
    /(?:able|ables|ible|ibles|ique|iques|eux|ive|ives|if|ifs|al|ale|ales|aux|el|elle|elles|ier|ière)$/,
  otherEndings: /(?:amment|emment)$/,
  singulars: byRules([
    [/eaux$/, 'eau', true],
    [/aux$/, 'al', true],
    [/(?<![sux])s$/, '', true],
    [/x$/, '', false],
  ]),
  nounFirst: true,
};
