import { listed, type StopLayer } from '../language.ts';

/** English function words: the Snowball project's published list (BSD), with the forms its contractions leave. */
const FUNCTION_WORDS = `
i me my myself we us our ours ourselves you your yours yourself yourselves he him his himself she her hers herself it
its itself they them their theirs themselves what which who whom whose this that these those am is are was were be
been being have has had having do does did doing done would should could can cannot ought will shall may might must
i'm you're he's she's it's we're they're i've you've we've they've i'd you'd he'd she'd we'd they'd it'd i'll you'll he'll
she'll we'll they'll it'll isn't aren't wasn't weren't hasn't haven't hadn't doesn't don't didn't won't wouldn't shan't
shouldn't can't couldn't mustn't needn't mightn't let's that's who's what's here's there's when's where's why's how's
that'd there'd who'd that'll there'll ain't a an the and but if or nor because as until while of at by for with about
against between among into onto upon through throughout during before after above below to from up down in out on off
over under again further then once here there when where why how all any both each either neither every few more most
other another such no not only own same so than too very also even ever never yet still just though although unless
since whether within without towards toward across along around behind beside besides beyond despite except inside
near outside past per plus till unlike via cos 'cause cause may s t d ll m re ve don
`;

/** Function words of older texts, and of formal ones. Our own list. */
const OLD_FUNCTION_WORDS = `
thou thee thy thine thyself ye hath hast doth dost didst hadst shalt canst couldst wouldst shouldst mayst wast unto
tis twas 'tis 'twas o'er e'er ne'er ere nay yea whilst amongst amidst betwixt hither thither whither hence thence whence
thereof whereof hereof therein wherein herein thereby whereby hereby therefore wherefore thereto hereto whereas
notwithstanding
`;

/** Words that carry talk along and say little of what it is about. Our own list, for spoken material. */
const TALK_WORDS = `
yeah yes yep no nope oh ah eh er erm um uh hmm mm mmm ha well okay ok right sure really actually basically literally
obviously honestly exactly absolutely definitely probably maybe perhaps quite rather pretty bit lot lots kind sort
thing things something anything nothing everything someone somebody anyone anybody everyone everybody nobody one ones
like know mean think thought guess suppose say says said saying tell tells told talk get gets got getting gotten go
goes going gone went come comes came coming make makes made making take takes took taken want wants wanted see seen
saw look looks looked looking way much many less least enough now always sometimes often usually already almost away
back else mind way ways place places people man men woman women lady lad lads girl boy fellow chap bloke please thanks thank sorry dunno gonna wanna gotta course fact point example instance stuff whatever
put puts keep keeps kept give gives gave given use used try tried trying seem seems seemed happen happens happened mr mrs ms dr jr sr
inc ltd llc plc
`;

/** Numbers as words and times: off until asked for, as numerals are. Our own list. */
const NUMBER_WORDS = `
zero two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen
nineteen twenty thirty forty fifty sixty seventy eighty ninety hundred hundreds thousand thousands million half quarter
third couple dozen o'clock
`;

/** Times: no concepts by themselves, but parts of phrases such as day ticket. Our own list. */
const TIME_WORDS = `
second seconds minute minutes hour hours day days week weeks month months year years time times today tonight tomorrow
yesterday monday tuesday wednesday thursday friday saturday sunday mondays tuesdays wednesdays thursdays fridays
saturdays sundays january february march april june july august september october november december jan feb apr aug
sep sept oct nov dec jul mon tue tues wed thu thur thurs fri
`;

/** The layers of the English stop list, each shown under its name. */
export const STOP_LAYERS: readonly StopLayer[] = [
  { name: 'function words', words: [...listed(FUNCTION_WORDS), ...listed(OLD_FUNCTION_WORDS)] },
  { name: 'words of talk', words: listed(TALK_WORDS) },
  { name: 'numbers', words: listed(NUMBER_WORDS), ofNumbers: true },
  { name: 'times', words: listed(TIME_WORDS), ofNumbers: true, onlyAlone: true },
];

const NUMBERS_AND_TIMES = new Set([...listed(NUMBER_WORDS), ...listed(TIME_WORDS)]);

/** Whether an English word stands for a number or a time: half, Monday, hour. */
export function isNumberWord(word: string): boolean {
  return NUMBERS_AND_TIMES.has(word);
}
