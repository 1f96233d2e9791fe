import { expect } from 'chai';
import { strFromU8, unzipSync } from 'fflate';
import { readCsv } from '../../src/formats/csv.ts';
import type { ViewAnswers, ViewName, ViewQuestions } from '../../src/views/view-keys.ts';
import { newStep, withStep } from '../../src/text/cleaning/steps.ts';
import { asking, exampleStudy, type ExampleStudy } from '../examples.ts';

const ask = <V extends ViewName>(study: ExampleStudy, view: V, question: ViewQuestions[V]): ViewAnswers[V] =>
  asking(study)(view, question);
const study = (): ExampleStudy =>
  exampleStudy([
    {
      name: 'a/one.txt',
      text: 'Interviewer: So?\nDriver: The Bus came at 10. The bus, soooo late!\nInterviewer: And?\nDriver: =Café.\n',
      attributes: { role: 'driver' },
    },
    { name: 'a/one.docx', text: 'A bus.\nAnother line.', attributes: { role: 'nurse', note: 'x' } },
  ]);

describe('cleaned texts', () => {
  it('are saved one a source, by names no file system minds and that never clash', () => {
    const made = study();
    made.decide({ kind: 'setSpeakers', change: { leftOut: ['Interviewer'] } });
    const entries = unzipSync(ask(made, 'cleanedFile', { as: 'zip' }).bytes);
    const names = Object.keys(entries);
    expect(names).to.have.length(2);
    expect(new Set(names.map((name) => name.toLowerCase())).size).to.equal(2);
    for (const name of names)
      expect(name)
        .to.match(/\.txt$/)
        .and.not.match(/[\\/:*?"<>|]/);
    const text = strFromU8(entries[names[0]]);
    expect(text).to.include('the bus came at').and.not.include('10').and.not.include('and?');
    expect(ask(made, 'cleanedFile', { as: 'zip' }).bytes).to.deep.equal(
      ask(made, 'cleanedFile', { as: 'zip' }).bytes,
    );
  });

  it('are saved as a table with attributes, harmless to a spreadsheet', () => {
    const { header, rows } = readCsv(strFromU8(ask(study(), 'cleanedFile', { as: 'csv' }).bytes));
    expect(header).to.deep.equal(['source', 'role', 'note', 'text']);
    expect(rows.map((row) => row.slice(0, 3))).to.deep.equal([
      ['a/one.txt', 'driver', ''],
      ['a/one.docx', 'nurse', 'x'],
    ]);
    expect(rows[1][3]).to.equal('a bus.\nanother line.');
  });

  it('follow the subset', () => {
    const made = study();
    made.decide({
      kind: 'setSources',
      change: { subset: [{ kind: 'values', attribute: 'role', values: ['nurse'] }] },
    });
    expect(Object.keys(unzipSync(ask(made, 'cleanedFile', { as: 'zip' }).bytes))).to.have.length(1);
    expect(ask(made, 'cleaningFigures', null).before.words).to.equal(4);
    expect(ask(made, 'sources', null).words).to.deep.equal([4]);
    expect(ask(made, 'languages', null).of).to.have.length(1);
    expect(made.compute('tokens').forms).not.to.include('driver');
  });
});

describe('cleaning seen', () => {
  it('by its figures before and after', () => {
    const { before, after } = ask(study(), 'cleaningFigures', null);
    expect(before.top.find(({ word }) => word === 'Bus')?.count).to.equal(1);
    expect(after.top.find(({ word }) => word === 'bus')?.count).to.equal(3);
    expect(after.top.some(({ word }) => word === '10')).to.equal(false);
    expect(before.different).to.be.above(after.different);
    const sum = (list: readonly { count: number }[]) => list.reduce((total, { count }) => total + count, 0);
    expect(sum(after.top)).to.equal(after.words);
  });

  it('in lines side by side, as many as the original has', () => {
    const made = study();
    const [{ id }] = made.state.sources;
    const whole = made.original(id);
    const { lines, text, total } = ask(made, 'cleaning', { sourceId: id, at: 0 });
    expect([text, total]).to.deep.equal([whole, whole.length]);
    expect(lines.map(({ start, end }) => whole.slice(start, end)).join('')).to.equal(whole);
    expect(lines[1].clean).to.equal('driver: the bus came at  . the bus, soooo late!');
    expect(ask(made, 'cleaning', { sourceId: 'gone', at: 0 })).to.include({ text: '', total: 0 });
  });

  it('in a part of a long text as in the whole', () => {
    const long = 'The Bus 7 came at 10.\nSo did I, by shar-\ning a fare.\n'.repeat(1500);
    const made = exampleStudy([{ name: 'long', text: long }]);
    const [{ id }] = made.state.sources;
    const { start, text, marks, lines, total } = ask(made, 'cleaning', { sourceId: id, at: 40_000 });
    expect(total).to.equal(long.length);
    expect(text).to.equal(long.slice(start, start + text.length));
    expect(start).to.be.within(20_000, 40_000);
    expect(
      marks
        .filter(({ step }) => step === 'numbers')
        .every((mark) => /^[\d]+$/.test(long.slice(mark.start, mark.end))),
    ).to.equal(true);
    const whole = long.slice(start, start + text.length);
    expect(marks.filter(({ step }) => step === 'hyphens').length).to.be.within(
      (whole.match(/-\n/g) ?? []).length - 1,
      (whole.match(/-\n/g) ?? []).length + 1,
    );
    expect(lines[1].clean).to.match(/came at|so did i|fare/);
  });

  it('by what steps that could be added would do, without doing it', () => {
    const made = study();
    const { steps, offers } = ask(made, 'cleaningSteps', { offers: true });
    expect(steps.map(({ id }) => id)).to.deep.equal(made.state.settings.cleaning.steps.map(({ id }) => id));
    const repeats = offers.find(({ step }) => step.kind === 'repeats');
    expect(repeats).to.deep.include({ places: 1, sources: 1 });
    expect(repeats?.top[0]).to.include({ piece: 'oooo', replacement: 'o' });
    expect(offers.some(({ step }) => step.kind === 'case' || step.kind === 'replace')).to.equal(false);
    made.decide({
      kind: 'setCleaning',
      steps: withStep(made.state.settings.cleaning.steps, newStep('repeats', [])),
      what: 'x',
    });
    expect(made.compute('tokens').forms).to.include('so').and.not.include('soooo');
    expect(ask(made, 'cleaningSteps', { offers: false }).offers).to.deep.equal([]);
  });

  it('by words that can be gone to, and what is left', () => {
    const made = study();
    const [one, two] = made.state.sources;
    const { places } = ask(made, 'wordPlaces', { word: 'bus', cleaned: true });
    expect(places.map(({ sourceId }) => sourceId)).to.deep.equal([one.id, one.id, two.id]);
    for (const { sourceId, start, end } of places)
      expect(made.original(sourceId).slice(start, end)).to.match(/^bus$/i);
    expect(ask(made, 'wordPlaces', { word: 'zebra', cleaned: true }).places).to.deep.equal([]);
    for (const { kind, text, places: found } of ask(made, 'remains', null).remains) {
      const [{ sourceId, start, end }] = found;
      expect(made.original(sourceId).slice(start, end).toLowerCase(), kind).to.equal(text);
    }
  });
});
