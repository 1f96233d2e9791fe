// What a plain script does with the same files, to compare with: pattern tokens, stop words, the 200 most frequent words,
// pairs within 20 words, one grouping by moving words to the neighbours they hang on most.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { eng } from 'stopword';

const [, , folder, out] = process.argv;
const stops = new Set(eng);
const WORDS = 200;
const REACH = 20;

const texts = readdirSync(folder)
  .sort()
  .map((name) =>
    (
      readFileSync(join(folder, name), 'utf8')
        .toLowerCase()
        .match(/[\p{L}']+/gu) ?? []
    ).filter((word) => !stops.has(word)),
  );
const counts = new Map();
for (const words of texts) for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
const top = [...counts].sort((a, b) => b[1] - a[1]).slice(0, WORDS);
const idOf = new Map(top.map(([word], i) => [word, i]));
const pairs = new Float64Array(WORDS * WORDS);
for (const words of texts) {
  const ids = words.map((word) => idOf.get(word) ?? -1);
  for (let i = 0; i < ids.length; i++) {
    if (ids[i] < 0) continue;
    for (let j = i + 1; j < Math.min(ids.length, i + REACH); j++) {
      if (ids[j] < 0 || ids[j] === ids[i]) continue;
      pairs[ids[i] * WORDS + ids[j]]++;
      pairs[ids[j] * WORDS + ids[i]]++;
    }
  }
}
const degree = Array.from({ length: WORDS }, (_, i) =>
  pairs.subarray(i * WORDS, (i + 1) * WORDS).reduce((sum, each) => sum + each, 0),
);
const whole = degree.reduce((sum, each) => sum + each, 0);
const group = degree.map((_, i) => i);
for (let moved = true, rounds = 0; moved && rounds < 20; rounds++) {
  moved = false;
  for (let i = 0; i < WORDS; i++) {
    const gain = new Map();
    for (let j = 0; j < WORDS; j++) {
      if (j !== i)
        gain.set(
          group[j],
          (gain.get(group[j]) ?? 0) + pairs[i * WORDS + j] - (degree[i] * degree[j]) / whole,
        );
    }
    const [best] = [...gain].sort((a, b) => b[1] - a[1])[0];
    if (best !== group[i] && gain.get(best) > (gain.get(group[i]) ?? 0) + 1e-9) {
      group[i] = best;
      moved = true;
    }
  }
}
writeFileSync(
  out,
  `word,mentions,group\n${top.map(([word, count], i) => `${word},${count},${group[i]}`).join('\n')}\n`,
);
