import { expect } from 'chai';
import { withGround } from '../../src/map/ground.ts';
import type { ViewAnswers, ViewName, ViewQuestions } from '../../src/views/view-keys.ts';
import { asking, exampleStudy, type ExampleStudy } from '../examples.ts';

const TALK = {
  waiter:
    'The rain came and the shelter leaked. The bench was wet from rain and wind. The shelter has a bench.',
  payer:
    'The fare rose and the wage did not. The rent took the wage and the fare took the rest. A fare is a fare.',
};

/** Six sources each of two kinds, with one odd word, numbers, an address and an interviewer. */
function talkStudy(): ExampleStudy {
  const texts = Array.from({ length: 12 }, (_, i) => {
    const role = i % 2 ? ('payer' as const) : ('waiter' as const);
    return {
      name: `s${String(i).padStart(2, '0')}.txt`,
      text:
        `Interviewer: What about it?\n\nGuest: ${TALK[role]} ${TALK[role]}\n\nInterviewer: And number ${i}?\n\n` +
        `Guest: ${TALK[role]} The zebra saw www.bus.example.`,
      attributes: { role },
    };
  });
  const study = exampleStudy(texts);
  study.decide({ kind: 'setWindows', change: { repeated: true } });
  study.decide({ kind: 'setConcepts', change: { phrases: false, maximumSourceShare: 0.9 } });
  return study;
}

const ask = <V extends ViewName>(study: ExampleStudy, view: V, question: ViewQuestions[V]): ViewAnswers[V] =>
  asking(study)(view, question);

describe('views', () => {
  let study: ExampleStudy;
  beforeEach(() => {
    study = talkStudy();
  });

  it('of the whole give the figures of the trail', () => {
    const figures = {
      ...ask(study, 'wordsOnTrail', null),
      ...ask(study, 'conceptsOnTrail', null),
      ...ask(study, 'linksOnTrail', null),
      ...ask(study, 'themesOnTrail', null),
    };
    const words = ask(study, 'sources', null).words;
    expect(figures.words).to.equal(words.reduce((a, b) => a + b, 0));
    expect(figures.themes).to.equal(2);
    expect(figures.concepts).to.equal(ask(study, 'concepts', null).chosen);
    expect(figures.links).to.equal(ask(study, 'links', { concept: null, limit: 1000 }).standing);
  });

  it('of links as a matrix, in the order of the themes, and as a table say what the list says', () => {
    const { rows, standable, labels, standing } = ask(study, 'links', { concept: null, limit: 1000 });
    const matrix = ask(study, 'linkMatrix', null);
    const n = matrix.keys.length;
    expect(n).to.equal(labels.length);
    const at = (a: string, b: string): number => matrix.keys.indexOf(a) * n + matrix.keys.indexOf(b);
    for (const { source, target, strength, both, stands } of rows) {
      for (const cell of [at(source, target), at(target, source)])
        expect([matrix.strength[cell], matrix.both[cell], matrix.stands[cell]]).to.deep.equal([
          strength,
          both,
          stands ? 1 : 0,
        ]);
    }
    expect(matrix.letters.filter((letter, i) => letter !== matrix.letters[i - 1]).length).to.be.at.most(
      ask(study, 'themes', null).themes.length + 1,
    );
    const { cutOff } = study.state.settings.links;
    expect(standable.strength.filter((strength) => strength > cutOff)).to.have.length(standing);
    const table = new TextDecoder('utf-8')
      .decode(ask(study, 'adjacencyFile', null).bytes)
      .trim()
      .split(/\r?\n/);
    expect(table).to.have.length(n + 1);
    const weights = table.slice(1).flatMap((row) => row.split(',').slice(1).map(Number));
    expect(weights.filter((weight) => weight !== 0)).to.have.length(2 * standing);
  });

  it('of windows show one that is real: its words in their text, with the concepts in it', () => {
    const { windows, example } = ask(study, 'windowExample', null);
    expect(windows).to.equal(ask(study, 'linksOnTrail', null).windows);
    if (!example) throw new Error('There is no window with a concept.');
    const text = study.original(example.sourceId);
    expect(text.slice(example.start, example.start + example.text.length)).to.equal(example.text);
    expect(text).to.include(example.before + example.text + example.after);
    for (const concept of example.concepts) expect(example.text.toLowerCase()).to.include(concept);
    study.decide({ kind: 'setWindows', change: { unit: 'source', size: 3 } });
    expect(ask(study, 'windowExample', null).windows).to.equal(12);
    study.decide({ kind: 'dropConcepts', keys: study.compute('concepts').keys });
    expect(ask(study, 'windowExample', null).windows).to.be.above(0);
  });

  it('of concepts say how each stands', () => {
    study.decide({ kind: 'dropConcepts', keys: ['rain'] });
    study.decide({ kind: 'keepConcepts', keys: ['zebra'] });
    study.decide({ kind: 'renameConcept', key: 'fare', label: 'ticket price' });
    const { rows } = ask(study, 'concepts', null);
    const row = (key: string) => rows.find((each) => each.key === key);
    expect(row('rain')?.status).to.equal('dropped');
    expect(row('zebra')?.status).to.equal('kept');
    expect(row('shelter')?.status).to.equal('chosen');
    expect(row('fare')?.label).to.equal('ticket price');
    // Zebra is in every source, so without the researcher it would be left out.
    study.decide({ kind: 'leaveConcepts', keys: ['zebra'] });
    expect(ask(study, 'concepts', null).rows.find((each) => each.key === 'zebra')?.status).to.equal('out');
    const scores = rows.map((each) => each.score);
    expect(scores).to.deep.equal([...scores].sort((a, b) => b - a));
  });

  it('of links list those that stand, strongest first', () => {
    const { rows, standing, strengths, concepts } = ask(study, 'links', { concept: null, limit: 1000 });
    expect(rows).to.have.length(standing);
    expect(rows.every((row) => row.stands && row.both >= 3 && row.npmi > 0.1)).to.equal(true);
    expect(rows.every((row) => Math.min(row.q, row.qBetween) < 0.05)).to.equal(true);
    for (let i = 1; i < rows.length; i++) expect(rows[i].strength).to.be.at.most(rows[i - 1].strength);
    expect(strengths.length).to.be.at.least(standing);
    expect(concepts).to.be.above(5);
    expect(ask(study, 'links', { concept: null, limit: 2 }).rows).to.have.length(2);
  });

  it('of links name what comes nearest where nothing can be told from chance, and only there', () => {
    expect(ask(study, 'links', { concept: null, limit: 10 }).nearest).to.deep.equal([]);
    // A cut-off that nothing reaches is another matter: there is something to be told.
    study.decide({ kind: 'setLinks', change: { cutOff: 1 } });
    const strict = ask(study, 'links', { concept: null, limit: 10 });
    expect([strict.standing, strict.nearest.length]).to.deep.equal([0, 0]);
    const few = exampleStudy(
      [
        'Rain and the shelter.',
        'The shelter and rain.',
        'The fare rose.',
        'The fare fell.',
        'Rain again.',
      ].map((text, i) => ({ name: `${i}.txt`, text })),
    );
    few.decide({ kind: 'keepConcepts', keys: ['rain', 'shelter', 'fare'] });
    const { standing, nearest } = ask(few, 'links', { concept: null, limit: 10 });
    expect(standing).to.equal(0);
    expect(nearest.map(({ source, target, both }) => [[source, target].sort(), both])).to.deep.equal([
      [['rain', 'shelter'], 2],
    ]);
  });

  it('of company put the concept asked about first, and show what does not stand too', () => {
    const { rows } = ask(study, 'links', { concept: 'shelter', limit: 1000 });
    expect(rows.length).to.be.above(1);
    expect(new Set(rows.map((row) => row.source))).to.deep.equal(new Set(['shelter']));
    expect(rows.map((row) => row.target))
      .to.include.members(['bench', 'rain'])
      .and.not.include('fare');
  });

  it('of themes hold every chosen concept once, in a theme or loose', () => {
    const { themes, loose } = ask(study, 'themes', null);
    const all = [...themes.flatMap((theme) => theme.concepts), ...loose].map(({ key }) => key).sort();
    expect(all).to.deep.equal([...study.compute('concepts').keys].sort());
    expect(themes.map((theme) => theme.letter)).to.deep.equal(['A', 'B']);
    const sides = themes.map((theme) => theme.concepts.map(({ key }) => key));
    expect(
      sides.some((keys) => keys.includes('rain') && keys.includes('bench') && !keys.includes('fare')),
    ).to.equal(true);
    study.decide({ kind: 'renameTheme', letter: 'B', name: 'Second' });
    expect(ask(study, 'themes', null).themes[1].label).to.equal('Second');
  });

  it('of the comparison give each group its own share, and its passages are of its sources', () => {
    const { attribute, rows, comparison } = ask(study, 'compare', { rows: { kind: 'themes' } });
    expect(attribute).to.equal('role');
    expect(comparison.groups.map((group) => group.group)).to.deep.equal(['payer', 'waiter']);
    rows.forEach(({ letter }, t) => {
      const [payer, waiter] = comparison.groups.map((group) => group.strengths[t]);
      expect(Math.min(payer.share, waiter.share)).to.equal(0);
      expect(Math.max(payer.share, waiter.share)).to.be.above(0.3);
      for (const group of comparison.groups) {
        const selection = { kind: 'cell', letter, attribute: 'role', group: group.group } as const;
        const passages = ask(study, 'passages', { selection, limit: 1000 });
        // The number that is clicked is the number of windows behind it.
        expect(passages.windows).to.equal(group.strengths[t].speaking);
        for (const row of passages.rows) {
          const source = study.state.sources.find((each) => each.id === row.sourceId);
          expect(source?.attributes.role).to.equal(group.group);
          expect(row.marks.length).to.be.at.least(2);
          expect(new Set(row.marks.map((mark) => mark.letter))).to.deep.equal(new Set([letter]));
        }
      }
    });
  });

  it('of cleaning count what a step that is off would do', () => {
    const sourceId = study.state.sources[3].id;
    const { steps } = study.state.settings.cleaning;
    study.decide({
      kind: 'setCleaning',
      steps: steps.map((step) => (step.kind === 'numbers' ? { ...step, on: false } : step)),
      what: 'keep numbers',
    });
    const { marks, text } = ask(study, 'cleaning', { sourceId, at: 0 });
    const report = ask(study, 'cleaningSteps', { offers: false }).steps;
    const places = (id: string) => report.find((step) => step.id === id)?.places;
    expect(places('numbers')).to.equal(12);
    expect(places('addresses')).to.equal(12);
    expect(marks.map((mark) => mark.step))
      .to.include('addresses')
      .and.not.include('numbers');
    const taken = marks
      .filter((mark) => mark.step === 'addresses')
      .map((mark) => text.slice(mark.start, mark.end));
    expect(taken).to.deep.equal(['www.bus.example']);
  });

  it('of a source mark what is selected at its place', () => {
    const source = study.state.sources[0];
    const { text, marks, start, total } = ask(study, 'source', {
      sourceId: source.id,
      selection: { kind: 'link', keys: ['rain', 'bench'] },
      at: 0,
    });
    expect([start, total]).to.deep.equal([0, text.length]);
    expect(new Set(marks.map((mark) => text.slice(mark.start, mark.end).toLowerCase()))).to.deep.equal(
      new Set(['rain', 'bench']),
    );
    expect(ask(study, 'source', { sourceId: 'gone', selection: null, at: 0 })).to.deep.equal({
      text: '',
      start: 0,
      total: 0,
      marks: [],
    });
  });

  it('of speakers count everyone, also those left out', () => {
    const before = ask(study, 'wordsOnTrail', null).words;
    study.decide({ kind: 'setSpeakers', change: { leftOut: ['Interviewer'] } });
    const { speakers } = ask(study, 'speakers', null);
    expect(speakers.map(({ label, turns, sources }) => [label, turns, sources])).to.deep.equal([
      ['Guest', 24, 12],
      ['Interviewer', 24, 12],
    ]);
    const asked = speakers.find(({ label }) => label === 'Interviewer');
    // Numbers are taken out by cleaning, but they were said.
    expect(before - ask(study, 'wordsOnTrail', null).words).to.equal((asked?.words ?? 0) - 12);
  });
});

describe('a small change', () => {
  it('moves the map a little: every word stays where it was unless it must move', () => {
    const study = talkStudy();
    let { register } = study.compute('themes');
    study.input = () => ({ state: study.state, register });
    const places = (): Map<string, string> => {
      const map = study.compute('map');
      register = withGround(study.compute('themes').register, map.ground);
      return new Map(
        map.labels
          .filter(({ theme, zoom }) => theme >= 0 && zoom === 1)
          .map((label) => [label.text, `${label.theme} ${label.x} ${label.y} ${label.type}`]),
      );
    };
    const before = places();
    // Drawn again from where it stands, nothing moves at all.
    study.decide({ kind: 'setMap', change: { shownBridges: 7 } });
    expect(places()).to.deep.equal(before);
    const leaving = study.compute('concepts').keys.at(-1) ?? '';
    study.decide({ kind: 'dropConcepts', keys: [leaving] });
    const after = places();
    const stayed = [...after].filter(([text, place]) => before.get(text) === place).length;
    expect(stayed / after.size).to.be.above(0.7);
    // A study that knows nothing of it is drawn afresh, the same each time.
    const [fresh, again] = [talkStudy(), talkStudy()];
    expect(fresh.compute('map')).to.deep.equal(again.compute('map'));
  });

  it('keeps the letters of themes, whatever else is dropped', () => {
    const study = talkStudy();
    const register = study.compute('themes').register;
    const letterOf = (key: string): string | undefined => {
      const keys = study.compute('concepts').keys;
      return study
        .compute('themes')
        .themes.find((theme) => theme.concepts.some((concept) => keys[concept] === key))?.letter;
    };
    const [rain, fare] = [letterOf('rain'), letterOf('fare')];
    study.input = () => ({ state: study.state, register });
    study.decide({ kind: 'dropConcepts', keys: ['wind'] });
    study.decide({ kind: 'setWindows', change: { size: 2 } });
    expect([letterOf('rain'), letterOf('fare')]).to.deep.equal([rain, fare]);
  });
});
