import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { inOneStep } from '../../src/base/stepwise.ts';
import { knownBy } from '../../src/languages/known-by.ts';
import { cuedKnowledge } from '../../src/text/words/word-knowledge.ts';
import { asking, exampleStudy } from '../examples.ts';

/** Words of the themes the German interviews were written about. */
const PLANTED = {
  waiting: ['Unterstand', 'Bank', 'Regen', 'Wind', 'Fahrplan', 'Verspätung'],
  work: ['Schicht', 'Frühschicht', 'Anschluss', 'Zug', 'Lager'],
  safety: ['Laterne', 'Kamera', 'Polizei', 'Angst', 'Licht', 'Handy', 'Belästigung'],
  noise: ['Motor', 'Bremse', 'Lärm', 'Schlafzimmer', 'Leerlauf', 'Beschwerde', 'Fenster'],
};

describe('the sample in German', () => {
  it('has its four themes, in dictionary forms with their capitals, and no function word among its concepts', function () {
    this.timeout(60_000);
    const folder = new URL('../../../demo/nachtbus/', import.meta.url);
    const names = readdirSync(folder).filter((name) => name.endsWith('.txt'));
    expect(names).to.have.length(12);
    const dictionary = (name: string): string =>
      readFileSync(new URL(`../../lexicon/${name}.txt`, import.meta.url), 'utf8');
    const words = knownBy(cuedKnowledge((name, make) => inOneStep(() => make(name && dictionary(name)))));
    const study = exampleStudy(
      names.map((name) => ({ name, text: readFileSync(new URL(name, folder), 'utf8') })),
      { words },
    );
    const { themes } = asking(study, { words })('themes', null);
    const members = themes.map(({ concepts }) => concepts.map(({ label }) => label));
    expect(members).to.have.length(4);
    for (const [what, words] of Object.entries(PLANTED)) {
      const best = Math.max(...members.map((each) => words.filter((word) => each.includes(word)).length));
      expect(best, `${what} in ${JSON.stringify(members)}`).to.be.at.least(words.length - 1);
    }
    // Compounds are offered to be counted with their last part, and nothing that only ends alike.
    const { suggestions } = asking(study, { words })('suggestions', { refused: [] });
    const compounds = suggestions
      .filter(({ reason }) => reason === 'compound')
      .map(({ into, key }) => [into, key].sort((a, b) => a.length - b.length).join(' '));
    expect(compounds).to.include.members(['Bus Nachtbus', 'Schicht Frühschicht', 'Schicht Spätschicht']);
    for (const pair of compounds) expect(pair).to.match(/^(\p{L}+) \p{L}{3,}\1$/iu);
    for (const label of members.flat()) expect(label, 'a noun').to.match(/^\p{Lu}/u);
  });
});
