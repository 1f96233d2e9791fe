import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { strToU8 } from 'fflate';
import { readFile } from '../../src/formats/read/files.ts';
import type { FileContent } from '../../src/formats/read/read-result.ts';
import { readFiles } from '../../src/intake/intake.ts';
import { bareSubject, mailParts, mailPieces, headFields } from '../../src/text/mail/mail-parts.ts';
import { withoutPieces } from '../../src/text/reading-part.ts';
import { exampleStudy, asking } from '../examples.ts';

type Texts = Extract<FileContent, { kind: 'texts' }>;
const texts = async (name: string, content: string | Uint8Array): Promise<Texts> => {
  const read = await readFile({ name, bytes: typeof content === 'string' ? strToU8(content) : content });
  if (read.kind !== 'texts') throw new Error(JSON.stringify(read));
  return read;
};
const head = (subject: string, more = ''): string =>
  `From: Ada Berg <ada@larkhaven.example>\nTo: all@larkhaven.example\nSubject: ${subject}\nDate: Mon, 12 May 2031 22:14:03 +0200\nMessage-ID: <1@larkhaven.example>\n${more}\n`;
const ANSWER = `It was late again.

On Mon, 12 May 2031 at 20:00, Ben Carter
<ben@larkhaven.example> wrote:
> It came at ten.
>
> Really.

I do not think so.

-- 
Ada
Harbour Road 3
____________________________
talk mailing list
To unsubscribe, write to talk-leave@larkhaven.example
`;
/** What is left of a text without the parts of a mail that are not its own. */
const ownWords = (text: string): string => {
  const out = mailPieces(text, ['headers', 'quoted', 'signature', 'footer']);
  return withoutPieces([[0, text.length]], out, text.length)
    .map(([start, end]) => text.slice(start, end).trim())
    .filter((each) => each !== '')
    .join(' ');
};

describe('mails', () => {
  it('give their words, and sender, day, subject and list as attributes', async () => {
    const read = await texts(
      'a.eml',
      head(
        'Re: [talk] =?utf-8?Q?Caf=C3=A9?= at night',
        'List-Id: Night talk <talk.larkhaven.example>\nMIME-Version: 1.0\nContent-Type: text/plain; charset=iso-8859-1\nContent-Transfer-Encoding: quoted-printable\n',
      ) + 'The caf=E9 is a long =\nway off.\n',
    );
    expect(read.texts).to.deep.equal([
      {
        name: 'Café at night · Ada Berg',
        text: 'The café is a long way off.\n',
        attributes: { from: 'Ada Berg', date: '2031-05-12', subject: 'Café at night', list: 'Night talk' },
      },
    ]);
  });

  it('of several parts give the plain one, else the page, and name what is attached', async () => {
    const part = (type: string, body: string, more = ''): string =>
      `--xx\nContent-Type: ${type}\n${more}\n${body}\n`;
    const type = 'MIME-Version: 1.0\nContent-Type: multipart/mixed; boundary="xx"\n';
    const picture = part(
      'image/png; name="bus.png"',
      'iVBORw0K',
      'Content-Disposition: attachment; filename="bus.png"\nContent-Transfer-Encoding: base64\n',
    );
    const page = part('text/html', '<p>Look</p><table><tr><td>one</td><td>two</td></tr></table>');
    const both = await texts(
      'b.eml',
      `${head('Both', type)}${part('text/plain', 'Plain words')}${picture}--xx--\n`,
    );
    expect(both.texts[0].text).to.equal('Plain words\n');
    expect(both.note).to.equal('b.eml: 1 attachment left out (bus.png).');
    const short = await texts('c.eml', `${head('Page', type)}${page}${picture}`);
    expect(short.texts[0].text).to.equal('Look\n\none\n\ntwo\n');
    expect(short.note).to.include('1 message ends in the middle');
  });

  it('in a mailbox are parted at their lines “From …”, not at sentences that begin so', async () => {
    const box = ['One bus.', '>From the stop I saw it.\nFrom there I walked.\n\nFrom then on it rained.']
      .map((body, i) => `From ada@larkhaven.example Mon May 12 22:1${i}:03 2031\n${head(`No ${i}`)}${body}\n`)
      .join('\n');
    for (const name of ['a.mbox', 'a.txt', 'a']) {
      const read = await texts(name, box);
      expect(read.texts.map(({ text }) => text)).to.deep.equal([
        'One bus.\n',
        'From the stop I saw it.\nFrom there I walked.\n\nFrom then on it rained.\n',
      ]);
    }
  });

  it('lose quoted replies, signature and footer, as cuts that can be put back', async () => {
    expect(ownWords(head('x') + ANSWER)).to.equal('It was late again. I do not think so.');
    expect(mailParts(head('x') + ANSWER).map(({ kind }) => kind)).to.deep.equal([
      'headers',
      'quoted',
      'signature',
      'footer',
    ]);
    const { added } = await readFiles([{ name: 'a.eml', bytes: strToU8(head('x') + ANSWER) }], new Set());
    const [{ source, text }] = added;
    const read = withoutPieces([[0, text.length]], source.cuts ?? [], text.length);
    expect(read.map(([start, end]) => text.slice(start, end).trim()).filter(Boolean)).to.deep.equal([
      'It was late again.',
      'I do not think so.',
    ]);
    expect(text).to.include('> Really.');
  });

  it('quoted whole lose all from there on, and what only looks so is kept', () => {
    const whole = 'See below.\n\n-----Original Message-----\nFrom: Ben\nSent: Monday\n\nThe bus.\n';
    expect(ownWords(whole)).to.equal('See below.');
    expect(ownWords('See below.\n\nFrom: Ben\nSent: Monday\nSubject: Bus\n\nThe bus.\n')).to.equal(
      'See below.',
    );
    const plain =
      'Driver: I said so.\n\nWe wrote:\n\nThe list has four parts.\n\n--\n' + 'One line more.\n'.repeat(20);
    expect(mailParts(plain)).to.deep.equal([]);
    expect(mailParts('')).to.deep.equal([]);
  });

  it('are known by their headers in plain texts: what stands there, and the subject without its marks', () => {
    const fields = headFields(`${head('A long\n  subject')}Words.`);
    expect(fields.subject).to.equal('A long subject');
    expect(fields.from).to.equal('Ada Berg <ada@larkhaven.example>');
    expect(headFields('Note: this\nAnd: that\n\nWords.')).to.deep.equal({});
    for (const marked of ['Re: AW: Bus', 'FWD: Re[2]: Bus', 'Bus'])
      expect(bareSubject(marked)).to.equal('Bus');
    expect(bareSubject('[talk] Re: Bus')).to.equal('[talk] Bus');
    expect(bareSubject('Rent: due')).to.equal('Rent: due');
  });

  it('are counted by part over a collection, read or not, with what their heads say', () => {
    const study = exampleStudy([
      { name: 'a.txt', text: `From: Ada\nDate: Mon, 12 May 2031\nSubject: Re: Bus\n\n${ANSWER}` },
      { name: 'b.txt', text: 'Only words, no mail.\n\n> a quotation' },
    ]);
    const ask = asking(study);
    const { mails, parts, heads } = ask('mail', null);
    const [{ id }] = study.state.sources;
    expect(mails).to.equal(1);
    expect(parts.map(({ kind, sourceIds, out }) => [kind, sourceIds.length, out.length])).to.deep.equal([
      ['headers', 1, 0],
      ['quoted', 1, 0],
      ['signature', 1, 0],
      ['footer', 1, 0],
    ]);
    expect(heads).to.deep.equal({
      from: { [id]: 'Ada' },
      date: { [id]: '2031-05-12' },
      subject: { [id]: 'Bus' },
    });
    const rule = { kind: 'mail', parts: ['quoted'] } as const;
    study.decide({ kind: 'setCuts', cuts: ask('trim', { rule, sourceIds: [id] }).cuts });
    expect(asking(study)('mail', null).parts[1].out).to.deep.equal([id]);
    study.decide({
      kind: 'setCuts',
      cuts: asking(study)('trim', { rule, sourceIds: [id], back: true }).cuts,
    });
    expect(study.state.sources[0].cuts).to.deep.equal([]);
  });

  it('cut short, nested, addressed to thousands or in a wrong encoding come in as far as they go', async () => {
    const many = Array.from({ length: 10_000 }, (_, i) => `p${i}@larkhaven.example`).join(', ');
    expect((await texts('to.eml', head('Many', `Cc: ${many}\n`) + 'Words.')).texts[0].text).to.equal(
      'Words.\n',
    );
    let nested = 'Content-Type: text/plain\n\nDeep words.\n';
    for (let i = 0; i < 20; i++)
      nested = `Content-Type: multipart/mixed; boundary="b${i}"\n\n--b${i}\n${nested}\n--b${i}--\n`;
    expect((await texts('deep.eml', `${head('Deep').trimEnd()}\n${nested}`)).texts[0].text).to.include(
      'Deep words.',
    );
    const wrong = head('Odd', 'Content-Type: text/plain; charset=no-such-thing\n') + 'Words.';
    expect((await texts('odd.eml', wrong)).texts[0].text).to.equal('Words.\n');
    const refused = await readFile({ name: 'none.mbox', bytes: strToU8('no message at all') });
    expect(refused)
      .to.have.property('reason')
      .that.matches(/No message was found/);
    const empty = await readFile({ name: 'e.eml', bytes: strToU8(head('Empty')) });
    expect(empty)
      .to.have.property('reason')
      .that.matches(/no words/);
  });

  it('of the sample come in one a source, without what the list and the programs put in', async () => {
    const box = readFileSync(new URL('../../../demo/night-buses-mails/list.mbox', import.meta.url));
    const { added } = await readFiles([{ name: 'list.mbox', bytes: box }], new Set());
    expect(added).to.have.length(30);
    const read = added
      .map(({ source: { cuts = [] }, text }) =>
        withoutPieces([[0, text.length]], cuts, text.length)
          .map(([start, end]) => text.slice(start, end))
          .join(''),
      )
      .join('\n');
    expect(read).not.to.match(/^>|wrote:|mailing list|unsubscribe|Depot Road|charset/m);
    expect(read).to.include('Has anyone else noticed').and.include('music venue');
  });
});

describe('chats', () => {
  const chat = `12/05/2031, 22:14 - This group was made.
12/05/2031, 22:14 - Ada: The bus is late
and it rains
12/05/2031, 22:15 - +00 7700 900123: I saw it
13/05/2031, 06:02 - Ada: <Media omitted>
13/05/2031, 06:03 - Ada: Good morning
`;

  it('become turns with day and time; what has no words is counted', async () => {
    const read = await texts('chat.txt', chat);
    expect(read.texts[0].text).to.equal(
      '[2031-05-12 22:14] Ada: The bus is late\nand it rains\n\n[2031-05-12 22:15] Person 2: I saw it\n\n[2031-05-13 06:03] Ada: Good morning\n',
    );
    expect(read.texts[0].attributes).to.deep.equal({ date: '2031-05-12' });
    expect(read.note).to.match(/3 messages of 2 writers; 1 message without words left out; 1 notice/);
    const study = exampleStudy([{ name: 'chat.txt', text: read.texts[0].text }]);
    expect(asking(study)('speakers', null).speakers.map(({ label }) => label)).to.deep.equal([
      'Ada',
      'Person 2',
    ]);
  });

  it('are read in brackets, with months first, with half days, and with names in angle brackets', async () => {
    const half = ['10:14:03 PM] Ada', '10:15:03 PM] Ben', '12:15:03 AM] Ada', '11:16:03 AM] Ada']
      .map((each, i) => `[5/${i < 2 ? 12 : 13}/31, ${each}: words`)
      .join('\n');
    expect((await texts('a.txt', half)).texts[0].text.match(/\[[^\]]*\]/g)).to.deep.equal([
      '[2031-05-12 22:14]',
      '[2031-05-12 22:15]',
      '[2031-05-13 00:15]',
      '[2031-05-13 11:16]',
    ]);
    const lines = ['ada', 'ben', 'ada', 'ben'].map((who, i) => `[22:1${i}] <${who}> words`).join('\n');
    expect((await texts('b.txt', lines)).texts[0].text).to.match(
      /^\[22:10\] Ada: words\n\n\[22:11\] Ben: words/,
    );
  });

  it('are not seen in transcripts with times, nor in plain text', async () => {
    for (const plain of [
      '[00:01:12] Driver: One.\n[00:01:15] Ann: Two.\n[00:01:20] Driver: Three.\n[00:01:22] Ann: Four.\n',
      'On 12/05/2031, 22:14 - it rained: much.\n'.repeat(3),
    ])
      expect((await texts('t.txt', plain)).texts[0].text).to.equal(plain);
  });
});
