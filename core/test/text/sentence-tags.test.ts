import { expect } from 'chai';
import fc from 'fast-check';
import { finish } from '../../src/base/stepwise.ts';
import { decide, type Decision } from '../../src/study/decisions.ts';
import { Engine } from '../../src/engine/engine.ts';
import { makeSource } from '../../src/intake/sources.ts';
import { EMPTY_STUDY, type StudyState } from '../../src/study/study.ts';
import { NOUN, OTHER_PART, VERB } from '../../src/languages/en/lexicon.ts';
import { partsOfTypes, type PartsOfTypes } from '../../src/text/words/parts-of-speech.ts';
import { SentenceTags, sentenceTagger, type SourceTags } from '../../src/text/words/sentence-tags.ts';
import { inParts } from '../../src/engine/jobs.ts';
import {
  englishLexicon,
  englishLibrary,
  englishTagger,
  taggedSources,
  taggingBy,
  tokensOf,
} from '../examples.ts';

/** Tags with a tagger that writes down what it is asked. */
function watchedTags(): { tags: SentenceTags; tag: (sentence: string) => string; asked: string[] } {
  const asked: string[] = [];
  const tag = sentenceTagger(englishLexicon, () => (text) => {
    asked.push(text);
    return englishTagger()(text);
  });
  return { tags: new SentenceTags(), tag, asked };
}

const TEXTS = [
  'The fare is high. We wait at the stop. A light wait is fine, she said.',
  'They fare badly. The run was long and we run late. I light a fire.',
  'A school run is a run. The fare of the night. Which light? The stop light.',
  'We stop here. The stop is cold. Zorgles wait in the light.',
];

describe('the parts of speech of sentences', () => {
  it('are shown for the words the lexicon knows as several parts, or not at all, in their order', () => {
    const { tags, tag } = watchedTags();
    tags.put('text', 18, tag('Drivers run for their fare!'));
    const shown: [string, number][] = [];
    tags.visit('text', 18, (word, part) => shown.push([word, part]));
    expect(shown).to.deep.equal([
      ['run', VERB],
      ['for', OTHER_PART],
      ['their', OTHER_PART],
      ['fare', NOUN],
    ]);
    tags.visit('text', 0, () => expect.fail('nothing was tagged there'));
    tags.visit('other', 18, () => expect.fail('nor of that text'));
  });

  it('are told with their source to be kept, once', () => {
    const { tags, tag } = watchedTags();
    tags.put('text', 0, tag('Drivers run'));
    expect([tags.has('text', 0), tags.has('text', 1), tags.has('other', 0)]).to.deep.equal([
      true,
      false,
      false,
    ]);
    expect(tags.takeFresh()).to.deep.equal([['text', new Map([[0, 'run1']])]]);
    expect(tags.takeFresh()).to.deep.equal([]);
  });

  it('that were kept are not asked for again', () => {
    const first = watchedTags();
    const tokens = tokensOf(TEXTS[0]);
    const partsWith = ({ tags, tag }: ReturnType<typeof watchedTags>): PartsOfTypes => {
      const tagSentences = inParts('tag', { language: 'en' }, taggingBy(tag));
      return finish(partsOfTypes(tokens, taggedSources(TEXTS), englishLexicon(), tags, tagSentences));
    };
    const parts = partsWith(first);
    expect(first.asked).to.not.be.empty;
    const later = watchedTags();
    later.tags.give(first.tags.takeFresh());
    expect(partsWith(later)).to.deep.equal(parts);
    expect(later.asked).to.deep.equal([]);
    expect(later.tags.takeFresh()).to.deep.equal([]);
  });

  it('of a sentence without an open word are kept too', () => {
    const { tags, tag } = watchedTags();
    tags.put('text', 0, tag('Two drivers.'));
    tags.visit('text', 0, () => expect.fail('no word is open'));
    expect(tags.has('text', 0)).to.equal(true);
    const rows: [string, SourceTags][] = tags.takeFresh();
    expect([...rows[0][1]]).to.deep.equal([[0, '']]);
  });
});

describe('parts of speech over the life of a study', () => {
  const sources = TEXTS.map((text, i) => makeSource(`${i}.txt`, text));
  const texts = new Map(sources.map((source, i) => [source.id, TEXTS[i]]));
  const original = (id: string): string => texts.get(id) ?? '';
  const partsWith = (
    { tags, tag }: ReturnType<typeof watchedTags>,
    state: StudyState,
  ): Record<string, number> => {
    const engine = new Engine({ ...englishLibrary(original), tags, ...taggingBy(tag) });
    const input = { state, register: [] };
    const { forms } = finish(engine.compute('tokens', input));
    const { part } = finish(engine.compute('parts', input));
    return Object.fromEntries(forms.map((form, type) => [form, part[type]]));
  };

  it('ask only for sentences of the source that came in', () => {
    const watched = watchedTags();
    const { asked } = watched;
    const before = decide(EMPTY_STUDY, { kind: 'addSources', sources: sources.slice(0, 3) });
    partsWith(watched, before);
    asked.length = 0;
    partsWith(watched, decide(before, { kind: 'addSources', sources: [sources[3]] }));
    expect(asked).to.not.be.empty;
    for (const sentence of asked) expect(TEXTS[3]).to.include(sentence);
  });

  it('ask for nothing when a cleaning step is switched', () => {
    const watched = watchedTags();
    const { asked } = watched;
    const before = decide(EMPTY_STUDY, { kind: 'addSources', sources });
    partsWith(watched, before);
    asked.length = 0;
    const { steps } = before.settings.cleaning;
    const { cleaning } = before.settings;
    const without = { ...cleaning, steps: steps.map((step) => ({ ...step, on: false })) };
    partsWith(watched, { ...before, settings: { ...before.settings, cleaning: without } });
    expect(asked).to.deep.equal([]);
  });

  it('are the same whatever was in the study before', () => {
    fc.assert(
      fc.property(
        fc.array(fc.subarray(sources, { minLength: 1 }), { minLength: 1, maxLength: 4 }),
        (history) => {
          const watched = watchedTags();
          for (const present of history) {
            const add: Decision = { kind: 'addSources', sources: present };
            const state = decide(EMPTY_STUDY, add);
            expect(partsWith(watched, state)).to.deep.equal(partsWith(watchedTags(), state));
          }
        },
      ),
      { numRuns: 30 },
    );
  });
});
