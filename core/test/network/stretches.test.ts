import { isInterviewer } from '../../src/text/speakers.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { countedSentences, fewestToSpeak, layStretches, spokenIn } from '../../src/network/stretches.ts';
import { tokensOf } from '../examples.ts';

const settings = (words: number, interviewers = false, roles: Readonly<Record<string, string>> = {}) => ({
  words,
  interviewers,
  roles,
});
const sentence = (words: number): string =>
  `${Array.from({ length: words }, (_, i) => `${i === 0 ? 'W' : 'w'}ord${'abcdefghij'[i % 10]}`).join(' ')}.`;

describe('stretches', () => {
  it('are the same however the paragraphs of a text are broken', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 2, max: 40 }), fc.boolean()), { minLength: 1, maxLength: 60 }),
        fc.integer({ min: 5, max: 80 }),
        (made, words) => {
          const joined = made.map(([length]) => sentence(length));
          const whole = layStretches(tokensOf(joined.join(' ')), settings(words));
          const broken = joined.map((each, i) => (made[i][1] ? `${each}\n\n` : `${each} `)).join('');
          const parted = layStretches(tokensOf(broken.trim()), settings(words));
          expect(Array.from(parted.first)).to.deep.equal(Array.from(whole.first));
          expect(Array.from(parted.end)).to.deep.equal(Array.from(whole.end));
        },
      ),
    );
  });

  it('cover every word once and are of about equal length', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 40 }), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.integer({ min: 5, max: 80 }),
        (sources, words) => {
          const tokens = tokensOf(...sources.map((lengths) => lengths.map(sentence).join(' ')));
          const { count, first, end, source } = layStretches(tokens, settings(words));
          for (let w = 0; w < count; w++) {
            const isNew = w === 0 || source[w] !== source[w - 1];
            const begins = isNew ? tokens.sentenceFirst[tokens.sourceFirst[source[w]]] : end[w - 1];
            expect(first[w]).to.equal(begins);
            const isLast = w === count - 1 || source[w + 1] !== source[w];
            if (isLast) expect(end[w]).to.equal(tokens.sentenceFirst[tokens.sourceFirst[source[w] + 1]]);
            const length = end[w] - first[w];
            if (!(isNew && isLast)) expect(length).to.be.within(0.3 * words - 1, 2.3 * words + 1);
          }
        },
      ),
    );
  });

  it('end with a sentence where one ends near, and within one where none does', () => {
    const near = layStretches(tokensOf(`${sentence(22)} ${sentence(18)} ${sentence(20)}`), settings(20));
    expect(Array.from(near.end)).to.deep.equal([22, 40, 60]);
    const endless = layStretches(tokensOf(sentence(100)), settings(20));
    expect(Array.from(endless.end)).to.deep.equal([20, 40, 60, 80, 100]);
  });

  it('leave out what interviewers say, by label or by the role they were given', () => {
    const text = [
      'Interviewer: The kettle and the barrel?',
      'Nurse: The barrel in the rain.',
      'Interviewer: And the kettle?',
      'Nurse: The kettle in the barrel.',
    ].join('\n\n');
    const tokens = tokensOf(text);
    const held = (chosen: ReturnType<typeof settings>): string[] => {
      const stretches = layStretches(tokens, chosen);
      const keys = ['kettle', 'barrel', 'rain'];
      const at = Array.from(tokens.type.keys()).filter((t) => keys.includes(tokens.forms[tokens.type[t]]));
      const { windowFirst, inWindow } = spokenIn(
        {
          keys,
          occurrence: Int32Array.from(at, (t) => keys.indexOf(tokens.forms[tokens.type[t]])),
          occurrenceFirst: Int32Array.from(at),
          occurrenceEnd: Int32Array.from(at, (t) => t + 1),
        },
        stretches,
        tokens,
        chosen,
      );
      return Array.from({ length: stretches.count }, (_, w) =>
        Array.from(inWindow.subarray(windowFirst[w], windowFirst[w + 1]), (i) => keys[i]).join(' '),
      );
    };
    expect(held(settings(5))).to.deep.equal(['barrel rain', 'kettle barrel']);
    expect(held(settings(10))).to.deep.equal(['barrel rain kettle']);
    expect(held(settings(20, true))).to.deep.equal(['kettle barrel rain']);
    expect(held(settings(5, false, { Nurse: 'Interviewer', Interviewer: 'respondent' }))).to.deep.equal([
      'kettle barrel',
      'kettle',
    ]);
    expect(Array.from(countedSentences(tokens, settings(5)))).to.deep.equal([0, 1, 0, 1]);
  });

  it('of nobody but interviewers are none', () => {
    const tokens = tokensOf('Q: Where to?\n\nQ: And back?');
    expect(layStretches(tokens, settings(10)).count).to.equal(0);
    expect(layStretches(tokensOf(''), settings(10)).count).to.equal(0);
    expect(isInterviewer('Q', {})).to.equal(true);
    expect(isInterviewer('constructor', {})).to.equal(false);
  });

  it('speak to a theme with two of its concepts, or one where they are about a sentence', () => {
    expect([5, 19, 20, 50].map(fewestToSpeak)).to.deep.equal([1, 1, 2, 2]);
  });
});
