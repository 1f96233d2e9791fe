// Makes demo/night-buses-survey/survey.csv: an open survey question of 120 rows, two in five empty, as untidy as such
// tables are. The answers are written by hand (survey-answers.txt); this gives them columns. Run: node demo/make/survey.mjs
import { readFileSync, writeFileSync } from 'node:fs';

const answers = readFileSync(new URL('survey-answers.txt', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .map((line) => line.split('|'));
const ROWS = 120;
const DISTRICTS = ['Harbour', 'Old Mills', 'Northgate', 'Fen End'];
const HEARD = ['a poster', 'at work', 'the radio', 'a neighbour', 'the council’s letter', ''];
const DEVICES = ['phone', 'tablet', 'desk computer'];

/** A small generator of our own for this script: the same table every time. */
let seed = 7;
const random = () => {
  seed = (seed * 1103515245 + 12345) % 2147483648;
  return seed / 2147483648;
};
const oneOf = (list) => list[Math.floor(random() * list.length)];
const GROUPS = {
  driver: 'driver or depot staff',
  resident: 'resident or business owner',
  'business owner': 'resident or business owner',
};
const two = (number) => String(number).padStart(2, '0');

const holds = Array.from({ length: ROWS }, (_, i) => i).sort((a, b) => ((a * 53) % ROWS) - ((b * 53) % ROWS));
const answered = new Set(holds.slice(0, answers.length));
let next = 0;
const rows = Array.from({ length: ROWS }, (_, i) => {
  const day = 1 + Math.floor(random() * 28);
  const month = 2 + (i % 3);
  // The first office wrote day/month/year, the second ISO dates.
  const date = i < 70 ? `${two(day)}/${two(month)}/2025` : `2025-${two(month)}-${two(day)}`;
  const [role, text] = answered.has(i) ? answers[next++] : [oneOf(answers)[0], i % 7 === 0 ? '   ' : ''];
  const record = `form 3.2; ${oneOf(DEVICES)}; screen ${oneOf([1080, 1440, 1920])}×${oneOf([900, 1920, 2340])}; session ${Math.floor(
    random() * 16 ** 8,
  )
    .toString(16)
    .padStart(
      8,
      '0',
    )}-${i}; opened ${two(6 + (i % 17))}:${two(Math.floor(random() * 60))}, sent after ${2 + Math.floor(random() * 19)} minutes`;
  return [
    i + 1,
    date,
    GROUPS[role] ?? role,
    oneOf(DISTRICTS),
    18 + Math.floor(random() * 64),
    oneOf(HEARD),
    record,
    text,
  ];
});
if (next !== answers.length) throw new Error('An answer was left over.');

const cell = (value) => {
  const text = String(value);
  return /[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
};
const head = ['number', 'sent', 'role', 'district', 'age', 'heard of it by', 'form record', 'remarks'];
writeFileSync(
  new URL('../night-buses-survey/survey.csv', import.meta.url),
  `${[head, ...rows].map((row) => row.map(cell).join(',')).join('\n')}\n`,
);
