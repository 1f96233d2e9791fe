import type { StudyState } from '../study/study.ts';

/** A published source of a measure or a method. */
export interface Reference {
  /** Its key in a .bib file. */
  readonly key: string;
  readonly type: 'article' | 'inproceedings' | 'book' | 'misc';
  readonly authors: readonly string[];
  readonly year: number;
  readonly title: string;
  /** The journal, proceedings or publisher. */
  readonly where: string;
  readonly volume?: string;
  readonly pages?: string;
}

const ALL = {
  dp: {
    key: 'gries2008',
    type: 'article',
    authors: ['Gries, S. Th.'],
    year: 2008,
    title: 'Dispersions and adjusted frequencies in corpora',
    where: 'International Journal of Corpus Linguistics',
    volume: '13(4)',
    pages: '403–437',
  },
  dpNorm: {
    key: 'lijffijt2012',
    type: 'article',
    authors: ['Lijffijt, J.', 'Gries, S. Th.'],
    year: 2012,
    title: 'Correction to “Dispersions and adjusted frequencies in corpora”',
    where: 'International Journal of Corpus Linguistics',
    volume: '17(1)',
    pages: '147–149',
  },
  pull: {
    key: 'matsuo2004',
    type: 'article',
    authors: ['Matsuo, Y.', 'Ishizuka, M.'],
    year: 2004,
    title: 'Keyword extraction from a single document using word co-occurrence statistical information',
    where: 'International Journal on Artificial Intelligence Tools',
    volume: '13(1)',
    pages: '157–169',
  },
  phrases: {
    key: 'frantzi2000',
    type: 'article',
    authors: ['Frantzi, K.', 'Ananiadou, S.', 'Mima, H.'],
    year: 2000,
    title: 'Automatic recognition of multi-word terms: the C-value/NC-value method',
    where: 'International Journal on Digital Libraries',
    volume: '3(2)',
    pages: '115–130',
  },
  npmi: {
    key: 'bouma2009',
    type: 'inproceedings',
    authors: ['Bouma, G.'],
    year: 2009,
    title: 'Normalized (pointwise) mutual information in collocation extraction',
    where: 'Proceedings of GSCL 2009',
    pages: '31–40',
  },
  g2: {
    key: 'dunning1993',
    type: 'article',
    authors: ['Dunning, T.'],
    year: 1993,
    title: 'Accurate methods for the statistics of surprise and coincidence',
    where: 'Computational Linguistics',
    volume: '19(1)',
    pages: '61–74',
  },
  strata: {
    key: 'mantel1959',
    type: 'article',
    authors: ['Mantel, N.', 'Haenszel, W.'],
    year: 1959,
    title: 'Statistical aspects of the analysis of data from retrospective studies of disease',
    where: 'Journal of the National Cancer Institute',
    volume: '22(4)',
    pages: '719–748',
  },
  manyTests: {
    key: 'benjamini1995',
    type: 'article',
    authors: ['Benjamini, Y.', 'Hochberg, Y.'],
    year: 1995,
    title: 'Controlling the false discovery rate: a practical and powerful approach to multiple testing',
    where: 'Journal of the Royal Statistical Society B',
    volume: '57(1)',
    pages: '289–300',
  },
  leiden: {
    key: 'traag2019',
    type: 'article',
    authors: ['Traag, V. A.', 'Waltman, L.', 'van Eck, N. J.'],
    year: 2019,
    title: 'From Louvain to Leiden: guaranteeing well-connected communities',
    where: 'Scientific Reports',
    volume: '9',
    pages: '5233',
  },
  resolution: {
    key: 'reichardt2006',
    type: 'article',
    authors: ['Reichardt, J.', 'Bornholdt, S.'],
    year: 2006,
    title: 'Statistical mechanics of community detection',
    where: 'Physical Review E',
    volume: '74',
    pages: '016110',
  },
  steadiness: {
    key: 'hennig2007',
    type: 'article',
    authors: ['Hennig, C.'],
    year: 2007,
    title: 'Cluster-wise assessment of cluster stability',
    where: 'Computational Statistics & Data Analysis',
    volume: '52(1)',
    pages: '258–271',
  },
  halves: {
    key: 'shah2013',
    type: 'article',
    authors: ['Shah, R. D.', 'Samworth, R. J.'],
    year: 2013,
    title: 'Variable selection with error control: another look at stability selection',
    where: 'Journal of the Royal Statistical Society, Series B',
    volume: '75(1)',
    pages: '55–80',
  },
  place: {
    key: 'callon1991',
    type: 'article',
    authors: ['Callon, M.', 'Courtial, J. P.', 'Laville, F.'],
    year: 1991,
    title:
      'Co-word analysis as a tool for describing the network of interactions between basic and technological research',
    where: 'Scientometrics',
    volume: '22(1)',
    pages: '155–205',
  },
  stress: {
    key: 'gansner2004',
    type: 'inproceedings',
    authors: ['Gansner, E. R.', 'Koren, Y.', 'North, S.'],
    year: 2004,
    title: 'Graph drawing by stress majorization',
    where: 'Graph Drawing (GD 2004)',
    pages: '239–250',
  },
  parcels: {
    key: 'nocaj2012',
    type: 'article',
    authors: ['Nocaj, A.', 'Brandes, U.'],
    year: 2012,
    title: 'Computing Voronoi treemaps: faster, simpler, and resolution-independent',
    where: 'Computer Graphics Forum',
    volume: '31(3)',
    pages: '855–864',
  },
  interval: {
    key: 'wilson1927',
    type: 'article',
    authors: ['Wilson, E. B.'],
    year: 1927,
    title: 'Probable inference, the law of succession, and statistical inference',
    where: 'Journal of the American Statistical Association',
    volume: '22(158)',
    pages: '209–212',
  },
  apart: {
    key: 'monroe2008',
    type: 'article',
    authors: ['Monroe, B. L.', 'Colaresi, M. P.', 'Quinn, K. M.'],
    year: 2008,
    title:
      'Fightin’ words: lexical feature selection and evaluation for identifying the content of political conflict',
    where: 'Political Analysis',
    volume: '16(4)',
    pages: '372–403',
  },
  afinn: {
    key: 'nielsen2011',
    type: 'inproceedings',
    authors: ['Nielsen, F. Å.'],
    year: 2011,
    title: 'A new ANEW: evaluation of a word list for sentiment analysis in microblogs',
    where: 'Proceedings of the ESWC2011 Workshop on Making Sense of Microposts',
    pages: '93–98',
  },
  vader: {
    key: 'hutto2014',
    type: 'inproceedings',
    authors: ['Hutto, C. J.', 'Gilbert, E.'],
    year: 2014,
    title: 'VADER: a parsimonious rule-based model for sentiment analysis of social media text',
    where: 'Proceedings of ICWSM 2014',
    pages: '216–225',
  },
} as const satisfies Record<string, Reference>;

/** What beyond the settings a report shows, that has sources of its own. */
export interface ShownMeasures {
  readonly apart?: boolean;
  readonly tone?: boolean;
}

/** The sources of the measures that a study's figures were made by, by author. */
export function referencesOf(
  { settings: { concepts, links } }: Pick<StudyState, 'settings'>,
  { apart = false, tone = false }: ShownMeasures = {},
): Reference[] {
  const used: (Reference | false)[] = [
    ALL.dp,
    ALL.dpNorm,
    ALL.pull,
    concepts.phrases && ALL.phrases,
    // Coherence of themes and the choice of phrases go by it, whatever measure links have.
    ALL.npmi,
    links.measure === 'g2' && ALL.g2,
    ALL.strata,
    ALL.manyTests,
    ALL.leiden,
    ALL.resolution,
    ALL.steadiness,
    ALL.halves,
    ALL.place,
    ALL.stress,
    ALL.parcels,
    ALL.interval,
    apart && ALL.apart,
    tone && ALL.afinn,
    tone && ALL.vader,
  ];
  return used.filter((each) => each !== false).sort((a, b) => (a.key < b.key ? -1 : 1));
}

/** A source as it stands in a list. */
export function referenceText({ authors, year, title, where, volume, pages }: Reference): string {
  const place = [where, volume].filter((each) => each !== undefined).join(' ');
  return `${authors.join(', ')} (${year}). ${title}. ${place}${pages === undefined ? '' : `, ${pages}`}.`;
}

/** Characters that mean something in a .bib file, as they are written there. */
const inBib = (text: string): string => text.replace(/[&%$#_]/g, '\\$&').replaceAll('–', '--');

/** Sources as a BibTeX file. */
export function bibText(references: readonly Reference[]): string {
  const entries = references.map(({ key, type, authors, year, title, where, volume, pages }) => {
    const fields: (readonly [string, string | undefined])[] = [
      ['author', authors.join(' and ')],
      ['title', title],
      [type === 'article' ? 'journal' : type === 'inproceedings' ? 'booktitle' : 'publisher', where],
      ['year', String(year)],
      ['volume', volume],
      ['pages', pages],
    ];
    const lines = fields.flatMap(([name, value]) =>
      value === undefined ? [] : [`  ${name} = {${inBib(value)}}`],
    );
    return `@${type}{${key},\n${lines.join(',\n')}\n}\n`;
  });
  return entries.join('\n');
}
