import { expect } from 'chai';
import fc from 'fast-check';
import { NOUN, VERB } from '../../src/languages/en/lexicon.ts';
import {
  ARTICLE_BEFORE,
  elidedBefore,
  NOTHING_BEFORE,
  plainForm,
  PRONOUN_BEFORE,
  withoutElided,
} from '../../src/languages/plain-form.ts';
import { parseWordForms, withCompounds } from '../../src/languages/word-forms.ts';

/** Two paradigms, stems that share letters, a word by itself and an adverb, as the dictionaries are written. */
const DICTIONARY = `n ,e,en
v en,e,t
%
0Bus 0
0wart 1
1ein 1
%
n Haus Hauses Häuser Häusern
n Linie Linien
%
oft
`;

describe('the forms of a language', () => {
  const forms = parseWordForms(DICTIONARY);

  it('are read by stem and ending, with what stands by itself', () => {
    expect(forms.readingsOf('Busen')).to.deep.equal([{ part: NOUN, lemma: 'Bus' }]);
    expect(forms.readingsOf('Bus')).to.deep.equal([{ part: NOUN, lemma: 'Bus' }]);
    expect(forms.readingsOf('wartet')).to.deep.equal([]);
    expect(forms.readingsOf('wart')).to.deep.equal([]);
    expect(forms.readingsOf('warte')).to.deep.equal([{ part: VERB, lemma: 'warten' }]);
    // Its stem is written as the letter it shares with the one before, and the rest.
    expect(forms.readingsOf('weint')).to.deep.equal([{ part: VERB, lemma: 'weinen' }]);
    expect(forms.readingsOf('Häuser')).to.deep.equal([{ part: NOUN, lemma: 'Haus' }]);
    expect(forms.isOther('oft')).to.equal(true);
    expect(forms.isOther('Haus')).to.equal(false);
  });

  it('of a compound are those of its last part, where its first is a word', () => {
    const compounds = withCompounds(forms);
    expect(compounds.readingsOf('Buslinien')).to.deep.equal([{ part: NOUN, lemma: 'Buslinie' }]);
    expect(compounds.readingsOf('Warthäuser')).to.deep.equal([{ part: NOUN, lemma: 'Warthaus' }]);
    expect(compounds.readingsOf('Xyzhaus')).to.deep.equal([]);
    expect(compounds.readingsOf('buslinien'), 'in small letters it is none').to.deep.equal([]);
  });

  it('hold for words named as what every object has', () => {
    for (const word of ['constructor', '__proto__', 'toString']) {
      expect(forms.readingsOf(word)).to.deep.equal([]);
      expect(forms.isOther(word)).to.equal(false);
    }
  });
});

describe('what is elided before a word', () => {
  it('is an article or a pronoun, whatever apostrophe and however accents are written', () => {
    for (const apostrophe of ["'", '’', 'ʼ']) {
      expect(plainForm(`L${apostrophe}éducation`)).to.equal('éducation');
      expect(plainForm(`l${apostrophe}e\u0301ducation`)).to.equal('éducation');
      expect(plainForm(`dell${apostrophe}ospedale`)).to.equal('ospedale');
      expect(plainForm(`qu${apostrophe}il`)).to.equal('il');
      expect(withoutElided(`l${apostrophe}École`)).to.equal('École');
    }
    expect([elidedBefore('d’eau'), elidedBefore("j'attends"), elidedBefore('aujourd’hui')]).to.deep.equal([
      ARTICLE_BEFORE,
      PRONOUN_BEFORE,
      NOTHING_BEFORE,
    ]);
    expect(plainForm('aujourd’hui')).to.equal("aujourd'hui");
    expect(plainForm("driver's")).to.equal('driver');
  });

  it('leaves the end of the form as it was, so that marks stand where they stood', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('', 'l’', "d'", 'dell’', 'qu’', 'J’', 'x’'),
        fc.stringMatching(/^[a-zäéôß]{2,9}$/),
        (before, word) => {
          const form = before + word;
          expect(form.endsWith(withoutElided(form))).to.equal(true);
          expect(plainForm(form)).to.equal(plainForm(withoutElided(form)));
          // What is left has nothing elided before it.
          expect(elidedBefore(withoutElided(form))).to.equal(NOTHING_BEFORE);
        },
      ),
    );
  });
});
