import { workingSources } from '../../src/study/subset.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { periodOf, PERIODS } from '../../src/base/periods.ts';
import { fittingPeriod, inBands, inPeriods } from '../../src/study/bands.ts';
import { groupsByValue, groupsOf } from '../../src/study/groups.ts';
import { readDate } from '../../src/text/dates.ts';
import { exampleStudy } from '../examples.ts';

describe('groups of dates and numbers', () => {
  it('are periods: written so that they sort as they follow each other, weeks as ISO 8601 has them', () => {
    expect(PERIODS.map((period) => periodOf('2031-02-03', period))).to.deep.equal([
      '2031-02-03',
      '2031-W06',
      '2031-02',
      '2031 Q1',
      '2031',
    ]);
    // The first days of January may be of the last week of the year before, and the other way round.
    expect(periodOf('2027-01-01', 'week')).to.equal('2026-W53');
    expect(periodOf('2024-12-30', 'week')).to.equal('2025-W01');
    expect(periodOf('0202-05-01', 'year')).to.equal('0202');
    const day = fc
      .date({ min: new Date('1970-01-01'), max: new Date('2069-12-31'), noInvalidDate: true })
      .map((date) => date.toISOString().slice(0, 10));
    fc.assert(
      fc.property(day, day, fc.constantFrom(...PERIODS), (a, b, period) => {
        const [first, last] = [a, b].sort();
        expect(periodOf(first, period) <= periodOf(last, period)).to.equal(true);
      }),
    );
  });

  it('are as short as twelve or fewer fit', () => {
    const days = (...dates: string[]) => dates.map((date) => ({ date, grain: 'day' as const }));
    expect(fittingPeriod(days('2031-02-03', '2031-02-14'))).to.equal('day');
    expect(fittingPeriod(days('2031-02-03', '2031-04-14'))).to.equal('week');
    expect(fittingPeriod(days('2031-02-03', '2031-12-14'))).to.equal('month');
    expect(fittingPeriod(days('2031-02-03', '2033-12-14'))).to.equal('quarter');
    expect(fittingPeriod(days('1931-02-03', '2033-12-14'))).to.equal('year');
    expect(inPeriods(['3/2/2031', '', 'soon', '4 May 2032'], 'dmy')).to.deep.equal([
      '2031 Q1',
      '',
      'soon',
      '2032 Q2',
    ]);
    expect(inPeriods([], 'dmy')).to.deep.equal([]);
  });

  it('are bands of about as many sources where there are many numbers, and the numbers where there are few', () => {
    expect(inBands(['3', '12', '', 'x', '3.0'])).to.deep.equal(['3', '12', '', 'x', '3']);
    const ages = Array.from({ length: 40 }, (_, i) => String(20 + i));
    const bands = inBands(ages);
    expect(groupsByValue(bands).names).to.deep.equal(['20 to 29', '30 to 39', '40 to 49', '50 to 59']);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 200 }), { maxLength: 60 }), (numbers) => {
        const of = inBands(numbers.map(String));
        // The same number is always in the same band, and bands do not overlap.
        const bandOf = new Map<number, string>();
        numbers.forEach((number, i) => {
          expect(bandOf.get(number) ?? of[i]).to.equal(of[i]);
          bandOf.set(number, of[i]);
        });
        const inOrder = [...bandOf].sort(([a], [b]) => a - b).map(([, band]) => band);
        expect(inOrder.filter((band, i) => band !== inOrder[i - 1])).to.have.length(new Set(inOrder).size);
      }),
    );
  });

  it('are those of a study once an attribute is of that type, in order, numbers by size', () => {
    const study = exampleStudy(
      Array.from({ length: 30 }, (_, i) => ({
        name: `${i}`,
        text: 'words',
        attributes: { day: `2031-02-${String(1 + (i % 28)).padStart(2, '0')}`, age: String(9 + i * 7) },
      })),
    );
    expect(groupsOf(study.state, 'day').names).to.have.length(28);
    study.decide({ kind: 'setAttributeType', attribute: 'day', type: 'date' });
    study.decide({ kind: 'setAttributeType', attribute: 'age', type: 'number' });
    expect(groupsOf(study.state, 'day').names).to.deep.equal([
      '2031-W05',
      '2031-W06',
      '2031-W07',
      '2031-W08',
      '2031-W09',
    ]);
    expect(groupsOf(study.state, 'age').names).to.deep.equal([
      '9 to 51',
      '58 to 107',
      '114 to 156',
      '163 to 212',
    ]);
    const youngest = workingSources(study.state).findIndex(
      ({ name }) => name === study.state.sources[0].name,
    );
    expect(groupsOf(study.state, 'age').groupOf[youngest]).to.equal(0);
  });
});

describe('dates that are years, quarters or months', () => {
  it('are read with their grain, as their first day', () => {
    const read = (value: string): [string, string] | undefined => {
      const found = readDate(value, 'dmy');
      return found && [found.date, found.grain];
    };
    expect(read('1790')).to.deep.equal(['1790-01-01', 'year']);
    expect(read('2024-Q3')).to.deep.equal(['2024-07-01', 'quarter']);
    expect(read('q1 2024')).to.deep.equal(['2024-01-01', 'quarter']);
    expect(read('03/2024')).to.deep.equal(['2024-03-01', 'month']);
    expect(read('2024-12')).to.deep.equal(['2024-12-01', 'month']);
    expect(read('März 2024')).to.deep.equal(['2024-03-01', 'month']);
    expect(read('marzo de 2024')).to.deep.equal(['2024-03-01', 'month']);
    expect(read('2024-03-05')).to.deep.equal(['2024-03-05', 'day']);
    for (const none of ['0202', '12024', '13/2024', '2024-Q5', '24', 'May', 'in 2024', '2024-13'])
      expect(read(none), none).to.equal(undefined);
  });

  it('are put together in no shorter periods than they are given in', () => {
    expect(inPeriods(['2021', '2022', '2021'], 'dmy')).to.deep.equal(['2021', '2022', '2021']);
    expect(inPeriods(['2024-Q1', '2024-Q2'], 'dmy')).to.deep.equal(['2024 Q1', '2024 Q2']);
    // As exactly as the least exact of them.
    expect(inPeriods(['2024-03-05', '2024'], 'dmy')).to.deep.equal(['2024', '2024']);
  });
});
