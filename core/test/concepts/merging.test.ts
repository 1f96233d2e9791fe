import { expect } from 'chai';
import { isSlip, suggestMerges } from '../../src/concepts/suggestions.ts';
import { planSynonyms, readSynonyms, writeSynonyms } from '../../src/concepts/synonyms.ts';
import { asking, exampleStudy, type ExampleStudy } from '../examples.ts';

const TEXT =
  'The nightbus came. The nightbus left. A night bus is a bus at night. The night bus, the night bus again. The night-bus was late, the night-bus was full. ' +
  'The theatre was full, the theater was empty. A theatre and a theater. A neighbour came, a neighbor left. Waiting rooms are cold; the waiting was long. The shelter was new, the shelter was dry, the shelter, the shelter, the shelter was there. ' +
  'The shletter leaked; the sheltr leaked, the sheltr. The cost of living rose. The cost of living fell. We queue, we queued.';
const study = (): ExampleStudy => {
  const made = exampleStudy([{ name: 'a', text: TEXT }]);
  made.decide({
    kind: 'setConcepts',
    change: { minimumMentions: 1, minimumSources: 1, maximumSourceShare: 1 },
  });
  return made;
};
const mentionsOf = (made: ExampleStudy, key: string): number => {
  const { keys, mentions } = made.compute('candidates');
  return keys.includes(key) ? mentions[keys.indexOf(key)] : 0;
};

describe('suggested merges', () => {
  it('name synonyms by the lexicon, in words and in phrases, after spellings and never names', () => {
    const made = exampleStudy([
      {
        name: 'a',
        text: 'The shop was shut. A kid met a child at the store by the wide road. Mr Kid left.\n'.repeat(6),
      },
      {
        name: 'b',
        text: 'A wage rise, a pay rise. The theatre and the theater. The answer came, the reply did not.\n'.repeat(
          6,
        ),
      },
    ]);
    const suggest = (refused: readonly string[] = []) => asking(made)('suggestions', { refused }).suggestions;
    const pairs = suggest().map(({ into, key, reason }) => `${reason}: ${[into, key].sort().join(' ')}`);
    expect(pairs[0]).to.match(/^variety/);
    expect(pairs).to.include.members(['synonym: child kid', 'synonym: shop store', 'synonym: answer reply']);
    expect(pairs).to.include('synonym: pay rise wage rise');
    expect(pairs.some((pair) => /road|Mr|shut/.test(pair))).to.equal(false);
    expect(suggest(['child\tkid']).some(({ key, into }) => [key, into].includes('kid'))).to.equal(false);
  });

  it('name spellings, varieties of English and slips, and are not made unasked', () => {
    const made = study();
    const pairs = suggestMerges(made.compute('candidates'), new Set()).map(
      ({ into, key, reason }) => `${reason}: ${into} ← ${key}`,
    );
    expect(pairs.some((pair) => /variety: theat(?:re|er) ← theat(?:re|er)/.test(pair))).to.equal(true);
    expect(pairs).to.include('slip: shelter ← sheltr');
    // Hyphens and spaces make one concept by themselves; accents are a question.
    expect(pairs.some((pair) => pair.startsWith('spelling: night'))).to.equal(false);
    expect(mentionsOf(made, 'night bus')).to.be.above(mentionsOf(made, 'nightbus'));
  });

  it('are gone once refused or accepted', () => {
    const made = study();
    made.decide({ kind: 'refuseMerge', keys: ['night bus', 'nightbus'] });
    made.decide({ kind: 'mergeConcepts', into: 'night bus', keys: ['night-bus'] });
    const pairs = suggestMerges(made.compute('candidates'), new Set(made.state.refusedMerges));
    expect(pairs.filter(({ reason }) => reason === 'spelling')).to.deep.equal([]);
    expect(mentionsOf(made, 'night bus')).to.equal(5);
  });

  it('know a slip of one letter from another word', () => {
    for (const [a, b] of [
      ['shelter', 'sheltr'],
      ['shelter', 'shelterr'],
      ['shelter', 'shalter'],
      ['shelter', 'shletter'.replace('tt', 't')],
    ]) {
      expect(isSlip(a, b), `${a} ${b}`).to.equal(true);
    }
    for (const [a, b] of [
      ['shelter', 'shelter'],
      ['shelter', 'shlter2x'],
      ['shelter', 'helt'],
    ])
      expect(isSlip(a, b)).to.equal(false);
  });
});

describe('a list of synonyms', () => {
  it('is read line by line and written again', () => {
    const lines = readSynonyms('night bus, nightbus, night-bus\n\n# a remark\n bench ,seat,, seat\nlonely\n');
    expect(lines).to.deep.equal([
      { line: 1, main: 'night bus', variants: ['nightbus', 'night-bus'] },
      { line: 4, main: 'bench', variants: ['seat'] },
      { line: 5, main: 'lonely', variants: [] },
    ]);
    expect(writeSynonyms({ nightbus: 'night bus', seat: 'bench', 'night-bus': 'night bus' })).to.equal(
      'bench, seat\nnight bus, night-bus, nightbus\n',
    );
  });

  const plan = (made: ExampleStudy, text: string) =>
    planSynonyms(
      readSynonyms(text),
      made.compute('tokens'),
      made.compute('terms'),
      made.compute('candidates'),
    );

  it('merges words, phrases and wildcards, whatever their form, and says what is nowhere', () => {
    const made = study();
    const report = plan(
      made,
      'night bus, nightbus, night-bus\nwait, waited, zebra\nnothing, nowhere\nshelter, shel*',
    );
    expect(report.groups).to.deep.equal([
      { into: 'night bus', keys: ['nightbus', 'night-bus'] },
      { into: 'shelter', keys: ['sheltr'] },
    ]);
    expect(report.absent.map(({ word }) => word)).to.include.members(['zebra', 'nothing', 'nowhere']);
    expect(report.idleLines).to.include(3);
    made.decide({ kind: 'mergeMany', groups: report.groups });
    expect(mentionsOf(made, 'night bus')).to.equal(7);
    expect(mentionsOf(made, 'shelter')).to.equal(7);
  });

  it('takes doubles and circles in its stride', () => {
    const made = study();
    const report = plan(made, 'theatre, theater\ntheater, theatre\nshelter, theater');
    expect(report.groups).to.deep.equal([{ into: 'theatre', keys: ['theater'] }]);
    expect(report.doubled.map(({ line }) => line)).to.deep.equal([2, 3]);
    made.decide({ kind: 'mergeMany', groups: report.groups });
    expect(mentionsOf(made, 'theatre')).to.equal(4);
  });

  it('makes a concept of phrases and stop words that were no candidates', () => {
    const made = study();
    expect(mentionsOf(made, 'cost of living')).to.equal(0);
    made.decide({ kind: 'mergeMany', groups: [{ into: 'money', keys: ['cost of living', 'we'] }] });
    made.decide({ kind: 'keepConcepts', keys: ['money'] });
    expect(mentionsOf(made, 'money')).to.equal(4);
    expect(made.compute('concepts').keys).to.include('money');
  });

  it('of everything into one concept is undone by taking it back', () => {
    const made = study();
    const before = made.state;
    const { keys } = made.compute('candidates');
    made.decide({ kind: 'mergeMany', groups: [{ into: keys[0], keys }] });
    expect(made.compute('candidates').keys).to.deep.equal([keys[0]]);
    expect(made.compute('themes').themes).to.deep.equal([]);
    made.state = before;
    expect(made.compute('candidates').keys).to.deep.equal(keys);
  });
});

describe('much at once', () => {
  const words = (count: number): string[] =>
    Array.from({ length: count }, (_, i) => `made${i.toString(36)}up`);

  it('is a stop list of a hundred thousand words, in force and taken back', () => {
    const made = study();
    const before = made.compute('concepts').keys;
    made.decide({ kind: 'addStopWords', words: [...words(100_000), 'shelter'] });
    expect(made.compute('concepts').keys).not.to.include('shelter');
    made.decide({ kind: 'removeStopWords', words: [...made.state.stopWords] });
    expect(made.state.stopWords).to.deep.equal([]);
    expect(made.compute('concepts').keys).to.deep.equal(before);
  });

  it('is a concept of a thousand variants, which is split again', () => {
    const variants = words(1000);
    const made = exampleStudy([{ name: 'a', text: `${variants.join('. The ')}. The hub and the hub.` }]);
    made.decide({
      kind: 'setConcepts',
      change: { minimumMentions: 1, minimumSources: 1, maximumSourceShare: 1 },
    });
    made.decide({ kind: 'mergeConcepts', into: 'hub', keys: variants });
    expect(mentionsOf(made, 'hub')).to.equal(1002);
    const { keys, variants: of } = made.compute('candidates');
    expect(of[keys.indexOf('hub')]).to.have.length(1001);
    made.decide({ kind: 'splitConcept', key: 'hub' });
    expect(mentionsOf(made, 'hub')).to.equal(2);
  });

  it('is split one variant at a time', () => {
    const made = study();
    made.decide({ kind: 'mergeConcepts', into: 'night bus', keys: ['nightbus', 'night-bus'] });
    const whole = mentionsOf(made, 'night bus');
    const alone = 2;
    made.decide({ kind: 'splitConcept', key: 'nightbus' });
    expect(made.state.merges).to.deep.equal({ 'night-bus': 'night bus' });
    expect(mentionsOf(made, 'nightbus')).to.equal(alone);
    expect(mentionsOf(made, 'night bus')).to.equal(whole - alone);
    made.decide({ kind: 'splitConcept', key: 'night bus' });
    expect(made.state.merges).to.deep.equal({});
  });

  it('is dropping everything: nothing is left, and it all comes back', () => {
    const made = study();
    const keys = [...made.compute('candidates').keys];
    made.decide({ kind: 'dropConcepts', keys });
    expect(made.compute('concepts').keys).to.deep.equal([]);
    expect(made.compute('themes').themes).to.deep.equal([]);
    expect(made.compute('map').parcels).to.deep.equal([]);
    made.decide({ kind: 'leaveConcepts', keys });
    expect(made.compute('concepts').keys).not.to.deep.equal([]);
  });
});
