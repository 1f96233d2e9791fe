import { expect } from 'chai';
import fc from 'fast-check';
import { finish } from '../../src/base/stepwise.ts';
import { decide, type Decision } from '../../src/study/decisions.ts';
import { Engine } from '../../src/engine/engine.ts';
import { makeSource } from '../../src/intake/intake.ts';
import { EMPTY_STUDY, type StudyState } from '../../src/study/study.ts';
import { NOUN, OTHER_PART, VERB } from '../../src/text/lexicon.ts';
import { partsOfTypes } from '../../src/text/parts-of-speech.ts';
import { SentenceTags, type SourceTags } from '../../src/text/sentence-tags.ts';
import { englishLexicon, englishTagger, taggedSources, tokensOf } from '../examples.ts';

/** A tagger that writes down what it is asked. */
function watchedTags(): { tags: SentenceTags; asked: string[] } {
  const asked: string[] = [];
  const tags = new SentenceTags(englishLexicon, () => (text) => {
    asked.push(text);
    return englishTagger()(text);
  });
  return { tags, asked };
}

const TEXTS = [
  'The fare is high. We wait at the stop. A light wait is fine, she said.',
  'They fare badly. The run was long and we run late. I light a fire.',
  'A school run is a run. The fare of the night. Which light? The stop light.',
  'We stop here. The stop is cold. Zorgles wait in the light.',
];

describe('the parts of speech of sentences', () => {
  it('are shown for the words the lexicon knows as several parts, or not at all, in their order', () => {
    const { tags } = watchedTags();
    const [source] = taggedSources(['The driver stops. Drivers run for their fare!']);
    const shown: [string, number][] = [];
    tags.visit(source, 18, 45, (word, part) => shown.push([word, part]));
    expect(shown).to.deep.equal([
      ['run', VERB],
      ['for', OTHER_PART],
      ['their', OTHER_PART],
      ['fare', NOUN],
    ]);
  });

  it('are found once, and are told with their source to be kept', () => {
    const { tags, asked } = watchedTags();
    const [source] = taggedSources(['Drivers run']);
    for (let i = 0; i < 3; i++) tags.visit(source, 0, 11, () => undefined);
    expect(asked).to.deep.equal(['Drivers run']);
    expect(tags.takeFresh()).to.deep.equal([[source.textHash, new Map([[0, 'run1']])]]);
    expect(tags.takeFresh()).to.deep.equal([]);
  });

  it('that were kept are not asked for again', () => {
    const first = watchedTags();
    const tokens = tokensOf(TEXTS[0]);
    const parts = finish(partsOfTypes(tokens, taggedSources(TEXTS), englishLexicon(), first.tags));
    expect(first.asked).to.not.be.empty;
    const later = watchedTags();
    later.tags.give(first.tags.takeFresh());
    expect(finish(partsOfTypes(tokens, taggedSources(TEXTS), englishLexicon(), later.tags))).to.deep.equal(
      parts,
    );
    expect(later.asked).to.deep.equal([]);
    expect(later.tags.takeFresh()).to.deep.equal([]);
  });

  it('of a sentence without an open word are kept too', () => {
    const { tags, asked } = watchedTags();
    const [source] = taggedSources(['Two drivers.']);
    for (let i = 0; i < 2; i++) tags.visit(source, 0, 12, () => expect.fail('no word is open'));
    expect(asked).to.have.length(1);
    const rows: [string, SourceTags][] = tags.takeFresh();
    expect([...rows[0][1]]).to.deep.equal([[0, '']]);
  });
});

describe('parts of speech over the life of a study', () => {
  const sources = TEXTS.map((text, i) => makeSource(`${i}.txt`, text));
  const texts = new Map(sources.map((source, i) => [source.id, TEXTS[i]]));
  const original = (id: string): string => texts.get(id) ?? '';
  const partsWith = (tags: SentenceTags, state: StudyState): Record<string, number> => {
    const engine = new Engine({ original, lexicon: englishLexicon, tags });
    const input = { state, register: [] };
    const { forms } = finish(engine.compute('tokens', input));
    const { part } = finish(engine.compute('parts', input));
    return Object.fromEntries(forms.map((form, type) => [form, part[type]]));
  };

  it('ask only for sentences of the source that came in', () => {
    const { tags, asked } = watchedTags();
    const before = decide(EMPTY_STUDY, { kind: 'addSources', sources: sources.slice(0, 3) });
    partsWith(tags, before);
    asked.length = 0;
    partsWith(tags, decide(before, { kind: 'addSources', sources: [sources[3]] }));
    expect(asked).to.not.be.empty;
    for (const sentence of asked) expect(TEXTS[3]).to.include(sentence);
  });

  it('ask for nothing when a cleaning step is switched', () => {
    const { tags, asked } = watchedTags();
    const before = decide(EMPTY_STUDY, { kind: 'addSources', sources });
    partsWith(tags, before);
    asked.length = 0;
    const { steps } = before.settings.cleaning;
    const { cleaning } = before.settings;
    const without = { ...cleaning, steps: steps.map((step) => ({ ...step, on: false })) };
    partsWith(tags, { ...before, settings: { ...before.settings, cleaning: without } });
    expect(asked).to.deep.equal([]);
  });

  it('are the same whatever was in the study before', () => {
    fc.assert(
      fc.property(
        fc.array(fc.subarray(sources, { minLength: 1 }), { minLength: 1, maxLength: 4 }),
        (history) => {
          const { tags } = watchedTags();
          for (const present of history) {
            const add: Decision = { kind: 'addSources', sources: present };
            const state = decide(EMPTY_STUDY, add);
            expect(partsWith(tags, state)).to.deep.equal(partsWith(watchedTags().tags, state));
          }
        },
      ),
      { numRuns: 30 },
    );
  });
});
