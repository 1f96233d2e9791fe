import { expect } from 'chai';
import { WINDOW_UNITS } from '../../src/network/windows.ts';
import { methodSentences, sentenceText } from '../../src/words/sentences.ts';
import { shortAnswers } from '../../../bench/short-answers.ts';
import {
  kindOfCollection,
  leastMentions,
  sizeOfCollection,
  windowsInForce,
} from '../../src/study/in-force.ts';
import { exampleStudy } from '../examples.ts';

const lengths = (...list: readonly number[]) => list.map((length) => ({ length }));

describe('what a collection is', () => {
  it('is answers where they are many and short, else texts', () => {
    expect(kindOfCollection(lengths(...new Array<number>(72).fill(90)))).to.equal('answers');
    expect(kindOfCollection(lengths(...new Array<number>(36).fill(3500)))).to.equal('texts');
    // A few notes are no column of answers, nor is one where many are long.
    expect(kindOfCollection(lengths(...new Array<number>(7).fill(90)))).to.equal('texts');
    const mixed = Array.from({ length: 20 }, (_, i) => (i % 4 === 0 ? 5000 : 100));
    expect(kindOfCollection(lengths(...mixed))).to.equal('texts');
    expect(kindOfCollection([])).to.equal('texts');
  });

  it('gives the windows and the fewest mentions, until the researcher sets them', () => {
    const study = exampleStudy(shortAnswers(1, 40).texts.map((text, i) => ({ name: `${i}`, text })));
    expect(windowsInForce(study.state)).to.include({ unit: 'source' });
    expect(leastMentions(study.state)).to.equal(2);
    expect(sizeOfCollection(study.state)).to.include({ sources: 40 });
    study.decide({ kind: 'setWindows', change: { unit: 'sentences', size: 2 } });
    study.decide({ kind: 'setConcepts', change: { minimumMentions: 5 } });
    expect(windowsInForce(study.state)).to.include({ unit: 'sentences', size: 2 });
    expect(leastMentions(study.state)).to.equal(5);
    study.decide({ kind: 'setWindows', change: { unit: 'auto', size: 'auto' } });
    expect(windowsInForce(study.state)).to.include({ unit: 'source' });
    const texts = (times: number) => exampleStudy([{ name: 'a', text: 'The bus was late. '.repeat(times) }]);
    const little = texts(4000);
    expect(windowsInForce(little.state)).to.include({ unit: 'sentences', size: 5 });
    expect(sentenceText(methodSentences(little.state).links)).to.include(
      'a window of 5 sentences, as there is little text, interviewers’ words not counted, nor what many sources repeat, at least',
    );
    expect(leastMentions(little.state)).to.equal(4);
    const more = texts(6000);
    expect(windowsInForce(more.state)).to.include({ unit: 'sentences', size: 3 });
    more.decide({ kind: 'setWindows', change: { size: 5 } });
    expect(sentenceText(methodSentences(more.state).links)).to.include(
      'a window of 5 sentences, interviewers’ words not counted, nor what many sources repeat, at least',
    );
    more.decide({ kind: 'setWindows', change: { unit: 'words', size: 'auto' } });
    expect(windowsInForce(more.state)).to.include({ unit: 'words', size: WINDOW_UNITS.words.usualSize });
  });

  it('lets the themes of short answers be found', () => {
    const { texts, themesOf } = shortAnswers(2, 300);
    const study = exampleStudy(texts.map((text, i) => ({ name: `${i}`, text })));
    const { keys } = study.compute('concepts');
    const { themes } = study.compute('themes');
    expect(themes.length).to.be.within(5, 7);
    const own = themes.map(({ concepts }) => concepts.map((concept) => themesOf.get(keys[concept])?.[0]));
    const most = (list: readonly (number | undefined)[]): number =>
      Math.max(
        ...list.map((each) => (each === undefined ? 0 : list.filter((other) => other === each).length)),
      );
    const right = own.reduce((sum, list) => sum + most(list), 0);
    expect(right).to.be.above(30);
    expect(right / own.flat().length).to.be.above(0.9);
  });
});
