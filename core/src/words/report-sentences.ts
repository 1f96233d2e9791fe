import { sourcesOf, counted, inFigures, listed, percent, pointsText } from '../base/wording.ts';

// What a report and its figures say, each sentence from the numbers it holds.

/** A share as a report prints it: a small one with a digit behind the point. */
export const shareInReport = (share: number): string => percent(share, share < 0.1 ? 1 : 0);

/** A share with its interval. */
export const shareWithInterval = ({
  share,
  low,
  high,
}: {
  readonly share: number;
  readonly low: number;
  readonly high: number;
}): string => `${shareInReport(share)} (${shareInReport(low)} to ${shareInReport(high)})`;

/** How much of a table is shown; empty where it is all. */
export const firstOf = (shown: number, total: number, what: string): string =>
  shown < total ? ` The first ${inFigures(shown)} of ${counted(total, what)}.` : '';

/** Sources that no figure of groups or periods can take in. */
export const takeNoPart = (sources: number, without: string): string =>
  sources === 0 ? '' : ` ${counted(sources, 'source')} ${without} take no part.`;

/** A change over time, with its q. */
export const trendText = (trend: { readonly change: number; readonly q: number } | undefined): string =>
  trend
    ? `${trend.change < 0 ? '−' : '+'}${pointsText(Math.abs(trend.change))} (q ${Number(trend.q.toFixed(2))})`
    : '–';

/** What stands above and beside the pictures and tables of a report. */
export const FIGURE_WORDS = {
  sourcesTitle: (attribute: string | undefined): string =>
    attribute === undefined ? 'Sources' : `Sources by ${attribute}`,
  sourcesNote: (sources: number, words: number): string =>
    `${counted(sources, 'source')} of ${counted(words, 'word')}.`,
  companyNote: (label: string, windows: number, sources: number): string =>
    `${label} is in ${counted(windows, 'window')} of ${counted(sources, 'source')}. Share: of its windows, those that hold the other too, with a 95 % interval that goes by how the sources differ.`,
  drawnAnew: (draws: number): string =>
    `Comes back: in ${inFigures(draws)} halves of the sources, with the concepts chosen anew.`,
  mapTitle: (title: string): string => `Concept map of ${title}`,
  mapInWords: (names: readonly string[]): string =>
    names.length === 0
      ? 'A map without themes.'
      : `A map of ${counted(names.length, 'theme')} as parcels with their concepts: ${listed(names)}.`,
  strengthTitle: (attribute: string | undefined): string =>
    attribute === undefined ? 'Strength' : `Strength by ${attribute}`,
  strengthFoot: '* beyond chance (q < 0.05)',
  strengthInWords: (title: string, rows: number, groups: number): string =>
    `${title}: ${counted(rows, 'row')} by ${counted(groups, 'group')}, each mark with its 95 % interval; the table under it has the same numbers.`,
  timeTitle: (dates: string): string => `Strength over time, by ${dates}`,
  timeNote:
    'Share with its 95 % interval, of a period of one source by how the sources of all periods differ; a dash where a period has no text. Change: from the first period to the last along the straight line that fits best, with the chance of one as large if the sources had been dealt to the periods blindly (q).',
  allOthers: 'all others',
  apartTitle: (group: string, other: string): string => `What sets ${group} apart from ${other}`,
  apartNote: (
    group: string,
    [here, there]: readonly [number, number],
    { looked, beyond }: { readonly looked: number; readonly beyond: number },
  ): string =>
    `Log-odds with an informative Dirichlet prior (Monroe, Colaresi & Quinn 2008) and a variance that goes by how the sources differ; above 0 ${group} say more. ${counted(here, 'source')} against ${inFigures(there)}. ${
      beyond === 0
        ? `None of ${inFigures(looked)} looked at differs beyond chance (q < 0.05); those nearest to it are listed`
        : `${inFigures(beyond)} of ${inFigures(looked)} looked at ${beyond === 1 ? 'differs' : 'differ'} beyond chance (q < 0.05), and only such are listed`
    }.`,
  toneTitle: (list: string): string => `Tone by ${list}`,
  toneNote: (list: string, aspects: readonly string[]): string =>
    `Share of passages with more ${listed(aspects)} words than not, by the list ${list}; negation and strengthening are heeded. A list of words hears no irony: read before it is quoted.`,
  concordanceTitle: (title: string, group: string | undefined): string =>
    `Concordance of ${title}${group === undefined ? '' : ` among ${group}`}`,
  concordanceNote: 'Every mention with the words to its left and right, as it was said.',
  dispersionTitle: (titles: readonly string[]): string => `Where ${listed(titles)} is said`,
  dispersionNote: (sources: number): string =>
    `From the first word of the first source to the last of the last, a line for each mention; ${counted(sources, 'source')}.`,
  dispersionInWords: (title: string, mentions: number, sources: number): string =>
    `${title}: ${counted(mentions, 'mention')} in ${counted(sources, 'source')}.`,
  pictureLost: ' Its picture can’t be read as a drawing and was left out.',
} as const;

/** On how much the marks of a comparison stand, and what would have gone unseen. */
export function restsOn(
  groups: readonly {
    readonly group: string;
    readonly sources: number;
    readonly persons: number;
    readonly windows: number;
  }[],
  findable: { readonly asked: boolean; readonly largest: number | undefined },
): string {
  const sizes = groups.map(
    ({ group, windows, ...of }) => `${group} ${sourcesOf(of)}, ${counted(windows, 'stretch', 'stretches')}`,
  );
  const said =
    findable.largest === undefined
      ? 'With so few sources no single difference can be told from chance.'
      : `Differences under ${pointsText(findable.largest)} between the two largest groups would mostly go unseen.`;
  return `It rests on ${listed(sizes)}. ${groups.length < 2 || !findable.asked ? '' : said}`.trim();
}

/** How much a study is, as its report opens. */
export interface StudySize {
  readonly sources: number;
  /** Of all that were brought in. */
  readonly ofSources: number;
  readonly words: number;
  readonly concepts: number;
  readonly windows: number;
  readonly links: number;
  readonly themes: number;
  /** Share of what is said that speaks to any theme. */
  readonly reached: number;
}

/** The parts of a report in words. */
export const REPORT_WORDS = {
  restsOn: ({ sources, ofSources, words, concepts, windows, links, themes, reached }: StudySize): string =>
    `${counted(sources, 'source')}${sources < ofSources ? ` of ${inFigures(ofSources)}` : ''} with ${counted(words, 'word')}; ${counted(concepts, 'concept')}, ${counted(windows, 'window')}, ${counted(links, 'link')} and ${counted(themes, 'theme')}. ${percent(reached)} of what is said speaks to a theme.`,
  restsOnNetwork: (
    name: string,
    { concepts, links, themes }: Pick<StudySize, 'concepts' | 'links' | 'themes'>,
  ): string =>
    `The network ${name}, which was made elsewhere and has no texts: ${counted(concepts, 'concept')}, ${counted(links, 'link')} and ${counted(themes, 'theme')}. Nothing in it leads to what people said.`,
  chance:
    'Intervals hold 95 % and go by how sources differ, since passages of one source hang together. q is the chance of such a find where there is nothing, adjusted for how many were looked at. Whether other sources would have shown a theme is told by halves of them: one half is drawn, and the other, again and again, concepts are chosen and grouped anew, and a theme is back where half of its concepts stand together and make a quarter or more of what they stand in (complementary pairs, Shah & Samworth 2013). Of fresh halves of real and made-up collections those said to come back nearly always were found in 99 of 100, mostly in 86, now and then in 42, seldom in 30.',
  pseudonyms: 'Names in square brackets are pseudonyms; they stand for names in the texts.',
  conceptsOf: (labels: readonly string[]): string => `Concepts: ${labels.join(', ')}.`,
  themeFigures: ({
    share,
    sources,
    ofSources,
    coherence,
    density,
    centrality,
  }: {
    readonly share: number;
    readonly sources: number;
    readonly ofSources: number;
    readonly coherence: number;
    readonly density: number;
    readonly centrality: number;
  }): string =>
    `${shareInReport(share)} of what is said speaks to it, in ${inFigures(sources)} of ${counted(ofSources, 'source')}; coherence ${coherence.toFixed(2)}, density ${density.toFixed(2)}, centrality ${centrality.toFixed(2)}.`,
  comesBack: (band: string): string => ` Drawn from other sources it comes back ${band}.`,
  noPassage: 'No passage speaks to it by itself.',
  inNoTheme: (labels: readonly string[]): string => `In no theme: ${labels.join(', ')}.`,
  setAside: (aside: readonly { readonly name: string; readonly labels: readonly string[] }[]): string =>
    `Set aside: ${aside.map(({ name, labels }) => `${name} (${labels.join(', ')})`).join('; ')}.`,
  noGroups: 'There are no groups to compare.',
  noGroupsApart: 'There are no groups to set apart.',
  groupsLeftOut: (groups: number): string => `${counted(groups, 'more group')} are left out here.`,
  decisions: (decisions: number): string => `${counted(decisions, 'decision')}, the first first`,
  again: (version: string, seed: number): string =>
    `Made with Green Thicket ${version}, seed ${seed}. The study file (.thicket) holds the texts, every setting and every decision: opened again, or given to the command line, it gives the same figures to the last digit:`,
  againNetwork: (version: string, seed: number): string =>
    `Made with Green Thicket ${version}, seed ${seed}. The study file (.thicket) holds the network, every setting and every decision: opened again, it gives the same to the last digit.`,
  againCommand: 'npm run thicket -- analyse study.thicket --out results --report',
} as const;
