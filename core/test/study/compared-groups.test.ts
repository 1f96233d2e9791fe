import { inShownOrder, shownRanks } from '../../src/study/subset.ts';
import { expect } from 'chai';
import { makeSource } from '../../src/intake/sources.ts';
import { decide, type Decision } from '../../src/study/decisions.ts';
import { comparedGroups, crossedAttribute, groupsOf, subsetNumbers } from '../../src/study/groups.ts';
import { EMPTY_STUDY, type StudyState } from '../../src/study/study.ts';
import { methodSentences, sentenceText } from '../../src/words/sentences.ts';
import { asking, exampleStudy } from '../examples.ts';

const ROLES = ['driver', 'depot', 'resident', 'resident', ''];
const begun = (): StudyState =>
  decide(EMPTY_STUDY, {
    kind: 'addSources',
    sources: ROLES.map((role, i) =>
      makeSource(`s${i}`, `text ${i}`, { role, wave: i % 2 === 0 ? 'before' : 'after' }),
    ),
  });
const after = (...decisions: readonly Decision[]): StudyState => decisions.reduce(decide, begun());
const named = (state: StudyState): Record<string, number[]> => {
  const { names, groupOf } = comparedGroups(state);
  return Object.fromEntries(
    names.map((name, g) => [
      name,
      inShownOrder(shownRanks(state)).flatMap((s, i) => (groupOf[s] === g ? [i] : [])),
    ]),
  );
};
const join: Decision = { kind: 'joinGroups', attribute: 'role', values: ['driver', 'depot'], name: 'staff' };

describe('groups that are compared', () => {
  it('are joined, joined on and parted again', () => {
    expect(named(after(join))).to.deep.equal({ resident: [2, 3], staff: [0, 1] });
    const wider: Decision = {
      kind: 'joinGroups',
      attribute: 'role',
      values: ['staff', 'resident'],
      name: 'all',
    };
    expect(named(after(join, wider))).to.deep.equal({ all: [0, 1, 2, 3] });
    expect(named(after(join, { kind: 'partGroup', attribute: 'role', name: 'staff' }))).to.deep.equal(
      named(begun()),
    );
    // The whole study goes by them: what is asked of a group is asked of all that are in it.
    expect(groupsOf(after(join), 'role').names).to.deep.equal(['resident', 'staff']);
  });

  it('are left out and put in order', () => {
    const without: Decision = { kind: 'leaveOutGroups', attribute: 'role', values: ['depot'] };
    const state = after(without, { kind: 'orderGroups', attribute: 'role', values: ['resident', 'driver'] });
    expect(comparedGroups(state).names).to.deep.equal(['resident', 'driver']);
    expect(comparedGroups(state).leftOut).to.deep.equal([{ attribute: 'role', value: 'depot' }]);
    expect(sentenceText(methodSentences(state).compare)).to.include('by role without depot');
    const joined = after(without, join);
    expect(comparedGroups(joined).leftOut, 'what is joined is compared').to.deep.equal([]);
  });

  it('are crossed with a second attribute, and only those that somebody is in', () => {
    const state = after({ kind: 'setCompare', change: { attribute: 'role', across: 'wave' } });
    expect(named(state)).to.deep.equal({
      'depot × after': [1],
      'driver × before': [0],
      'resident × after': [3],
      'resident × before': [2],
    });
    expect(comparedGroups(state).within[0]).to.deep.equal({
      groups: [
        { attribute: 'role', value: 'depot' },
        { attribute: 'wave', value: 'after' },
      ],
    });
    const same = after({ kind: 'setCompare', change: { attribute: 'role', across: 'role' } });
    expect(crossedAttribute(same)).to.equal(undefined);
    const gone = after({ kind: 'setCompare', change: { attribute: 'role', across: 'nothing' } });
    expect(crossedAttribute(gone)).to.equal(undefined);
  });

  it('are of what several sources share, before a running number that stands first', () => {
    const state = decide(EMPTY_STUDY, {
      kind: 'addSources',
      sources: Array.from({ length: 30 }, (_, i) =>
        makeSource(`s${i}`, `text ${i}`, { number: `${i + 1}`, role: i % 3 ? 'driver' : 'resident' }),
      ),
    });
    const asNumber = decide(state, { kind: 'setAttributeType', attribute: 'number', type: 'number' });
    expect(comparedGroups(asNumber).names).to.have.members(['driver', 'resident']);
    const chosen = decide(asNumber, { kind: 'setCompare', change: { attribute: 'number' } });
    expect(comparedGroups(chosen).names.length).to.be.within(3, 12);
  });

  it('are single sources, or kept subsets of which the first counts', () => {
    const single = after({ kind: 'setCompare', change: { columns: 'sources' } });
    const sources = comparedGroups(single);
    // Of one source nothing can be said of how sources differ, and nothing is regrouped.
    expect(sentenceText(methodSentences(single).compare)).to.match(
      /as one source can’t say how sources differ/,
    );
    expect(sentenceText(methodSentences(single).compare)).to.not.include('regroupings');
    expect([sources.names, inShownOrder(shownRanks(single)).map((s) => sources.groupOf[s])]).to.deep.equal([
      ['s0', 's1', 's2', 's3', 's4'],
      [0, 1, 2, 3, 4],
    ]);
    const state = after(
      {
        kind: 'keepSubset',
        name: 'early',
        subset: [{ kind: 'values', attribute: 'wave', values: ['before'] }],
      },
      {
        kind: 'keepSubset',
        name: 'residents',
        subset: [{ kind: 'values', attribute: 'role', values: ['resident'] }],
      },
      { kind: 'setCompare', change: { columns: 'subsets' } },
    );
    expect(named(state)).to.deep.equal({ early: [0, 2, 4], residents: [3] });
    expect(subsetNumbers(state, 'residents').map((number) => shownRanks(state)[number])).to.deep.equal([3]);
    expect(subsetNumbers(state, 'gone')).to.deep.equal([]);
  });

  it('are none where there is no attribute, and a value may be called anything', () => {
    expect(comparedGroups(EMPTY_STUDY)).to.deep.equal({ names: [], groupOf: [], within: [], leftOut: [] });
    const odd = after({
      kind: 'joinGroups',
      attribute: 'role',
      values: ['driver', 'depot'],
      name: '__proto__',
    });
    expect(comparedGroups(odd).names).to.have.members(['__proto__', 'resident']);
  });
});

const TALK = [
  'The rain came and the shelter leaked. I love the shelter, but the rain and the bench are awful.',
  'The fare rose and the wage did not. The fare is a good fare, the wage is a bad wage.',
];
const study = () => {
  const made = exampleStudy(
    Array.from({ length: 8 }, (_, i) => ({
      name: `s${i}`,
      text: Array<string>(3)
        .fill(`${TALK[i % 2]} ${TALK[(i >> 1) % 2]}`)
        .join('\n\n'),
      attributes: { role: i % 2 ? 'driver' : 'resident', day: `2031-0${1 + (i % 3)}-1${i}` },
    })),
  );
  made.decide({ kind: 'setConcepts', change: { minimumMentions: 2 } });
  made.decide({ kind: 'setWindows', change: { size: 3, repeated: true } });
  made.decide({ kind: 'setThemes', change: { runs: 3 } });
  made.decide({ kind: 'setCompare', change: { attribute: 'role' } });
  return made;
};

describe('every mark of a comparison', () => {
  it('has as many stretches as the Reader counts behind it, whatever the rows and columns', () => {
    const made = study();
    const ask = asking(made);
    for (const change of [{}, { across: 'day' }, { columns: 'sources' as const }]) {
      made.decide({ kind: 'setCompare', change });
      for (const rows of [{ kind: 'themes' }, { kind: 'concepts', letter: '' }, { kind: 'links' }] as const) {
        const view = ask('compare', { rows });
        expect(view.rows.length, rows.kind).to.be.greaterThan(0);
        view.rows.forEach(({ letter, keys }, r) => {
          const selection = { kind: 'stretches', letter: keys.length > 0 ? '' : letter, keys } as const;
          view.comparison.groups.forEach(({ strengths }, g) => {
            const read = ask('passages', { selection, within: view.within[g], limit: 5 });
            expect(read.windows, `${rows.kind} ${r} ${g}`).to.equal(strengths[r].speaking);
          });
        });
      }
    }
  });

  it('counts the mentions that the Reader counts where strength is of mentions', () => {
    const made = study();
    made.decide({ kind: 'setCompare', change: { measure: 'mentions' } });
    const ask = asking(made);
    const { rows, comparison, within } = ask('compare', { rows: { kind: 'themes' } });
    rows.forEach(({ letter }, r) => {
      comparison.groups.forEach(({ strengths }, g) => {
        const read = ask('passages', { selection: { kind: 'theme', letter }, within: within[g], limit: 5 });
        expect(read.mentions).to.equal(strengths[r].speaking);
      });
    });
  });

  it('over time, in tenths and by tone opens what it counts', () => {
    const made = study();
    const ask = asking(made);
    const time = ask('overTime', {
      rows: { kind: 'themes' },
      dates: 'day',
      span: '',
      period: 'month',
      byGroup: true,
    });
    expect(time.periods).to.deep.equal(['2031-01', '2031-02', '2031-03']);
    const [{ letter }] = time.rows;
    time.courses.forEach(({ periods }, g) =>
      periods.forEach(({ strengths, windows }, p) => {
        const within = {
          ...time.within[g],
          when: { dates: 'day', period: 'month', value: time.periods[p] },
        } as const;
        const read = ask('passages', {
          selection: { kind: 'theme', letter },
          within: within as never,
          limit: 5,
        });
        expect(read.windows).to.equal(windows === 0 ? 0 : strengths[0].speaking);
      }),
    );
    const inside = ask('overTime', {
      rows: { kind: 'themes' },
      dates: 'day',
      span: '2031-02',
      period: null,
      byGroup: false,
    });
    expect([inside.period, inside.periods[0], inside.periods.at(-1)]).to.deep.equal([
      'day',
      '2031-02-11',
      '2031-02-17',
    ]);

    const course = ask('course', { rows: { kind: 'themes' } });
    course.tenths.forEach((groups, tenth) =>
      groups.forEach(({ strengths }, g) => {
        const selection = { kind: 'stretches', letter, keys: [], tenth } as const;
        expect(ask('passages', { selection, within: course.within[g], limit: 5 }).windows).to.equal(
          strengths[0].speaking,
        );
      }),
    );

    const tone = ask('tone', { list: 'AFINN' });
    expect(tone.aspects).to.deep.equal(['positive', 'negative']);
    expect(tone.lists.map(({ name }) => name)).to.deep.equal(['AFINN', 'VADER']);
    tone.themes.forEach(({ letter: of, comparison }) =>
      comparison.groups.forEach(({ strengths }, g) =>
        tone.aspects.forEach((aspect, a) => {
          const selection = {
            kind: 'stretches',
            letter: of,
            keys: [],
            tone: { list: 'AFINN', aspect },
          } as const;
          const read = ask('passages', { selection, within: tone.within[g], limit: 5 });
          expect(read.windows).to.equal(strengths[a].speaking);
          const { words } = ask('toneWords', {
            list: 'AFINN',
            aspect,
            letter: of,
            within: tone.within[g],
            limit: 9,
          });
          if (read.windows > 0) expect(words.length, `${of} ${aspect}`).to.be.greaterThan(0);
          for (const row of read.rows) expect(row.marks.length).to.be.greaterThan(0);
        }),
      ),
    );
  });

  it('of what sets a group apart is the log-odds of its own words and of links', () => {
    const ask = asking(study());
    const { rows, sources } = ask('apart', {
      group: 'driver',
      against: null,
      of: 'concepts',
      letter: '',
      limit: 10,
    });
    expect(sources).to.deep.equal([4, 4]);
    expect(rows[0].label).to.be.oneOf(['fare', 'wage']);
    for (const { logOdds, low, high, here, there } of rows) {
      expect(logOdds).to.be.within(low, high);
      expect(here + there).to.be.greaterThan(0);
    }
    expect(rows.map(({ z }) => z)).to.deep.equal(rows.map(({ z }) => z).sort((a, b) => b - a));
    const links = ask('apart', { group: 'driver', against: 'resident', of: 'links', letter: '', limit: 3 });
    expect(links.rows.some(({ keys }) => keys.length === 2)).to.equal(true);
  });

  it('typical passages are of the theme and the group, and marked', () => {
    const made = study();
    const ask = asking(made);
    const [{ letter }] = ask('themes', null).themes;
    const { groups } = ask('typical', { letter, byGroup: true, limit: 2 });
    expect(groups.map(({ group }) => group)).to.deep.equal(['driver', 'resident']);
    for (const { group, passages } of groups) {
      expect(passages.length).to.be.greaterThan(0);
      for (const { sourceId, text, marks, start } of passages) {
        expect(made.state.sources.find(({ id }) => id === sourceId)?.attributes.role).to.equal(group);
        expect(marks.length).to.be.at.least(2);
        for (const mark of marks)
          expect(text.slice(mark.start - start, mark.end - start)).to.match(/^\w+(?: \w+)?$/);
      }
    }
  });
});
