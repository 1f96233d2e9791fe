// npm run fuzz [minutes]: damages files of every format and repeats awkward text for as long as it is told; the last fifth of
// the time it decides at random in the real interface (built before) and kills the browser at it.
import { seededRandom } from '../core/src/numeric/random.ts';
import { killAtWork } from '../e2e/kills.ts';
import { fuzz } from '../core/test/formats/fuzz.ts';

const minutes = Number(process.argv[2] ?? 60);
if (!(minutes > 0)) throw new Error('Say for how many minutes, as in npm run fuzz 5.');
const begun = Date.now();
const until = begun + minutes * 48_000;
const end = begun + minutes * 60_000;
let said = 0;
const { tried, faults, slowest, slowestWas } = await fuzz(1_000_000, (done) => {
  if (Math.floor(done / 5000) > said) {
    said = Math.floor(done / 5000);
    process.stderr.write(`${done.toLocaleString('en-GB')} tried\n`);
  }
  return Date.now() < until;
});
process.stdout.write(
  `${tried.toLocaleString('en-GB')} tried, ${faults.length} faults; the slowest took ${Math.round(slowest)} ms: ${slowestWas}\n${faults.slice(0, 20).join('\n')}\n`,
);
const { kills, shown, lost } = await killAtWork(seededRandom(begun), () => Date.now() < end);
process.stdout.write(
  `${kills} kills of the browser at ${shown} shown decisions: ${lost.length} lost\n${lost.join('\n')}\n`,
);
process.exit(faults.length + lost.length === 0 ? 0 : 1);
