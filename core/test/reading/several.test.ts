import { workingSources } from '../../src/study/subset.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import { readDocx } from '../../src/formats/read/docx.ts';
import { nearHits } from '../../src/reading/near.ts';
import { readCsv } from '../../src/formats/csv.ts';
import type { Block } from '../../src/formats/write/document.ts';
import { writeDocx } from '../../src/formats/write/docx-write.ts';
import { makeSource } from '../../src/intake/sources.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';
import { readForSelections, sourcesWithin } from '../../src/views/reading/resolve-selection.ts';
import { asking, exampleStudy, tokensOf } from '../examples.ts';
import { sentenceOfTokens } from '../../src/text/tokens.ts';

describe('concepts near each other', () => {
  it('are found by the shortest runs, as brute force finds them', () => {
    const list = fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 40 });
    fc.assert(
      fc.property(list, fc.integer({ min: 0, max: 6 }), (words, most) => {
        const tokens = tokensOf(words.map((word) => `w${word}x`).join(' '));
        const sentenceOf = sentenceOfTokens(tokens);
        const at = [...words.keys()].filter((t) => words[t] < 3);
        const found = nearHits(
          tokens,
          sentenceOf,
          {
            occurrence: Int32Array.from(at, (t) => words[t]),
            occurrenceFirst: Int32Array.from(at),
            occurrenceEnd: Int32Array.from(at, (t) => t + 1),
          },
          new Set([0, 1]),
          most,
        );
        const expected: [number, number][] = [];
        for (let from = 0; from < words.length;) {
          let end = -1;
          if (words[from] < 2) {
            for (let to = from; to < words.length && end < 0; to++) {
              const run = words.slice(from, to + 1);
              const others = run.filter((word) => word > 1).length;
              if (run.includes(0) && run.includes(1) && words[to] < 2 && others <= most) end = to + 1;
            }
          }
          if (end > 0) expected.push([from, end]);
          from = end > 0 ? end : from + 1;
        }
        expect(Array.from(found.first, (first, i) => [first, found.end[i]])).to.deep.equal(expected);
      }),
    );
  });
});

describe('passages of several concepts', () => {
  const study = exampleStudy([
    {
      name: 'a.txt',
      text: 'The bus was in the rain. The fare was paid.\n\nRain again. A bus.',
      attributes: { role: 'driver' },
    },
    {
      name: 'b.txt',
      text: 'No bus came. The rain fell on the fare, =SUM(1) & <b>.',
      attributes: { role: 'nurse' },
    },
    {
      name: 'c.txt',
      text: 'Rain, rain and rain again; the bus and the fare.',
      attributes: { role: 'nurse' },
    },
  ]);
  study.decide({
    kind: 'setConcepts',
    change: { minimumMentions: 2, minimumSources: 1, maximumSourceShare: 1 },
  });
  study.decide({ kind: 'setWindows', change: { unit: 'sentences', size: 1 } });
  const ask = asking(study);
  const several = (how: 'all' | 'any' | 'near') => ({ kind: 'several', keys: ['bus', 'rain'], how }) as const;

  it('are windows with all or any of them, or places where all are near', () => {
    expect(ask('passages', { selection: several('all'), limit: 9 })).to.include({
      windows: 2,
      title: 'bus and rain',
    });
    expect(ask('passages', { selection: several('any'), limit: 9 })).to.include({ windows: 6, mentions: 10 });
    expect(ask('passages', { selection: several('near'), limit: 9 })).to.include({
      unit: 'place',
      title: 'bus near rain',
    });
  });

  it('say which concept must be kept first', () => {
    // Of candidates that are not kept the places are read all the same.
    study.decide({ kind: 'dropConcepts', keys: ['fare'] });
    const keys = ['bus', 'fare'];
    const either = ask('passages', { selection: { kind: 'several', keys, how: 'any' }, limit: 9 });
    expect(either).to.include({ unit: 'place', windows: 7 });
    const near = ask('passages', { selection: { kind: 'several', keys, how: 'near' }, limit: 9 });
    expect(near.windows).to.be.within(1, 3);
    expect(ask('passages', { selection: { kind: 'several', keys, how: 'all' }, limit: 9 }).fault).to.match(
      /fare/,
    );
    study.decide({ kind: 'leaveConcepts', keys: ['fare'] });
    const { fault, windows } = ask('passages', {
      selection: { kind: 'several', keys: ['bus', 'tram'], how: 'all' },
      limit: 9,
    });
    expect(windows).to.equal(0);
    expect(fault).to.match(/tram is no kept concept/);
  });

  it('are asked of a group or of one source, and the counts follow', () => {
    const selection = { kind: 'concept', key: 'rain' } as const;
    const all = ask('passages', { selection, limit: 9 });
    const nurses = ask('passages', {
      selection,
      limit: 9,
      within: { groups: [{ attribute: 'role', value: 'nurse' }] },
    });
    const one = ask('passages', { selection, limit: 9, within: { sourceId: study.state.sources[2].id } });
    expect([all.windows, nurses.windows, one.windows]).to.deep.equal([4, 2, 1]);
    expect([all.mentions, nurses.mentions, one.mentions]).to.deep.equal([6, 4, 3]);
    expect(nurses.perSource[0]).to.equal(0);
  });

  it('are asked of sources in any of the groups of each attribute', () => {
    const value = fc.constantFrom('a', 'b', 'c', '');
    const source = fc
      .record({ role: value, wave: value })
      .map((attributes) => makeSource('s', 't', attributes));
    const group = fc.record({ attribute: fc.constantFrom('role', 'wave'), value });
    fc.assert(
      fc.property(fc.array(source), fc.array(group, { minLength: 1, maxLength: 4 }), (sources, groups) => {
        const chosen = (attribute: string): string[] =>
          groups.filter((each) => each.attribute === attribute).map((each) => each.value);
        const [roles, waves] = [chosen('role'), chosen('wave')];
        const state = { ...EMPTY_STUDY, sources };
        const expected = workingSources(state).flatMap(({ attributes }, i) => {
          const inRole = roles.length === 0 || roles.includes(attributes.role);
          const inWave = waves.length === 0 || waves.includes(attributes.wave);
          return inRole && inWave ? [i] : [];
        });
        expect([...sourcesWithin(readForSelections(state, [], { groups }), { groups })]).to.deep.equal(
          expected,
        );
      }),
    );
  });

  it('are ranked where asked', () => {
    const rows = ask('passages', { selection: several('any'), limit: 9, order: 'marks' }).rows;
    expect(new Set(rows[0].marks.map((mark) => mark.key)).size).to.equal(2);
  });

  it('are saved as a table that no spreadsheet runs, and as a document', () => {
    const selection = { kind: 'concept', key: 'fare' } as const;
    const { bytes } = ask('passagesFile', { selection, as: 'csv' });
    const table = readCsv(strFromU8(bytes));
    expect(table.header).to.deep.equal([
      'source',
      'role',
      'paragraph',
      'windows',
      'start',
      'end',
      'marked',
      'passage',
    ]);
    expect(table.rows).to.have.length(3);
    expect(table.rows[1][0]).to.equal('b.txt');
    const file = ask('passagesFile', { selection, as: 'docx' }).bytes;
    const xml = strFromU8(unzipSync(file)['word/document.xml']);
    expect(xml).to.contain('<w:rPr><w:b/></w:rPr><w:t xml:space="preserve">fare</w:t>');
    expect(xml).to.contain('=SUM(1) &amp; &lt;b&gt;');
  });

  it('in a cell of the matrix are as many mentions as the cell says', () => {
    const { keys, sourceIds, values } = ask('matrix', { figure: 'mentions' });
    let cells = 0;
    keys.forEach((key, c) =>
      sourceIds.forEach((sourceId, s) => {
        const value = values[s * keys.length + c];
        if (value === 0) return;
        cells++;
        const { mentions } = ask('passages', {
          selection: { kind: 'concept', key },
          limit: 1,
          within: { sourceId },
        });
        expect(mentions, `${key} in ${sourceId}`).to.equal(value);
      }),
    );
    expect(cells).to.be.above(6);
    const shares = ask('matrix', { figure: 'windowShare' }).values;
    expect(Math.max(...shares)).to.be.at.most(1);
    // Every source has the bus, so it sets none apart.
    const weights = ask('matrix', { figure: 'tfIdf' });
    expect(weights.values[weights.keys.indexOf('bus')]).to.equal(0);
    const table = readCsv(strFromU8(ask('matrixFile', { figure: 'mentions' }).bytes));
    expect(table.header).to.deep.equal(['source', 'role', ...keys]);
    expect(table.rows.map((row) => row.slice(2).map(Number))).to.deep.equal(
      sourceIds.map((_, s) => Array.from(values.slice(s * keys.length, (s + 1) * keys.length))),
    );
  });

  it('of a pair are as many places as the pair was counted', () => {
    const more = exampleStudy([
      {
        name: 'a',
        text: 'Night bus here. The night bus, a Night Bus! Night bus stop; bus stop. A bus stop.',
      },
    ]);
    const askMore = asking(more);
    const { pairs } = askMore('pairs', { limit: 10 });
    expect(pairs.length).to.be.above(1);
    for (const { first, second, count } of pairs) {
      const selection = { kind: 'search', query: `"${first} ${second}"` } as const;
      expect(askMore('passages', { selection, limit: 1 }).windows).to.equal(count);
    }
  });

  it('have counts by source and by group that add up', () => {
    const bySource = ask('plainCounts', { attribute: null });
    const byRole = ask('plainCounts', { attribute: 'role' });
    expect(bySource.rows.map((row) => row.name)).to.deep.equal(['a.txt', 'b.txt', 'c.txt']);
    expect(byRole.rows.map((row) => [row.name, row.sources])).to.deep.equal([
      ['driver', 1],
      ['nurse', 2],
    ]);
    for (const { rows, all } of [bySource, byRole]) {
      expect(rows.reduce((sum, row) => sum + row.words, 0)).to.equal(all.words);
    }
  });

  it('of a group are told by what it mentions more', () => {
    const { of } = ask('distinct', { group: { attribute: 'role', value: 'nurse' } });
    expect(of.rain).to.include({ here: 4, elsewhere: 2 });
    expect(of.bus.here + of.bus.elsewhere).to.equal(4);
    // Set against another group, the sources of neither are left out.
    const other = ask('distinct', {
      group: { attribute: 'role', value: 'nurse' },
      against: { attribute: 'role', value: 'pilot' },
    }).of;
    expect(other.rain).to.include({ here: 4, elsewhere: 0, z: 0 });
  });
});

describe('a written document', () => {
  it('is read back as it was, whatever is in it, and is the same bytes each time', async () => {
    // Control characters and halves of pairs have no place in XML; all else has.
    const text = fc
      .string({ unit: 'grapheme', minLength: 1, maxLength: 40 })
      .filter((each) => each.trim() === each && !/\s/.test(each));
    await fc.assert(
      fc.asyncProperty(fc.array(text, { minLength: 1, maxLength: 4 }), async (texts) => {
        const blocks = texts.map((each): Block => ({
          kind: 'paragraph',
          runs: [{ text: 'x ' }, { text: each, bold: true }],
        }));
        const bytes = writeDocx(blocks);
        expect(writeDocx(blocks)).to.deep.equal(bytes);
        const read = await readDocx('p.docx', bytes);
        if (read.kind !== 'texts') throw new Error(`It was read as ${read.kind}`);
        for (const each of texts) expect(read.texts[0].text).to.contain(`x ${each}`);
      }),
      { numRuns: 30 },
    );
  });

  it('drops what XML can’t hold', async () => {
    const read = await readDocx(
      'p.docx',
      writeDocx([{ kind: 'paragraph', runs: [{ text: 'a\u0000b\ud800c\nd' }] }]),
    );
    if (read.kind !== 'texts') throw new Error(`It was read as ${read.kind}`);
    expect(read.texts[0].text).to.contain('ab\ufffdc').and.to.contain('d');
  });
});
