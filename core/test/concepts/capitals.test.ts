import { expect } from 'chai';
import { AT_START, INSIDE, readCapitals, SMALL, type Capitals } from '../../src/concepts/capitals.ts';
import { tokensOf } from '../examples.ts';

function capitalsIn(text: string): Capitals & { readonly forms: readonly string[] } {
  const tokens = tokensOf(text);
  return { ...readCapitals(tokens, [text]), forms: tokens.forms };
}

describe('capitals', () => {
  it('say something inside a sentence, and nothing at its start or after what opens one', () => {
    expect([...capitalsIn('The bus to Northgate. He said “Wait here”.').how]).to.deep.equal([
      AT_START,
      SMALL,
      SMALL,
      INSIDE,
      AT_START,
      SMALL,
      AT_START,
      SMALL,
    ]);
  });

  it('say nothing in a heading, in single letters and in numbers', () => {
    expect([...capitalsIn('WAITING FOR THE BUS').how]).to.deep.equal([SMALL, SMALL, SMALL, SMALL]);
    expect([...capitalsIn('so I took B at 7').how]).to.deep.equal([SMALL, SMALL, SMALL, SMALL, SMALL, SMALL]);
  });

  it('are listed in the order of the text', () => {
    expect([...capitalsIn('We met Nadia at Mill Hill. Then rain.').large]).to.deep.equal([0, 2, 4, 5, 6]);
  });

  it('are summed up by word, a possessive with its word', () => {
    const { forms, word, inside, small } = capitalsIn(
      'I saw Nadia. I saw Nadia’s bike. Nadia rode. A nadia is none.',
    );
    const of = (form: string): number[] => {
      const type = forms.indexOf(form);
      return [inside[type], small[type]];
    };
    expect(word[forms.indexOf('nadia’s')]).to.equal('nadia');
    // Twice inside a sentence, once at its start, which is neither, and once without a capital.
    expect(of('nadia')).to.deep.equal([2, 1]);
    expect(of('nadia’s')).to.deep.equal([2, 1]);
    expect(of('bike')).to.deep.equal([0, 1]);
  });
});
