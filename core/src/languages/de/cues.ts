import { byRules, cueWords, type Cues } from '../cues.ts';

/** What tells parts of speech in German, beside its capitals. */
export const GERMAN_CUES: Cues = {
  beforeNouns: cueWords(`
    den dem des ein eine einen einem einer eines kein keine keinen keinem keiner keines mein meine meinen meinem
    meiner meines dein deine deinen deinem deiner sein seine seinen seinem seiner seines unser unsere unseren unserem
    unserer euer eure eurer diese dieser dieses diesen diesem jene jener jenes jeder jede jedes jeden jedem manche
    mancher welche welcher welches alle aller allen viele vieler vielen wenige einige einiger im am zum zur vom beim
    ins ans aufs fürs durchs
  `),
  beforeVerbs: cueWords(
    'ich du er es wir man nicht zu sich sie ihr wer kann konnte muss musste will wollte soll sollte wird würde darf',
  ),
  prepositions: cueWords(`
    mit ohne für gegen bei von aus nach seit durch um wegen trotz während zwischen pro
  `),
  others: new Set(),
  either: cueWords('der die das'),
  infinitiveEndings: /(?:en|ern|eln)$/,
  nounEndings:
    /(?:ung|ungen|heit|heiten|keit|keiten|schaft|schaften|tion|tionen|tät|täten|ismus|nis|nisse|ling|linge|chen|lein)$/,
  verbEndings: /(?:ieren|iert|ierte|elte|erte|end)$/,
  adjectiveEndings: /(?:lich|ig|isch|bar|sam|haft|los|voll)(?:e|en|er|es|em|ere|eren|ste|sten)?$/,
  otherEndings: /(?:weise|wärts|mals|falls|seits)$/,
  singulars: byRules([
    [/innen$/, 'in', true],
    [/(ung|heit|keit|schaft|tät|tion)en$/, '$1', true],
    [/en$/, 'e', false],
    [/en$/, '', false],
    [/er$/, '', false],
    [/n$/, '', false],
    [/e$/, '', false],
    [/s$/, '', false],
  ]),
  nounFirst: false,
};
