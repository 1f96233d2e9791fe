// Makes the sample's documents, one of each kind that people bring: node demo/make/documents.mjs
// The words are written by hand below; the files are built here from nothing, so that the same bytes come out each time.
import { mkdirSync, writeFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';

const folder = new URL('../night-buses-documents/', import.meta.url);
mkdirSync(folder, { recursive: true });
const write = (name, bytes) => writeFileSync(new URL(name, folder), bytes);
const xml = (text) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n';
/** A ZIP with the first date a ZIP can have. */
const zip = (entries) =>
  zipSync(Object.fromEntries(Object.entries(entries).map(([name, text]) => [name, strToU8(text)])), {
    mtime: new Date(1980, 0, 1, 12),
  });

// A word-processor document: nine entries of a conductor's diary, each under a heading.
const DIARY = [
  [
    'Monday 3 February',
    'Nine passengers on the first run of the night bus, counting a man who thought it was the day bus. He stayed on for the warmth. The driver let him.',
  ],
  [
    'Tuesday 4 February',
    'A nurse asked for a day ticket that lasts the night. There is none. She paid twice and wrote the sum on her hand, for the council she said.',
  ],
  [
    'Thursday 6 February',
    'Rain from the harbour, sideways. At Old Mills six people stood in a shelter built for two. The timetable had washed off the pole.',
  ],
  [
    'Friday 7 February',
    'Students, a cello, a cake. The market square was as light as day. The café owner stood in the door and counted heads as they got off.',
  ],
  [
    'Sunday 9 February',
    'Empty bus both ways. The driver turned the radio off at Fen End, because, he said, it is rude to talk over such a silence.',
  ],
  [
    'Monday 10 February',
    'A resident at the terminus handed me a complaint in an envelope, with a drawing of the engine noise. It was a good drawing.',
  ],
  [
    'Wednesday 12 February',
    'The camera at the door was out. Two women got off again and waited for the next bus. I wrote down the time, which was the least I could do.',
  ],
  [
    'Friday 14 February',
    'A grandmother with flowers, from her daughter to her sister, across the whole town and back. She held them up at each street light to see the colours.',
  ],
  [
    'Sunday 16 February',
    'The last run of my two weeks. Fourteen on board, four asleep. The baker brought rolls for all of us and would not take money.',
  ],
];
const paragraph = (text, style) =>
  `<w:p>${style ? `<w:pPr><w:pStyle w:val="${style}"/></w:pPr>` : ''}<w:r><w:t xml:space="preserve">${xml(text)}</w:t></w:r></w:p>`;
write(
  'conductor-diary.docx',
  zip({
    '[Content_Types].xml': `${HEAD}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/><Override PartName="/word/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.styles+xml"/></Types>`,
    '_rels/.rels': `${HEAD}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>`,
    'word/_rels/document.xml.rels': `${HEAD}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/styles" Target="styles.xml"/></Relationships>`,
    'word/styles.xml': `${HEAD}<w:styles xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:style w:type="paragraph" w:styleId="Heading1"><w:name w:val="heading 1"/></w:style></w:styles>`,
    'word/document.xml': `${HEAD}<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${[
      paragraph('Diary of a conductor, two weeks in February'),
      ...DIARY.flatMap(([heading, text]) => [paragraph(heading, 'Heading1'), paragraph(text)]),
    ].join('')}</w:body></w:document>`,
  }),
);

// A page description with a text layer: three pages with a running head, page numbers and hyphenated line ends.
const PAGES = [
  [
    'Interviewer: You have driven a taxi here for a long time.',
    '',
    'Taxi driver: Nineteen years, and most of them at night. I knew every',
    'night shift in this town by its shoes. Hospital shoes, warehouse shoes, the',
    'white ones from the bakery. They were my custom, three or four of them shar-',
    'ing a fare because the wages would not stretch to one each.',
    '',
    'Interviewer: And then the night buses came.',
    '',
    'Taxi driver: And then the night buses came. I was against it, I will say that',
    'openly. I stood up at the council meeting and said that a bus with three peo-',
    'ple in it is a taxi with poor manners. They laughed, and then they voted.',
  ],
  [
    'Interviewer: What has changed for you since?',
    '',
    'Taxi driver: The early hours are gone. Between four and six nobody needs me.',
    'What I have now is the people the bus does not reach: Fen End, the farm road,',
    'the woman with the oxygen. They are fewer, and they talk more, and they pay',
    'what they can. It is a different trade. You need more patience and less pet-',
    'rol.',
    '',
    'Interviewer: Do you ever take the bus yourself?',
    '',
    'Taxi driver: Once. My own car was in the workshop and it rained. I sat up-',
    'stairs at the front like a boy. I saw the whole harbour, all its lights. Nine-',
    'teen years, and I had only ever looked at the kerb.',
  ],
  [
    'Interviewer: If you could tell the council one thing?',
    '',
    'Taxi driver: Put a bench at every stop. I have carried people who could have',
    'taken the bus and did not, because they cannot stand for ten minutes in the',
    'wind. They pay me fourteen pounds for the want of a bench. I took the money,',
    'and I am telling you now: build the bench.',
  ],
];
const pdfText = (text) => text.replace(/([\\()])/g, '\\$1');
function pdfPage(lines, number) {
  const line = (text, x, y, size) => `BT /F1 ${size} Tf 1 0 0 1 ${x} ${y} Tm (${pdfText(text)}) Tj ET`;
  let y = 740;
  const body = [];
  for (const text of lines) {
    if (text === '') y -= 12;
    else {
      body.push(line(text, 72, y, 11));
      y -= 15;
    }
  }
  return [
    line('Larkhaven night bus study - interview T1', 72, 790, 9),
    ...body,
    line(String(number), 300, 40, 9),
  ].join('\n');
}
function pdf(pages) {
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    `<< /Type /Pages /Kids [${pages.map((_, i) => `${4 + 2 * i} 0 R`).join(' ')}] /Count ${pages.length} >>`,
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica /Encoding /WinAnsiEncoding >>',
    ...pages.flatMap((lines, i) => {
      const content = pdfPage(lines, i + 1);
      return [
        `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /Font << /F1 3 0 R >> >> /Contents ${5 + 2 * i} 0 R >>`,
        `<< /Length ${content.length} >>\nstream\n${content}\nendstream`,
      ];
    }),
  ];
  let file = '%PDF-1.4\n';
  const places = objects.map((object, i) => {
    const at = file.length;
    file += `${i + 1} 0 obj\n${object}\nendobj\n`;
    return at;
  });
  const table = file.length;
  file += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n`;
  file += places.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('');
  return `${file}trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${table}\n%%EOF\n`;
}
write('taxi-driver.pdf', pdf(PAGES));

// Subtitles of a talk at the depot, with voices.
const TALK = [
  ['00:00:02.000', '00:00:05.400', 'Interviewer', 'So, three of you round one table.'],
  ['00:00:05.600', '00:00:07.100', 'Interviewer', 'What is a good night?'],
  ['00:00:08.000', '00:00:11.800', 'Cleaner', 'A good night is when nobody was sick'],
  ['00:00:11.900', '00:00:14.300', 'Cleaner', 'on the top deck. I am serious.'],
  ['00:00:14.900', '00:00:19.000', 'Mechanic', 'No idling on the board. When they idle'],
  ['00:00:19.100', '00:00:23.200', 'Mechanic', 'for half an hour the filters are done by March.'],
  ['00:00:24.000', '00:00:29.500', 'Controller', 'For me it is a radio that stays quiet. <i>Very</i> quiet.'],
  ['00:00:30.200', '00:00:33.000', 'Interviewer', 'And a bad one?'],
  [
    '00:00:34.000',
    '00:00:40.000',
    'Controller',
    'Fog, a football night, and the last train late by twelve minutes.',
  ],
  [
    '00:00:40.300',
    '00:00:45.000',
    'Controller',
    'Then I hold four buses & forty people hate me in the rain.',
  ],
  [
    '00:00:46.000',
    '00:00:50.500',
    'Cleaner',
    'They leave gloves. Always one. I have a box of single gloves.',
  ],
];
write(
  'depot-table.vtt',
  `WEBVTT - At the depot\n\nNOTE Made up for the sample study.\n\n${TALK.map(
    ([from, to, voice, text], i) =>
      `${i + 1}\n${from} --> ${to}\n<v ${voice}>${text.replaceAll('&', '&amp;')}</v>\n`,
  ).join('\n')}`,
);

// A workbook of short talks at the stop, with a second sheet that holds no texts.
const STOPS = [
  ['person', 'role', 'stop', 'day', 'talk'],
  [
    'P1',
    'shift worker',
    'Hospital',
    45700,
    'I wait here with the same two people every night and we have never spoken. Last week one of them was missing and I worried.',
  ],
  [
    'P2',
    'shift worker',
    'Warehouse gate',
    45700,
    'The connection works if you run. I have bad knees, so for me it does not work.',
  ],
  [
    'P3',
    'student',
    'Market square',
    45701,
    'We used to leave the music venue before the end. Now I know how the songs finish.',
  ],
  ['P4', 'resident', 'Parade Hill', 45702, ''],
  [
    'P5',
    'driver',
    'Terminus',
    45702,
    'Ten minutes here, engine off since the letter. You can hear the sea. I had forgotten that there is a sea.',
  ],
  [
    'P6',
    'resident',
    'Fen End',
    45703,
    'My mother rides it to the chemist at night because she does not like to be seen buying her pills. I did not know. She told the driver, not me.',
  ],
];
const cellName = (row, column) => `${String.fromCharCode(65 + column)}${row + 1}`;
const sheet = (rows) =>
  `${HEAD}<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${rows
    .map(
      (cells, row) =>
        `<row r="${row + 1}">${cells
          .map((value, column) =>
            typeof value === 'number'
              ? `<c r="${cellName(row, column)}" s="1"><v>${value}</v></c>`
              : `<c r="${cellName(row, column)}" t="inlineStr"><is><t xml:space="preserve">${xml(value)}</t></is></c>`,
          )
          .join('')}</row>`,
    )
    .join('')}</sheetData></worksheet>`;
write(
  'at-the-stop.xlsx',
  zip({
    '[Content_Types].xml': `${HEAD}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/><Override PartName="/xl/worksheets/sheet2.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/><Override PartName="/xl/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml"/></Types>`,
    '_rels/.rels': `${HEAD}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/_rels/workbook.xml.rels': `${HEAD}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/><Relationship Id="rId2" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet2.xml"/><Relationship Id="rId3" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/styles" Target="styles.xml"/></Relationships>`,
    'xl/workbook.xml': `${HEAD}<workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="Talks" sheetId="1" r:id="rId1"/><sheet name="Stops" sheetId="2" r:id="rId2"/></sheets></workbook>`,
    'xl/styles.xml': `${HEAD}<styleSheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><fonts count="1"><font/></fonts><fills count="1"><fill/></fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="14" applyNumberFormat="1"/></cellXfs></styleSheet>`,
    'xl/worksheets/sheet1.xml': sheet(STOPS),
    'xl/worksheets/sheet2.xml': sheet([
      ['stop', 'shelter'],
      ['Hospital', 'yes'],
      ['Terminus', 'no'],
    ]),
  }),
);
