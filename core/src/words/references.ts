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

const article = (
  key: string,
  authors: readonly string[],
  year: number,
  title: string,
  where: string,
  volume: string,
  pages: string,
): Reference => ({ key, type: 'article', authors, year, title, where, volume, pages });
const proceedings = (
  key: string,
  authors: readonly string[],
  year: number,
  title: string,
  where: string,
  pages: string,
): Reference => ({ key, type: 'inproceedings', authors, year, title, where, pages });

const ALL = {
  dp: article(
    'gries2008',
    ['Gries, S. Th.'],
    2008,
    'Dispersions and adjusted frequencies in corpora',
    'International Journal of Corpus Linguistics',
    '13(4)',
    '403–437',
  ),
  dpNorm: article(
    'lijffijt2012',
    ['Lijffijt, J.', 'Gries, S. Th.'],
    2012,
    'Correction to “Dispersions and adjusted frequencies in corpora”',
    'International Journal of Corpus Linguistics',
    '17(1)',
    '147–149',
  ),
  pull: article(
    'matsuo2004',
    ['Matsuo, Y.', 'Ishizuka, M.'],
    2004,
    'Keyword extraction from a single document using word co-occurrence statistical information',
    'International Journal on Artificial Intelligence Tools',
    '13(1)',
    '157–169',
  ),
  phrases: article(
    'frantzi2000',
    ['Frantzi, K.', 'Ananiadou, S.', 'Mima, H.'],
    2000,
    'Automatic recognition of multi-word terms: the C-value/NC-value method',
    'International Journal on Digital Libraries',
    '3(2)',
    '115–130',
  ),
  npmi: proceedings(
    'bouma2009',
    ['Bouma, G.'],
    2009,
    'Normalized (pointwise) mutual information in collocation extraction',
    'Proceedings of GSCL 2009',
    '31–40',
  ),
  g2: article(
    'dunning1993',
    ['Dunning, T.'],
    1993,
    'Accurate methods for the statistics of surprise and coincidence',
    'Computational Linguistics',
    '19(1)',
    '61–74',
  ),
  strata: article(
    'mantel1959',
    ['Mantel, N.', 'Haenszel, W.'],
    1959,
    'Statistical aspects of the analysis of data from retrospective studies of disease',
    'Journal of the National Cancer Institute',
    '22(4)',
    '719–748',
  ),
  manyTests: article(
    'benjamini1995',
    ['Benjamini, Y.', 'Hochberg, Y.'],
    1995,
    'Controlling the false discovery rate: a practical and powerful approach to multiple testing',
    'Journal of the Royal Statistical Society B',
    '57(1)',
    '289–300',
  ),
  leiden: article(
    'traag2019',
    ['Traag, V. A.', 'Waltman, L.', 'van Eck, N. J.'],
    2019,
    'From Louvain to Leiden: guaranteeing well-connected communities',
    'Scientific Reports',
    '9',
    '5233',
  ),
  resolution: article(
    'reichardt2006',
    ['Reichardt, J.', 'Bornholdt, S.'],
    2006,
    'Statistical mechanics of community detection',
    'Physical Review E',
    '74',
    '016110',
  ),
  consensus: article(
    'lancichinetti2012',
    ['Lancichinetti, A.', 'Fortunato, S.'],
    2012,
    'Consensus clustering in complex networks',
    'Scientific Reports',
    '2',
    '336',
  ),
  steadiness: article(
    'hennig2007',
    ['Hennig, C.'],
    2007,
    'Cluster-wise assessment of cluster stability',
    'Computational Statistics & Data Analysis',
    '52(1)',
    '258–271',
  ),
  place: article(
    'callon1991',
    ['Callon, M.', 'Courtial, J. P.', 'Laville, F.'],
    1991,
    'Co-word analysis as a tool for describing the network of interactions between basic and technological research',
    'Scientometrics',
    '22(1)',
    '155–205',
  ),
  stress: proceedings(
    'gansner2004',
    ['Gansner, E. R.', 'Koren, Y.', 'North, S.'],
    2004,
    'Graph drawing by stress majorization',
    'Graph Drawing (GD 2004)',
    '239–250',
  ),
  parcels: article(
    'nocaj2012',
    ['Nocaj, A.', 'Brandes, U.'],
    2012,
    'Computing Voronoi treemaps: faster, simpler, and resolution-independent',
    'Computer Graphics Forum',
    '31(3)',
    '855–864',
  ),
  interval: article(
    'wilson1927',
    ['Wilson, E. B.'],
    1927,
    'Probable inference, the law of succession, and statistical inference',
    'Journal of the American Statistical Association',
    '22(158)',
    '209–212',
  ),
  apart: article(
    'monroe2008',
    ['Monroe, B. L.', 'Colaresi, M. P.', 'Quinn, K. M.'],
    2008,
    'Fightin’ words: lexical feature selection and evaluation for identifying the content of political conflict',
    'Political Analysis',
    '16(4)',
    '372–403',
  ),
  afinn: {
    key: 'nielsen2011',
    type: 'inproceedings',
    authors: ['Nielsen, F. Å.'],
    year: 2011,
    title: 'A new ANEW: evaluation of a word list for sentiment analysis in microblogs',
    where: 'Proceedings of the ESWC2011 Workshop on Making Sense of Microposts',
    pages: '93–98',
  },
  vader: proceedings(
    'hutto2014',
    ['Hutto, C. J.', 'Gilbert, E.'],
    2014,
    'VADER: a parsimonious rule-based model for sentiment analysis of social media text',
    'Proceedings of ICWSM 2014',
    '216–225',
  ),
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
    ALL.consensus,
    ALL.steadiness,
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
