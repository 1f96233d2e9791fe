// Makes the mails of the sample, demo/night-buses-mails/list.mbox, from what is said in mails.txt: a mailing list whose mails
// quote the one they answer, with signatures, a footer that the list adds, and headers as mail programs write them.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const here = (path) => fileURLToPath(new URL(path, import.meta.url));
const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');
const SIGNATURES = {
  'Rafe Linden': 'Rafe Linden, driver\nLarkhaven Night Buses, Depot Road',
  'Ottilie Brandt': 'Ottilie Brandt\nRota desk, Quayside warehouse',
  'Lark Denholm': 'Lark Denholm\nThe Lantern, Market Square, Larkhaven',
  'Ilse Varga': 'Ilse',
};
const FOOTER = `_______________________________________________
night-bus-talk mailing list
To unsubscribe, write to night-bus-talk-leave@lists.larkhaven.example
Archives: https://lists.larkhaven.example/night-bus-talk`;

const addressOf = (name) => `${name.toLowerCase().replace(' ', '.')}@larkhaven.example`;
const quoted = (text) => text.replace(/^/gm, '> ').replace(/^> $/gm, '>');
/** Lines of at most 72 characters, as mail programs break them. */
function wrapped(text) {
  return text
    .split('\n')
    .map((line) => line.replace(/(.{1,72})(?:\s+|$)/g, '$1\n').trimEnd())
    .join('\n');
}
/** Characters beyond ASCII as quoted-printable has them. */
const encoded = (text) =>
  text.replace(/[=\u0080-\uffff]/g, (character) =>
    [...Buffer.from(character)].map((byte) => `=${byte.toString(16).toUpperCase()}`).join(''),
  );

const mails = readFileSync(here('mails.txt'), 'utf8')
  .trim()
  .split(/\n\n(?=[^\n|]+ \| )/)
  .map((mail) => {
    const [head, ...body] = mail.split('\n');
    const [from, date, subject, answers] = head.split(' | ');
    return { from, date: new Date(`${date.replace(' ', 'T')}:00Z`), subject, answers, body: body.join('\n') };
  });

const two = (number) => String(number).padStart(2, '0');
const box = mails.map(({ from, date, subject, answers, body }, i) => {
  const clock = `${two(date.getUTCHours())}:${two(date.getUTCMinutes())}`;
  const day = `${DAYS[date.getUTCDay()]}, ${date.getUTCDate()} ${MONTHS[date.getUTCMonth()]} ${date.getUTCFullYear()}`;
  const before = answers === '-' ? undefined : mails[Number(answers) - 1];
  const parts = [
    ...(before
      ? [
          `On ${before.date.toISOString().slice(0, 10)}, ${before.from} wrote:\n${quoted(wrapped(before.body))}`,
        ]
      : []),
    wrapped(body),
    ...(SIGNATURES[from] ? [`-- \n${SIGNATURES[from]}`] : []),
    FOOTER,
  ];
  return `From ${addressOf(from)} ${day.replace(',', '')} ${clock}:00
From: ${from} <${addressOf(from)}>
To: night-bus-talk@lists.larkhaven.example
Subject: ${before ? 'Re: ' : ''}[night-bus-talk] ${subject}
Date: ${day} ${clock}:00 +0000
Message-ID: <${i + 1}.${date.getTime()}@lists.larkhaven.example>
${before ? `In-Reply-To: <${answers}.${before.date.getTime()}@lists.larkhaven.example>\n` : ''}List-Id: Night bus talk <night-bus-talk.lists.larkhaven.example>
MIME-Version: 1.0
Content-Type: text/plain; charset=utf-8
Content-Transfer-Encoding: quoted-printable

${encoded(parts.join('\n\n'))
  .replace(/ $/gm, '=20')
  .replace(/^From /gm, '>From ')}
`;
});
mkdirSync(here('../night-buses-mails'), { recursive: true });
writeFileSync(here('../night-buses-mails/list.mbox'), box.join('\n'));
