import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { Candidates } from '../../src/concepts/candidates.ts';
import { exchangedByOne, sharedByHalves } from '../../../bench/halves.ts';
import { exampleStudy } from '../examples.ts';

/** Every name of a person, a place, an organisation or a bus line in the sample study with two mentions or more. */
const NAMES = [
  'Fen End',
  'Mill Hill',
  'Parade Hill',
  'Gerald',
  'Station Parade',
  'N1',
  'N2',
  'Northgate',
  'Len',
  'Old Mills',
  'Index',
  'Larkhaven',
  'Undercroft',
];

/** Every run of two to four words with three mentions or more that stands for one thing people talk of. */
const PHRASES = [
  'street light',
  'empty bus',
  'start time',
  'night bus',
  'night shift',
  'market square',
  'late opening',
  'bedroom window',
  'walk home',
  'school run',
  'last train',
  'engine noise',
  'town centre',
  'music venue',
  'day ticket',
  'top deck',
  'door staff',
  'estate agent',
  'weekend visit',
  'ticket price',
  'weekly pass',
  'old vehicle',
  'top floor',
  'chip shop',
  'building society',
  'single fare',
  'warehouse bus',
  'live camera',
];

function sampleTexts(): { name: string; text: string }[] {
  const folder = new URL('../../../demo/night-buses/', import.meta.url);
  return readdirSync(folder)
    .filter((name) => name.endsWith('.txt'))
    .sort()
    .map((name) => ({ name, text: readFileSync(new URL(name, folder), 'utf8') }));
}

/** Share of the found that are wanted, and of the wanted that are found. */
function measured(
  found: readonly string[],
  wanted: readonly string[],
): { precision: number; recall: number; said: string } {
  const right = found.filter((each) => wanted.includes(each));
  const precision = right.length / found.length;
  const recall = right.length / wanted.length;
  const wrong = found.filter((each) => !wanted.includes(each));
  const missed = wanted.filter((each) => !found.includes(each));
  return {
    precision,
    recall,
    said: `precision ${precision.toFixed(2)} (not wanted: ${wrong.join(', ')}), recall ${recall.toFixed(2)} (missed: ${missed.join(', ')})`,
  };
}

describe('the concepts of the sample study', () => {
  it('are much the same in both halves of its interviews, and without one of them', () => {
    const texts = sampleTexts();
    expect(sharedByHalves(texts)).to.be.at.least(40);
    // 7.6 of 120; 8.1 where sentences were tagged instead.
    expect(exchangedByOne(texts)).to.be.at.most(8.5);
  });
});

describe('the sample study, against lists made by hand', () => {
  let candidates: Candidates;
  before(() => {
    candidates = exampleStudy(sampleTexts()).compute('candidates');
  });
  const found = (part: string): string[] => candidates.keys.filter((_, i) => candidates.part[i] === part);

  it('has its names found: 13 of 13, and 13 of 15 found are names', () => {
    const { precision, recall, said } = measured(found('name'), NAMES);
    expect(precision, said).to.be.at.least(0.85);
    expect(recall, said).to.be.at.least(0.95);
  });

  it('has its phrases found: 27 of 28, and 27 of 28 found are wanted', () => {
    const { precision, recall, said } = measured(found('phrase'), PHRASES);
    expect(precision, said).to.be.at.least(0.95);
    expect(recall, said).to.be.at.least(0.95);
  });
});
