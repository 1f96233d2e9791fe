import { expect } from 'chai';
import { spreadOfCandidates, type Candidates } from '../../src/concepts/candidates.ts';
import { companyContexts, companyOfCandidates, pullOfCandidates } from '../../src/concepts/pull.ts';
import { scoreOf, selectConcepts } from '../../src/concepts/selection.ts';
import { functionWordsOf, stopLayers, stopWordsInForce } from '../../src/concepts/stop-words.ts';
import { seededRandom } from '../../src/numeric/random.ts';
import { exampleStudy, tokensOf } from '../examples.ts';

describe('spread', () => {
  it('is 1 − DPnorm, by hand', () => {
    // Sources of 4, 4 and 2 words; the word stands 2, 1, 0 times: s = .4 .4 .2, v = ⅔ ⅓ 0.
    const tokens = tokensOf('Rain rain one two.', 'Rain one two three.', 'One two.');
    const occurrence: number[] = [];
    const first: number[] = [];
    tokens.type.forEach((type, t) => {
      if (tokens.forms[type] === 'rain') {
        occurrence.push(0);
        first.push(t);
      }
    });
    const { sources, spread } = spreadOfCandidates(
      tokens,
      Int32Array.from(occurrence),
      Int32Array.from(first),
      Int32Array.of(3),
    );
    const dp = (Math.abs(0.4 - 2 / 3) + Math.abs(0.4 - 1 / 3) + 0.2) / 2;
    expect(sources[0]).to.equal(2);
    expect(spread[0]).to.be.closeTo(1 - dp / (1 - 0.2), 1e-12);
  });
});

describe('pull', () => {
  it('is high for a word that keeps to its company and nothing for one that is everywhere', () => {
    const random = seededRandom(11);
    const groups = [
      ['rain', 'wind', 'shelter', 'bench'],
      ['fare', 'wage', 'rent', 'ticket'],
      ['sleep', 'noise', 'engine', 'bed'],
    ];
    const pick = (from: readonly string[]): string => from[Math.floor(random() * from.length)];
    const sentences = Array.from({ length: 900 }, () => {
      const group = pick(groups.map((_, i) => String(i)));
      const own = groups[Number(group)];
      return `The ${pick(own)} ${pick(own)} ${random() < 0.5 ? 'filler' : ''} ${pick(own)}.`;
    });
    const tokens = tokensOf(sentences.map((s) => `${s}\n\n`).join(''));
    const names = [...groups.flat(), 'filler'];
    const counts = names.map((name) => tokens.mentionsOf[tokens.forms.indexOf(name)]);
    const order = names.map((_, i) => i).sort((a, b) => counts[b] - counts[a]);
    const occurrence: number[] = [];
    const first: number[] = [];
    tokens.type.forEach((type, t) => {
      const name = names.indexOf(tokens.forms[type]);
      if (name >= 0) {
        occurrence.push(order.indexOf(name));
        first.push(t);
      }
    });
    const mentions = Int32Array.from(order, (i) => counts[i]);
    const blocks = companyContexts(tokens);
    const company = companyOfCandidates(
      blocks,
      Int32Array.from(occurrence),
      Int32Array.from(first),
      mentions,
    );
    const pull = pullOfCandidates(company, names.length);
    const filler = pull[order.indexOf(names.indexOf('filler'))];
    const keys = groups.flat().map((name) => pull[order.indexOf(names.indexOf(name))]);
    expect(filler).to.be.below(0.02);
    expect(Math.min(...keys)).to.be.above(0.3);
  });
});

describe('candidates', () => {
  const text = (extra: string): string =>
    `The night bus was late. The night buses were cold. A night bus came. Drivers waited, and the driver was waiting. ${extra}`;
  const study = () =>
    exampleStudy([
      { name: 'a.txt', text: text('The shelter leaks. The shelter is small.') },
      { name: 'b.txt', text: text('A shelter would help. Fares rose; the fare is high.') },
    ]);

  it('bring forms to their lemma, and phrases together', () => {
    const { keys, mentions, part } = study().compute('candidates');
    const of = (key: string): number => mentions[keys.indexOf(key)];
    expect(of('night bus')).to.equal(6);
    expect(part[keys.indexOf('night bus')]).to.equal('phrase');
    expect(keys).not.to.include('bus');
    expect(of('driver')).to.equal(4);
    expect(of('shelter')).to.equal(3);
    expect(of('fare')).to.equal(2);
  });

  it('are called as they are most often written, where they are phrases', () => {
    const text =
      'The sinking fund was low. They paid the sinking fund. A sinking fund is cold. The night buses came. We saw the night buses. A night bus came. Rain fell on the night buses.';
    const study = exampleStudy([{ name: 'a', text }]);
    study.decide({
      kind: 'setConcepts',
      change: { minimumMentions: 2, minimumSources: 1, phraseMentions: 2 },
    });
    const { keys, written } = study.compute('candidates');
    const calledOf = (key: string): string => written[keys.indexOf(key)];
    expect(calledOf('sinking fund')).to.equal('sinking fund');
    expect(calledOf('night bus')).to.equal('night buses');
    const rows = study.compute('conceptRows');
    expect(rows.find(({ key }) => key === 'night bus')?.label).to.equal('night buses');
  });

  it('leave out stop words, the study’s own too, also inside phrases', () => {
    const example = study();
    example.decide({ kind: 'addStopWords', words: ['Night'] });
    const { keys } = example.compute('candidates');
    expect(keys).not.to.include('night bus');
    expect(keys).to.include('bus');
    expect(keys).not.to.include('the');
  });

  it('merge variants and say what they are made of; splitting undoes it', () => {
    const example = study();
    example.decide({ kind: 'mergeConcepts', into: 'fare', keys: ['shelter'] });
    const merged = example.compute('candidates');
    const fare = merged.keys.indexOf('fare');
    expect(merged.mentions[fare]).to.equal(5);
    expect(merged.variants[fare].map(({ key, mentions }) => [key, mentions])).to.deep.equal([
      ['fare', 2],
      ['shelter', 3],
    ]);
    expect(merged.keys).not.to.include('shelter');
    example.decide({ kind: 'splitConcept', key: 'fare' });
    expect(example.compute('candidates').keys).to.include('shelter');
  });

  it('are called as they are written, where nobody writes their dictionary form', () => {
    const study = exampleStudy([
      {
        name: 'a.txt',
        text: "The data wait. Data's wages wait. The criteria and the wages wait. The children wait.\n".repeat(
          3,
        ),
      },
      { name: 'b.txt', text: 'A child waits with the data. The criteria of the data wait.\n'.repeat(3) },
    ]);
    const { keys, written } = study.compute('candidates');
    const calledOf = (key: string): string | undefined => written[keys.indexOf(key)];
    expect(calledOf('datum')).to.equal('data');
    expect(calledOf('criterion')).to.equal('criteria');
    // A regular plural is told from its word, and a form that is written somewhere stays.
    expect(calledOf('wage')).to.equal('wage');
    expect(calledOf('child')).to.equal('child');
  });

  it('are words as written where lemmas are off, and verbs where these are on', () => {
    const example = study();
    example.decide({ kind: 'setConcepts', change: { unit: 'form', phrases: false } });
    expect(example.compute('candidates').keys).to.include.members(['buses', 'bus', 'drivers']);
    example.decide({ kind: 'setConcepts', change: { unit: 'lemma', verbs: true } });
    expect(example.compute('candidates').keys).to.include('wait');
  });

  it('count every token once', () => {
    const candidates = study().compute('candidates');
    for (let i = 1; i < candidates.occurrence.length; i++) {
      expect(candidates.occurrenceFirst[i]).to.be.at.least(candidates.occurrenceEnd[i - 1]);
    }
  });
});

const TEN = { sources: 10, characters: 10_000 };

describe('the words of a phrase', () => {
  const TEXTS = Array.from({ length: 4 }, (_, s) => ({
    name: `${s}`,
    text: Array.from(
      { length: 9 },
      (__, i) =>
        `The ticket office was shut again. A ticket is dear. The office of the manager was ${i % 2 ? 'cold' : 'warm'}.`,
    ).join('\n\n'),
  }));
  const mentionsOf = (study: ReturnType<typeof exampleStudy>): Record<string, number> => {
    const { keys, mentions } = study.compute('concepts');
    return Object.fromEntries(keys.map((key, i) => [key, mentions[i]]));
  };

  it('are its own while it is a concept, and go back to it where it is none', () => {
    const study = exampleStudy(TEXTS);
    study.decide({ kind: 'keepConcepts', keys: ['ticket office', 'ticket', 'office'] });
    expect(mentionsOf(study)).to.include({ 'ticket office': 36, ticket: 36, office: 36 });
    study.decide({ kind: 'dropConcepts', keys: ['ticket office'] });
    expect(mentionsOf(study)).to.include({ ticket: 72, office: 72 });
    const { keys, sources, occurrence, occurrenceFirst, occurrenceEnd } = study.compute('concepts');
    expect(sources[keys.indexOf('ticket')]).to.equal(4);
    const tokens = study.compute('tokens');
    occurrence.forEach((concept, i) => {
      expect(occurrenceEnd[i]).to.equal(occurrenceFirst[i] + 1);
      expect(tokens.forms[tokens.type[occurrenceFirst[i]]]).to.equal(keys[concept]);
      if (i > 0) expect(occurrenceFirst[i]).to.be.above(occurrenceFirst[i - 1]);
    });
    const rows = study.compute('conceptRows');
    expect(rows.find(({ key }) => key === 'ticket')).to.include({ mentions: 72, sources: 4 });
  });

  it('are nobody’s where they are no concepts themselves', () => {
    const study = exampleStudy(TEXTS);
    study.decide({ kind: 'keepConcepts', keys: ['ticket office', 'office'] });
    study.decide({ kind: 'dropConcepts', keys: ['ticket office', 'ticket'] });
    expect(mentionsOf(study)).to.include({ office: 72 }).and.not.to.have.property('ticket');
  });
});

describe('selection', () => {
  const counts = [100, 2, 90, 25, 16];
  // Each candidate’s mentions in a row, the last candidate first.
  const occurrence = Int32Array.from(
    counts.flatMap((count, i) => new Array<number>(count).fill(i)).reverse(),
  );
  const candidates: Candidates = {
    keys: ['often', 'rare', 'everywhere', 'good', 'fine'],
    written: ['often', 'rare', 'everywhere', 'good', 'fine'],
    part: ['noun', 'noun', 'noun', 'noun', 'noun'],
    mentions: Int32Array.from(counts),
    sources: Int32Array.of(1, 2, 10, 5, 5),
    persons: Int32Array.of(1, 2, 10, 5, 5),
    effectiveSources: Float64Array.from(counts),
    spread: new Float64Array(5),
    pull: Float64Array.of(0.5, 0.9, 0.5, 0.2, 0.2),
    variants: [[], [], [], [], []],
    shorter: [[], [], [], [], []],
    words: [[], [], [], [], []],
    sourceStart: Int32Array.of(0),
    occurrence,
    occurrenceFirst: occurrence.map((_, i) => i),
    occurrenceEnd: occurrence.map((_, i) => i + 1),
  };
  const settings = {
    size: 10,
    minimumMentions: 4,
    minimumSources: 2,
    maximumSourceShare: 0.95,
    minimumLetters: 2,
    minimumPull: 0,
    kept: [],
    dropped: [],
  };

  it('ranks by how surely a word is selective, × √(effective sources × mentions), by hand', () => {
    // 0.06² is half of 0.06² + 0.06²; √(9 × 16) = 12. At 0.18 it is nine tenths.
    const of = (pull: number): number =>
      scoreOf(
        {
          ...candidates,
          pull: Float64Array.of(pull),
          effectiveSources: Float64Array.of(9),
          mentions: Int32Array.of(16),
        },
        0,
      );
    expect(of(0.06)).to.be.closeTo(6, 1e-9);
    expect(of(0.18)).to.be.closeTo(10.8, 1e-9);
    expect(of(0)).to.equal(0);
  });

  it('keeps what passes the limits, by score', () => {
    expect(selectConcepts(candidates, TEN, settings).keys).to.deep.equal(['good', 'fine']);
    expect(selectConcepts(candidates, TEN, { ...settings, size: 1 }).keys).to.deep.equal(['good']);
  });

  it('keeps out what is too short or pulls too little', () => {
    expect(selectConcepts(candidates, TEN, { ...settings, minimumLetters: 5 }).keys).to.deep.equal([]);
    expect(selectConcepts(candidates, TEN, { ...settings, minimumPull: 0.21 }).keys).to.deep.equal([]);
    expect(
      selectConcepts(candidates, TEN, { ...settings, minimumPull: 0.21, kept: ['good'] }).keys,
    ).to.deep.equal(['good']);
  });

  it('obeys the researcher before its own limits', () => {
    const chosen = selectConcepts(candidates, TEN, {
      ...settings,
      size: 1,
      kept: ['rare'],
      dropped: ['good'],
    });
    expect(chosen.keys).to.deep.equal(['rare']);
    expect(selectConcepts(candidates, TEN, { ...settings, dropped: ['good', 'fine'] }).keys).to.deep.equal(
      [],
    );
  });

  it('puts no limit on sources where there is one', () => {
    expect(selectConcepts(candidates, { ...TEN, sources: 1 }, settings).keys).to.include('often');
  });

  it('renumbers occurrences', () => {
    const chosen = selectConcepts(candidates, TEN, settings);
    const [fine, good] = [new Array<number>(16).fill(1), new Array<number>(25).fill(0)];
    expect(Array.from(chosen.occurrence)).to.deep.equal([...fine, ...good]);
    expect([...chosen.occurrenceFirst]).to.deep.equal(Array.from({ length: 41 }, (_, i) => i));
    expect([...chosen.occurrenceEnd]).to.deep.equal(Array.from({ length: 41 }, (_, i) => i + 1));
  });
});

describe('stop words', () => {
  it('are layers under the study’s own', () => {
    const words = stopWordsInForce({ language: 'en', own: ['Bus', 'driver’s'] });
    expect(words.get('the')).to.equal('everywhere');
    expect(words.get('day')).to.equal('alone');
    expect(words.get('bus')).to.equal('everywhere');
    expect(words.get("driver's")).to.equal('everywhere');
    expect(stopWordsInForce({ language: undefined, own: [] }).size).to.equal(0);
    // Old texts have function words of their own.
    expect(functionWordsOf('en')).to.include.keys('thou', 'hath', 'whilst');
    expect(stopLayers('en').map((layer) => layer.name)).to.include('function words');
  });
});
