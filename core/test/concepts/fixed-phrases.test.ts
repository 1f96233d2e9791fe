import { expect } from 'chai';
import { fixedPhrasesWith } from '../../src/concepts/stop-words.ts';
import { exampleStudy, type ExampleStudy } from '../examples.ts';

const TEXT =
  'She spoke on behalf of the drivers. Eight per cent came on behalf of nobody. We signed in behalf of all drivers. Ten per cent of drivers agreed. Respect is rare. They show respect with respect to age. Drivers want respect.';

function conceptsOf(study: ExampleStudy): readonly string[] {
  study.decide({ kind: 'setConcepts', change: { minimumMentions: 2, minimumSources: 1 } });
  return study.compute('candidates').keys;
}

describe('words of fixed phrases', () => {
  const study = (text = TEXT): ExampleStudy => exampleStudy([{ name: 'a.txt', text }]);

  it('are no concepts where they mostly stand in them', () => {
    const keys = conceptsOf(study());
    expect(keys).to.include.members(['driver', 'respect']);
    expect(keys).not.to.include.members(['behalf']);
    expect(keys).not.to.include.members(['cent']);
  });

  it('are let back in, all at once or one by one', () => {
    const one = study();
    one.decide({ kind: 'allowWords', words: ['behalf'] });
    expect(conceptsOf(one)).to.include('behalf').and.not.include('cent');
    const all = study();
    all.decide({ kind: 'setConcepts', change: { listedStopWords: false } });
    expect(conceptsOf(all)).to.include.members(['behalf', 'cent']);
  });

  it('are those of the language they are said in, elided or not', () => {
    const french =
      'Je suis d’accord avec la mairie. Il est d’accord. Elles sont d’accord avec la mairie. Un accord est rare.';
    expect(conceptsOf(study(french)))
      .to.include('mairie')
      .and.not.include('accord');
    const bare =
      'Un accord est rare. Cet accord tient. Les accords comptent. La mairie paie. La mairie attend.';
    expect(conceptsOf(study(bare))).to.include.members(['accord', 'mairie']);
  });

  it('are told of a word, with the phrases it is part of', () => {
    expect(fixedPhrasesWith('Behalf', 'en')[0]).to.equal('on behalf of');
    expect(fixedPhrasesWith('driver', 'en')).to.deep.equal([]);
    expect(fixedPhrasesWith('any', 'ja')).to.deep.equal([]);
  });
});
