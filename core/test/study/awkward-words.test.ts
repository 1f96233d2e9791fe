import { expect } from 'chai';
import { readRecipe, writeRecipe } from '../../src/study-files/recipe-file.ts';
import { readStudyFile, writeStudyFile } from '../../src/study-files/study-file.ts';
import { hashValue } from '../../src/base/hash.ts';
import { decide, type Decision } from '../../src/study/decisions.ts';
import { foldDecisions } from '../../src/study/record.ts';
import { describeSources } from '../../src/intake/describing-table.ts';
import { makeSource } from '../../src/intake/sources.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { attributeNames, groupsOf } from '../../src/study/groups.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';
import { workingSources } from '../../src/study/subset.ts';
import { asking, exampleStudy } from '../examples.ts';
import { recordOf } from './every-decision.ts';

/** Ordinary words, or ones that can be typed, which every plain object answers to. */
const AWKWARD = ['constructor', '__proto__', 'toString', 'hasOwnProperty', 'valueOf'];

describe('words that every object answers to', () => {
  const text = `${AWKWARD.map((word) => `The ${word} and the ${word} met a bus. A ${word} waits.`).join(' ')}\n`;
  const texts = [1, 2, 3, 4].map((n) => text.repeat(n));

  for (const word of AWKWARD) {
    it(`are concepts like any other: ${word}`, () => {
      const made = exampleStudy(
        texts.map((each, i) => ({ name: `${i}.txt`, text: each, attributes: { [word]: word } })),
      );
      made.decide({
        kind: 'setConcepts',
        change: { verbs: true, adjectives: true, unit: 'form', numbers: true },
      });
      const ask = asking(made);
      const { rows } = ask('concepts', null);
      // Underscores at its ends are no part of a word.
      const row = rows.find(({ key }) => key === word.toLowerCase().replace(/^_+|_+$/g, ''));
      expect(row?.label, 'it is listed under its own name').to.equal(row?.key);
      const asked = row?.key ?? '';
      made.decide({ kind: 'keepConcepts', keys: [asked, word] });
      for (const selection of [
        { kind: 'concept', key: asked },
        { kind: 'search', query: word },
        { kind: 'theme', letter: word },
        { kind: 'several', keys: [asked, 'bus'], how: 'any' },
        { kind: 'cell', letter: word, attribute: word, group: word },
      ] as const) {
        expect(ask('passages', { selection, limit: 5 }).title)
          .to.be.a('string')
          .and.not.equal('');
        ask('dispersion', { selections: [selection] } as never);
      }
      expect(
        ask('passages', { selection: { kind: 'search', query: word }, limit: 5 }).windows,
      ).to.be.greaterThan(0);
      expect(ask('compare', { rows: { kind: 'themes' } }).attribute).to.equal(word);
      expect(ask('map', null).keys).to.include(asked);
      expect(ask('wordKinds', null).rows.length).to.be.greaterThan(0);
    });

    it(`name attributes, values, subsets, themes, merges and labels: ${word}`, () => {
      const sources = texts.map((each, i) => makeSource(`${word}${i}.txt`, each, { [word]: word }));
      const decisions: Decision[] = [
        { kind: 'addSources', sources, types: { [word]: 'text' } },
        { kind: 'setValues', values: { [word]: { [sources[0].id]: 'x' }, other: { [sources[1].id]: word } } },
        { kind: 'setAttributeType', attribute: word, type: 'number' },
        { kind: 'setAttribute', ids: [sources[2].id], attribute: word, value: 'y' },
        { kind: 'renameAttribute', attribute: 'other', name: 'others' },
        { kind: 'keepSubset', name: word, subset: [{ kind: 'values', attribute: word, values: [word] }] },
        { kind: 'setSpeakers', change: { roles: { [word]: word }, leftOut: [word] } },
        { kind: 'mergeConcepts', into: 'bus', keys: [word] },
        { kind: 'mergeConcepts', into: word, keys: ['rain', 'bus'] },
        { kind: 'renameConcept', key: word, label: 'L' },
        { kind: 'renameTheme', letter: 'A', name: word },
        { kind: 'setWordKind', words: [word], as: 'name' },
      ];
      const log = recordOf(decisions);
      const state = foldDecisions(log);
      expect(attributeNames(state.sources)).to.include(word);
      expect(groupsOf(state, word).names).to.include.members(['x', 'y', word]);
      expect(Object.entries(state.subsets).map(([name]) => name)).to.deep.equal([word]);
      expect(new Map(Object.entries(state.merges))).to.deep.equal(
        new Map([
          ['rain', word],
          ['bus', word],
        ]),
      );
      expect(new Map(Object.entries(state.conceptLabels)).get(word)).to.equal('L');
      expect(new Map(Object.entries(state.wordKinds)).get(word)).to.equal('name');
      const inSubset = {
        ...state.settings,
        sources: { ...state.settings.sources, subset: Object.values(state.subsets)[0] },
      };
      expect(workingSources({ ...state, settings: inSubset })).to.have.length(2);

      const originals = new Map(sources.map((source, i) => [source.id, texts[i]]));
      const opened = readStudyFile(writeStudyFile({ log, register: [], originals }));
      expect(opened.leftOut).to.deep.equal([]);
      expect(hashValue(foldDecisions(opened.log))).to.equal(hashValue(state));
      expect(Object.entries(readRecipe(writeRecipe(recipeOf(state))).conceptLabels)).to.deep.equal([
        [word, 'L'],
      ]);

      // And each is undone by its opposite.
      const after = [
        { kind: 'removeAttribute', attribute: word },
        { kind: 'forgetSubset', name: word },
        { kind: 'splitConcept', key: word },
        { kind: 'renameConcept', key: word, label: '' },
        { kind: 'setWordKind', words: [word], as: null },
      ] as const;
      const bare = after.reduce<typeof state>(decide, state);
      expect(attributeNames(bare.sources)).to.deep.equal(['others']);
      for (const record of [bare.subsets, bare.merges, bare.conceptLabels, bare.wordKinds]) {
        expect(Object.keys(record)).to.deep.equal([]);
      }
    });
  }

  it('head the columns of a table that describes sources', () => {
    const source = makeSource('a.txt', 'One.');
    const { values, types } = describeSources(
      {
        name: 't',
        rows: [
          ['file', ...AWKWARD],
          ['a.txt', ...AWKWARD.map((_, i) => `v${i}`)],
        ],
      },
      0,
      [source],
    );
    expect(Object.entries(values).map(([name, own]) => [name, Object.values(own)[0]])).to.deep.equal(
      AWKWARD.map((word, i) => [word, `v${i}`]),
    );
    expect(Object.keys(types)).to.deep.equal(AWKWARD);
    const told = decide({ ...EMPTY_STUDY, sources: [source] }, { kind: 'setValues', values });
    expect(attributeNames(told.sources)).to.deep.equal(AWKWARD);
  });

  it('are checked in a file like all others, whatever stands under them', () => {
    const source = makeSource('a.txt', 'One.');
    const broken = JSON.parse(`{"${source.id}": {"__proto__": 7}}`) as never;
    const log = recordOf([
      { kind: 'addSources', sources: [source] },
      { kind: 'setValues', values: broken },
    ]);
    const opened = readStudyFile(
      writeStudyFile({ log, register: [], originals: new Map([[source.id, 'One.']]) }),
    );
    expect(opened.leftOut.join()).to.match(/Decision 2 is damaged/);
  });
});
