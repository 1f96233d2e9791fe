import { expect } from 'chai';
import { finish } from '../../src/base/stepwise.ts';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { readFile } from '../../src/formats/read/files.ts';
import { MOST_CODINGS, placesOfPoints } from '../../src/formats/read/qda-read.ts';
import { writeQdaProject, type QdaCode, type QdaProject } from '../../src/formats/write/qda-write.ts';
import { tidyText } from '../../src/formats/read/text-file.ts';
import { readFiles } from '../../src/intake/intake.ts';

const packed = (project: QdaProject): Uint8Array => finish(writeQdaProject(project));

const read = (bytes: Uint8Array) => readFile({ name: 'p.qdpx', bytes });
/** A project as another program may write it: what is given stands between its root's tags. */
const project = (inside: string, files: Record<string, string> = {}): Uint8Array =>
  zipSync({
    'project.qde': strToU8(
      `\ufeff<?xml version="1.0"?><q:Project xmlns:q="urn:QDA-XML:project:1.0" name="p">${inside}</q:Project>`,
    ),
    ...Object.fromEntries(Object.entries(files).map(([name, text]) => [`sources/${name}`, strToU8(text)])),
  });
const CODES =
  '<q:CodeBook><q:Codes><q:Code guid="c1" name="waiting"><q:Code guid="c2" name="rain &amp; wind"/></q:Code></q:Codes></q:CodeBook>';
const coded = (start: number | string, end: number | string, code = 'c2'): string =>
  `<q:PlainTextSelection guid="s" name="n" startPosition="${start}" endPosition="${end}"><q:Description>why</q:Description><q:Coding guid="k"><q:CodeRef targetGUID="${code}"/></q:Coding></q:PlainTextSelection>`;
const source = (inside: string, path = 'internal://a.txt'): string =>
  `<q:Sources><q:TextSource guid="a" name="One" plainTextPath="${path}">${inside}</q:TextSource></q:Sources>`;

describe('a project of another program', () => {
  it('comes back as it was written, whatever is in its texts', async () => {
    const piece = fc.oneof(
      fc.string({ unit: 'grapheme', minLength: 1, maxLength: 8 }),
      fc.constantFrom('😀', 'é', 'שלום', '\n', ' ', 'word'),
    );
    const case_ = fc.record({
      parts: fc.array(piece, { minLength: 1, maxLength: 12 }),
      a: fc.nat(),
      b: fc.nat(),
    });
    await fc.assert(
      fc.asyncProperty(case_, async ({ parts, a, b }) => {
        const text = tidyText(`x${parts.join('')}`);
        const places = [0];
        for (const point of text) places.push(places[places.length - 1] + point.length);
        const [start, end] = [places[a % places.length], places[b % places.length]].sort((x, y) => x - y);
        const codes: QdaCode[] = [{ id: 'c', name: 'a <code> & "more"' }];
        const bytes = packed({
          title: 't',
          codes,
          types: { age: 'number' },
          notes: [{ id: 'n', name: 'n', text: 'A thought' }],
          sources: [
            {
              id: 's',
              name: 'one.txt',
              text,
              attributes: { role: 'driver', age: '30', constructor: 'x' },
              selections: [{ start, end, codes: ['c'] }],
            },
          ],
        });
        const content = await read(bytes);
        if (content.kind !== 'texts') throw new Error(`It was read as ${content.kind}`);
        const [first] = content.texts;
        expect(first.text).to.equal(text);
        expect(Object.entries(first.attributes ?? {})).to.have.deep.members([
          ['role', 'driver'],
          ['age', '30'],
          ['constructor', 'x'],
        ]);
        expect(first.codings).to.deep.equal(
          start === end ? [] : [{ start, end, tags: ['a <code> & "more"'], note: '' }],
        );
        expect(content.memos).to.deep.equal(['A thought']);
      }),
      { numRuns: 60 },
    );
  });

  it('may have its line ends as other systems do, and its text inside it', async () => {
    const raw = '\ufeffOne\r\ntwo 😀\r\nthree';
    // "three" is at code points 12 to 17 of the text as it came in.
    const content = await read(project(CODES + source(coded(12, 17)), { 'a.txt': raw }));
    if (content.kind !== 'texts') throw new Error(`It was read as ${content.kind}`);
    const [{ text, codings = [] }] = content.texts;
    expect(text).to.equal('One\ntwo 😀\nthree');
    expect(codings.map(({ start, end, tags, note }) => [text.slice(start, end), tags, note])).to.deep.equal([
      ['three', ['rain & wind'], 'why'],
    ]);
    const inside = await read(
      project(CODES + source(`<q:PlainTextContent>Wet.</q:PlainTextContent>${coded(0, 3)}`, '')),
    );
    expect(inside).to.deep.include({ kind: 'texts' });
    expect(placesOfPoints('a\r\nb', [0, 1, 2, 3, 4, 9])).to.deep.equal([0, 1, 1, 2, 3, undefined]);
  });

  it('may have two codes of one name, codes of whole sources, and its folder in capitals: none is lost', async () => {
    const codes =
      '<q:CodeBook><q:Codes><q:Code guid="t" name="trust"><q:Code guid="t1" name="low"/></q:Code><q:Code guid="f" name="fear"><q:Code guid="f1" name="low"/><q:Code guid="f2" name="high"/></q:Code></q:Codes></q:CodeBook>';
    const sources = `<q:Sources><q:TextSource guid="a" name="One" plainTextPath="internal://a.txt"><q:Coding guid="k1"><q:CodeRef targetGUID="f2"/></q:Coding>${coded(0, 3, 't1')}${coded(4, 7, 'f1')}${coded(8, 11, 'f2')}</q:TextSource><q:TextSource guid="b" name="Two" plainTextPath="internal://B.TXT"/></q:Sources>`;
    const bytes = zipSync({
      'project.qde': strToU8(
        `<?xml version="1.0"?><q:Project xmlns:q="urn:QDA-XML:project:1.0" name="p">${codes}${sources}</q:Project>`,
      ),
      'Sources/a.txt': strToU8('One two six.'),
      'Sources/b.txt': strToU8('Another text.'),
    });
    const content = await read(bytes);
    if (content.kind !== 'texts') throw new Error(JSON.stringify(content));
    expect(content.texts.map(({ text, attributes }) => [text, attributes])).to.deep.equal([
      ['One two six.', { 'Code: high': 'yes' }],
      ['Another text.', { 'Code: high': 'no' }],
    ]);
    expect(content.texts[0].codings?.map(({ tags }) => tags)).to.deep.equal([
      ['trust › low'],
      ['fear › low'],
      ['high'],
    ]);
    expect(content.note).to.include('A code of whole sources is an attribute: Code: high.');
  });

  it('gives the values of a case to its sources', async () => {
    const content = await read(
      project(
        '<q:Variables><q:Variable guid="v" name="role" typeOfVariable="Text"/></q:Variables><q:Cases><q:Case guid="k" name="Ada"><q:VariableValue><q:VariableRef targetGUID="v"/><q:TextValue>driver</q:TextValue></q:VariableValue><q:SourceRef targetGUID="a"/></q:Case></q:Cases>' +
          source(''),
        { 'a.txt': 'Rain.' },
      ),
    );
    expect(content.kind === 'texts' && content.texts[0].attributes).to.deep.equal({ role: 'driver' });
  });

  it('has its sets as attributes, but for those that hold no text or all of them', async () => {
    const one = (id: string) => ({ id, name: id, text: `Rain ${id}.`, attributes: {}, selections: [] });
    const written = (sets: { name: string; sources: string[] }[]): Uint8Array =>
      packed({
        title: 't',
        codes: [],
        types: {},
        notes: [],
        sources: ['a', 'b', 'c'].map(one),
        sets,
      });
    const valuesOf = async (bytes: Uint8Array): Promise<unknown> => {
      const content = await read(bytes);
      if (content.kind !== 'texts') throw new Error(`It was read as ${content.kind}`);
      return { note: content.note, values: content.texts.map(({ attributes }) => attributes) };
    };
    expect(
      await valuesOf(
        written([
          { name: 'night & "day"', sources: ['a', 'c'] },
          { name: 'all', sources: ['a', 'b', 'c'] },
          { name: 'none', sources: [] },
        ]),
      ),
    ).to.deep.equal({
      note: 'Its set is an attribute: Set: night & "day".',
      values: [
        { 'Set: night & "day"': 'yes' },
        { 'Set: night & "day"': 'no' },
        { 'Set: night & "day"': 'yes' },
      ],
    });
    // Two of one name are one, as their members are all that tells them apart; one without a name has one here.
    expect(
      await valuesOf(
        written([
          { name: 'x', sources: ['a'] },
          { name: 'x', sources: ['b'] },
          { name: '', sources: ['c'] },
        ]),
      ),
    ).to.deep.equal({
      note: 'Its 2 sets are attributes: Set: x and Set: untitled.',
      values: [
        { 'Set: x': 'yes', 'Set: untitled': 'no' },
        { 'Set: x': 'yes', 'Set: untitled': 'no' },
        { 'Set: x': 'no', 'Set: untitled': 'yes' },
      ],
    });
    // What a set names and is no text of the project is nobody.
    expect(
      await valuesOf(
        project(
          `${source('')}<q:Sets><q:Set guid="s" name="odd"><q:MemberSource targetGUID="gone"/><q:MemberCode targetGUID="c"/></q:Set></q:Sets>`,
          { 'a.txt': 'Rain.' },
        ),
      ),
    ).to.deep.equal({ note: undefined, values: [{}] });
  });

  it('is refused or read in part with the reason, whatever is wrong with it', async () => {
    const whole = project(CODES + source(coded(0, 3)), { 'a.txt': 'Rain fell.' });
    expect(await read(whole.subarray(0, whole.length - 40))).to.deep.include({ kind: 'refused' });
    expect(await read(project('<q:Sources><q:TextSource'))).to.include({ kind: 'refused' });
    expect(await read(project(CODES))).to.deep.include({
      reason: 'The project holds no text that can be read.',
    });
    // A path outside it is nothing it holds.
    for (const path of ['internal://../../etc/passwd', '/etc/passwd', 'relative://x', 'internal://b.txt'])
      expect(await read(project(source('', path), { 'a.txt': 'x' })), path).to.include({ kind: 'refused' });
    const odd = await read(
      project(
        CODES +
          source([coded(2, 900), coded(-4, 2), coded('x', 2), coded(3, 3), coded(0, 4, 'gone')].join('')),
        {
          'a.txt': 'Rain fell.',
        },
      ),
    );
    if (odd.kind !== 'texts') throw new Error('It was refused');
    expect(odd.note).to.include('4 codings pointed beyond');
    // A coding whose code is not there keeps its note.
    expect(odd.texts[0].codings).to.deep.equal([{ start: 0, end: 4, tags: [], note: 'why' }]);
    const nested = '<q:Code guid="g" name="n">'.repeat(1000) + '</q:Code>'.repeat(1000);
    expect(
      await read(
        project(`<q:CodeBook><q:Codes>${nested}</q:Codes></q:CodeBook>${source('')}`, { 'a.txt': 'x' }),
      ),
    ).to.include({
      kind: 'texts',
    });
    const entities = await read(
      zipSync({
        'project.qde': strToU8(
          `<!DOCTYPE p [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><Project><Sources><TextSource guid="a" name="&b;"><PlainTextContent>Wet &b; day</PlainTextContent></TextSource></Sources></Project>`,
        ),
      }),
    );
    expect(JSON.stringify(entities)).to.not.include('aaaaaaaaaa');
    const many = await read(
      project(CODES + source(coded(0, 4).repeat(MOST_CODINGS + 7)), { 'a.txt': 'Rain fell.' }),
    );
    expect(many.kind === 'texts' && many.note).to.include('7 more codings did not fit');
  });

  it('becomes sources, and entries of the Notebook with the words that were coded', async () => {
    const bytes = project(CODES + source(coded(0, 4)), { 'a.txt': 'Rain fell.' });
    const { added, entries, refused } = await readFiles([{ name: 'p.qdpx', bytes }], new Set());
    expect(refused).to.deep.equal([]);
    expect(added.map(({ source: { name }, text }) => [name, text])).to.deep.equal([['One', 'Rain fell.']]);
    expect(entries).to.deep.equal([
      {
        note: 'why',
        tags: ['rain & wind'],
        excerpt: { sourceId: added[0].source.id, sourceName: 'One', start: 0, end: 4, quote: 'Rain' },
      },
    ]);
  });
});
