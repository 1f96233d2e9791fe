import { expect } from 'chai';
import { finish } from '../../src/base/stepwise.ts';
import { findOrderNotes, reportSteps } from '../../src/text/cleaning/cleaning-report.ts';
import { cleanText } from '../../src/text/cleaning/cleaning.ts';
import { findDate, readDate } from '../../src/text/dates.ts';
import { findDuplicates } from '../../src/text/look-alikes/duplicates.ts';
import { detectLanguage, languagesOf } from '../../src/languages/detect.ts';
import { findRemains, repairMojibake } from '../../src/text/cleaning/remains.ts';
import { FIRST_STEPS, newStep, withStep, type CleaningStep } from '../../src/text/cleaning/steps.ts';
import type { LanguageCode } from '../../src/languages/language-names.ts';
import { LANGUAGE_OF } from '../../src/languages/languages.ts';
import { stemmerOf } from '../../src/languages/stems.ts';
import { readTokens } from '../../src/text/tokens.ts';
import { functionWordsOf, stopWordsInForce } from '../../src/concepts/stop-words.ts';
import { methodSentences } from '../../src/words/sentences.ts';
import { englishLexicon, exampleStudy, textsOf } from '../examples.ts';

const remainsOf = (steps: readonly CleaningStep[], ...texts: string[]) =>
  finish(
    findRemains(
      texts.map((text) => cleanText(text, steps)),
      finish(readTokens(textsOf(...texts), steps, new Set())),
      englishLexicon(),
    ),
  );

describe('what is left to clean', () => {
  it('is listed by kind with counts, places and the step that removes it', () => {
    const texts = [
      'A nightbus came ▲▲ and the night bus left. The night was long, the bus late. Caf\u00c3\u00a9!!!! N7',
      'Donaudampfschifffahrtsgesellschaftskapitän ▲ 🚌 at 10\u200b',
    ];
    const remains = remainsOf(FIRST_STEPS, ...texts);
    const of = (kind: string) => remains.filter((row) => row.kind === kind);
    expect(of('odd').map(({ text, count }) => [text, count])).to.deep.equal([
      ['▲', 3],
      ['\u200b', 1],
      ['🚌', 1],
    ]);
    expect(of('odd').map(({ step }) => step)).to.deep.equal([
      { kind: 'symbols', which: 'symbols' },
      { kind: 'symbols', which: 'symbols' },
      { kind: 'symbols', which: 'emoji' },
    ]);
    expect(of('runs').map(({ text }) => text)).to.deep.equal(['!!!!']);
    expect(of('mojibake')).to.have.length(1);
    expect(of('mojibake')[0].step).to.include({ replacement: 'é', matchCase: false });
    expect(of('digits').map(({ text }) => text)).to.deep.equal(['n7']);
    expect(of('long').map(({ text }) => text)).to.deep.equal(['donaudampfschifffahrtsgesellschaftskapitän']);
    expect(of('glued')[0]).to.deep.include({ text: 'nightbus', count: 1 });
    expect(of('glued')[0].step).to.include({ find: 'nightbus', replacement: 'night bus' });
    for (const { places, kind, text } of remains) {
      const { source, start, end } = places[0];
      const there = texts[source].slice(start, end).toLowerCase();
      expect(there, kind).to.equal(text);
    }
  });

  it('is gone once the step it offers is taken', () => {
    const texts = ['So ▲ nice!!! The nightbus, the night and the bus, night bus. Caf\u00c3\u00a9 🚌 n7'];
    let steps: readonly CleaningStep[] = FIRST_STEPS;
    for (let round = 0; round < 10; round++) {
      const [first] = remainsOf(steps, ...texts);
      if (!first) break;
      const present = steps.find(({ kind }) => kind === first.step.kind && kind !== 'replace');
      const step = { ...newStep(first.step.kind, steps), ...first.step };
      steps = present
        ? steps.map((each) =>
            each === present
              ? {
                  ...each,
                  ...first.step,
                  ...(first.step.kind === 'symbols' ? { which: 'both' as const } : {}),
                }
              : each,
          )
        : withStep(steps, step);
    }
    expect(remainsOf(steps, ...texts)).to.deep.equal([]);
    expect(cleanText(texts[0], steps).text)
      .to.match(/café/)
      .and.match(/night bus/);
  });

  it('repairs what was read in the wrong encoding, and leaves what was not', () => {
    expect(repairMojibake('Ã©')).to.equal('é');
    expect(repairMojibake('ã©')).to.equal('é');
    expect(repairMojibake('â€œ')).to.equal('“');
    expect(repairMojibake('夜')).to.equal(undefined);
  });
});

describe('steps reported on', () => {
  it('count their places and sources, with the most frequent pieces and an example', () => {
    const steps: CleaningStep[] = [
      { id: 'numbers', on: false, kind: 'numbers', inWords: false },
      { id: 'repeats', on: true, kind: 'repeats', keep: 1 },
      {
        id: 'replace-1',
        on: true,
        kind: 'replace',
        find: '(',
        isPattern: true,
        wholeWords: false,
        matchCase: true,
        replacement: '',
      },
    ];
    const [numbers, repeats, broken] = finish(
      reportSteps(textsOf('Sooo 4 of 7 and 4', 'sooo, yesss', 'no'), steps, new Set()),
    );
    expect([numbers.places, numbers.sources]).to.deep.equal([3, 1]);
    expect(numbers.top).to.deep.equal([
      { piece: '4', replacement: ' ', count: 2 },
      { piece: '7', replacement: ' ', count: 1 },
    ]);
    expect([repeats.places, repeats.sources]).to.deep.equal([3, 2]);
    expect(repeats.example).to.deep.equal({ before: 'Sooo 4 of 7 and 4', after: 'So 4 of 7 and 4' });
    expect(broken.fault).to.match(/can’t be read/);
  });

  it('say where the order of two matters for this text, and only there', () => {
    const hyphens: CleaningStep = { id: 'hyphens', on: true, kind: 'hyphens' };
    const lineBreaks: CleaningStep = { id: 'lineBreaks', on: true, kind: 'lineBreaks' };
    const text = textsOf('They were shar-\ning a fare.\nAnd more.');
    const [note, ...others] = finish(findOrderNotes(text, [lineBreaks, hyphens]));
    expect([note.first, note.second, others.length]).to.deep.equal(['lineBreaks', 'hyphens', 0]);
    expect([note.now, note.swapped]).to.include('sharing');
    expect(finish(findOrderNotes(textsOf('Nothing to join here.'), [lineBreaks, hyphens]))).to.deep.equal([]);
    expect(finish(findOrderNotes(text, [{ ...lineBreaks, on: false }, hyphens]))).to.deep.equal([]);
  });
});

describe('sources that say the same', () => {
  const words = (from: number, to: number) =>
    Array.from({ length: to - from }, (_, i) => `word${from + i}`).join(' ');
  it('are found, whole or nearly, and others are not', () => {
    const pairs = finish(
      findDuplicates([
        words(0, 60),
        `Say: ${words(0, 60).toUpperCase()}`,
        words(0, 50) + words(200, 210),
        words(300, 360),
        'no',
        'no',
      ]),
    );
    expect(pairs.map(({ a, b }) => `${a}-${b}`).sort()).to.deep.equal(['0-1', '0-2', '1-2']);
    expect(pairs[0].overlap).to.be.at.least(0.97);
    expect(finish(findDuplicates([words(0, 60), words(40, 100)]))).to.deep.equal([]);
  });

  it('are found in long texts by a sample of their shingles', () => {
    const [pair, ...others] = finish(
      findDuplicates([words(0, 3000), words(5000, 8000), words(0, 2800) + words(9000, 9200)]),
    );
    expect([pair.a, pair.b, others.length]).to.deep.equal([0, 2, 0]);
    expect(pair.overlap).to.be.within(0.8, 1);
  });
});

describe('languages', () => {
  const SAMPLES: Record<string, string> = {
    en: 'The bus was late and we had to wait in the rain for it.',
    de: 'Der Bus war zu spät und wir haben im Regen auf ihn gewartet.',
    fr: 'Le bus était en retard et nous avons attendu sous la pluie.',
    es: 'El autobús llegó tarde y tuvimos que esperar bajo la lluvia.',
    it: 'Il bus era in ritardo e abbiamo aspettato sotto la pioggia che non finiva.',
    pt: 'O ônibus estava atrasado e nós não sabíamos o que fazer com a chuva.',
    nl: 'De bus was te laat en we moesten in de regen wachten op het plein.',
    sv: 'Bussen var sen och vi fick vänta i regnet på torget, det var kallt.',
    zh: '公共汽车晚点了，我们不得不在雨中等待很长时间。',
    ja: 'バスが遅れたので、私たちは雨の中で待たなければなりませんでした。',
  };
  it('are told of a single sentence', () => {
    for (const [code, text] of Object.entries(SAMPLES)) expect(detectLanguage(text), text).to.equal(code);
    expect(detectLanguage('ok')).to.equal('');
    expect(detectLanguage('12 34')).to.equal('');
  });

  it('of a collection are that of most of its words', () => {
    const { of, main } = languagesOf([SAMPLES.de.repeat(5), SAMPLES.en, SAMPLES.de, '…']);
    expect(of).to.deep.equal(['de', 'en', 'de', '']);
    expect(main).to.equal('de');
    expect(languagesOf([]).main).to.equal('en');
  });

  it('is not told by a long list, nor by one word again and again, where others speak', () => {
    const list = 'constructor prototype valor '.repeat(2000);
    const talks = Array.from({ length: 5 }, () => 'I grow beans and kale. The rent of the plot is too high.');
    expect(languagesOf([list, ...talks]).main).to.equal('en');
    // Alone, its letters are all there is to go by.
    const alone = languagesOf([list]);
    expect(alone.main).to.equal(alone.of[0]);
    // Its letters bring in no language that none of the talks is in; and a list in a talk does not hide what that is in.
    expect(languagesOf([list, ...talks]).of).to.deep.equal(['', ...talks.map(() => 'en')]);
    const listed = `${'I grow beans and kale in it. '.repeat(120)}${'constructor prototype valor '.repeat(400)}`;
    expect(detectLanguage(listed)).to.equal('en');
    expect(detectLanguage('no no no')).to.equal('');
    expect(detectLanguage('no se como es')).to.equal('es');
  });

  it('that are written in another script are told apart from all that are known by name', () => {
    for (const text of [
      'Автобус опоздал, и нам пришлось ждать под дождём.',
      'Το λεωφορείο άργησε και έπρεπε να περιμένουμε στη βροχή.',
      'האוטובוס איחר ונאלצנו לחכות בגשם.',
      'تأخرت الحافلة واضطررنا إلى الانتظار تحت المطر.',
      'ავტობუსმა დააგვიანა და წვიმაში ლოდინი მოგვიწია.',
      '버스가 늦어서 우리는 빗속에서 오래 기다려야 했습니다 정말.',
    ])
      expect(detectLanguage(text), text).to.equal('other');
    // Those that share common words with one that is known are none of them either.
    for (const text of [
      'Autobus spóźnił się i musieliśmy czekać w deszczu. Kierowca powiedział, że nie ma na to wpływu, a my staliśmy tam do północy. Z mojej strony mogę powiedzieć, że to jest bardzo trudne dla osób, które pracują na nocnej zmianie, bo nie mają innego sposobu, aby wrócić do domu. Kiedyś szłam pieszo o drugiej w nocy, a potem zadzwoniłam do siostry i ona po mnie przyjechała. Nie chcę tego robić po raz kolejny.',
      'Autobuzul a întârziat și a trebuit să așteptăm în ploaie. Șoferul a spus că nu poate face nimic, iar noi am stat acolo până la miezul nopții. Din partea mea pot spune că este foarte greu pentru oamenii care lucrează în tura de noapte, pentru că nu au alt mod de a ajunge acasă. O dată am mers pe jos la două noaptea și apoi am sunat-o pe sora mea.',
      'Otobüs gecikti ve yağmurda beklemek zorunda kaldık. Şoför bu konuda bir şey yapamayacağını söyledi ve gece yarısına kadar orada durduk. Kendi adıma gece vardiyasında çalışan insanlar için bunun çok zor olduğunu söyleyebilirim, çünkü eve dönmek için başka bir yolları yok. Bir keresinde gece ikide yürüdüm ve sonra kız kardeşimi aradım.',
    ])
      expect(detectLanguage(text.repeat(2)), text.slice(0, 20)).to.equal('other');
    // Nor are neighbours, which share half of their small words with one that is.
    for (const text of [
      'Bussen var forsinket, og vi måtte vente i regnen. Chaufføren sagde, at han ikke kunne gøre noget ved det, og jeg stod der til midnat.',
      'Bussen var forsinket, og vi måtte vente i regnet. Sjåføren sa at han ikke kunne gjøre noe med det, og jeg stod der til midnatt.',
      'L’autobús va arribar tard i vam haver d’esperar sota la pluja. El conductor va dir que no podia fer-hi res, i ens vam quedar allà fins a mitjanit. Per a mi és molt difícil per a la gent que treballa de nit.',
      'Die bus was laat en ons moes in die reën wag. Die bestuurder het gesê dat hy niks daaraan kan doen nie, en ek het tot middernag daar gestaan.',
    ])
      expect(detectLanguage(text), text.slice(0, 20)).to.equal('other');
    for (const [code, text] of [
      ['sv', 'Chauffören sa att han inte kunde göra något åt det, och jag stod där till midnatt.'],
      ['es', 'Para mí es muy difícil para la gente que trabaja de noche, y por eso voy con los vecinos.'],
      ['pt', 'O motorista disse que não podia fazer nada e ficámos ali até à meia-noite.'],
      ['nl', 'De chauffeur zei dat hij er niets aan kon doen, en ik heb daar tot middernacht gestaan.'],
    ])
      expect(detectLanguage(text), text).to.equal(code);
    // Notes with hardly a small word are told by their letters.
    expect(
      detectLanguage(
        'bus late again tuesday. waited forty minutes shelter broken rain coming sideways. driver rude, no eye contact, doors shut early. phoned complaint line, music twelve minutes, hung up. walked home via canal path, dark, two lads shouting. night shift tomorrow, taxi maybe, eleven pounds each way. supervisor says not his problem. union meeting thursday hall upstairs. '.repeat(
          2,
        ),
      ),
    ).to.equal('en');
    // A name in other letters, or too few of them, tells nothing.
    expect(detectLanguage(`${SAMPLES.en} Αθήνα`)).to.equal('en');
    expect(detectLanguage('дождь')).to.equal('');
    const { of, main } = languagesOf(['Автобус опоздал, и нам пришлось ждать.'.repeat(9), SAMPLES.en]);
    expect(of).to.deep.equal(['other', 'en']);
    expect(main).to.equal('other');
    expect(stopWordsInForce({ language: 'other', own: ['и'] })).to.deep.equal(new Map([['и', 'everywhere']]));
    expect(stemmerOf(LANGUAGE_OF.other)('автобусы')).to.equal('автобусы');
    expect(functionWordsOf('other').size).to.equal(0);
  });

  it('that are known by no name give concepts too: their words as they are written', () => {
    const themes = ['автобус ночь остановка водитель', 'дождь ветер навес скамейка'];
    const texts = Array.from({ length: 8 }, (_, i) => ({
      name: `${i}`,
      text: Array.from({ length: 12 }, (_, p) => `Там ${themes[(i + p) % 2]} опять.`).join('\n\n'),
    }));
    const study = exampleStudy(texts);
    study.decide({ kind: 'setConcepts', change: { phrases: false } });
    expect(study.compute('concepts').keys).to.include.members(['автобус', 'дождь', 'ветер', 'водитель']);
    const { concepts } = methodSentences(study.state, { languages: study.compute('wordLanguages').read });
    const said = concepts
      .map((part) => (typeof part === 'string' ? part : 'text' in part ? part.text : ''))
      .join('');
    expect(said)
      .to.include('Concepts are the texts’ words and names as they are written')
      .and.include('leaving out no stop words');
  });

  it('have stop words and stems of their own', () => {
    for (const [code, word] of Object.entries({
      de: 'und',
      fr: 'avec',
      es: 'está',
      it: 'non',
      pt: 'não',
      nl: 'niet',
      sv: 'och',
      zh: '的',
      ja: 'の',
    })) {
      expect(stopWordsInForce({ language: code as 'de', own: [] }).has(word), `${code} ${word}`).to.equal(
        true,
      );
    }
    // Forms of address and of companies name nothing by themselves.
    const english = stopWordsInForce({ language: 'en', own: [] });
    for (const word of ['mrs', 'jr', 'inc', 'ltd']) expect(english.has(word), word).to.equal(true);
    expect(stopWordsInForce({ language: undefined, own: ['Bus'] }).get('bus')).to.equal('everywhere');
    const same: [LanguageCode, string, string][] = [
      ['de', 'fahrten', 'fahrt'],
      ['fr', 'attendions', 'attends'],
      ['sv', 'bussarna', 'bussar'],
      ['en', 'waiting', 'waits'],
    ];
    for (const [code, a, b] of same)
      expect(stemmerOf(LANGUAGE_OF[code])(a), a).to.equal(stemmerOf(LANGUAGE_OF[code])(b));
    expect(stemmerOf(LANGUAGE_OF.zh)('等待')).to.equal('等待');
  });
});

describe('dates', () => {
  it('are read in common notations', () => {
    const cases: [string, string][] = [
      ['2031-06-04', '2031-06-04'],
      ['4/6/2031', '2031-06-04'],
      ['04.06.31', '2031-06-04'],
      ['4th of June 2031', '2031-06-04'],
      ['June 4, 2031', '2031-06-04'],
      ['4 Jun 2031', '2031-06-04'],
      ['2031/6/4', '2031-06-04'],
      ['4. Juni 2031', '2031-06-04'],
      ['1er août 2031', '2031-08-01'],
      ['3 de marzo de 2031', '2031-03-03'],
      ['4 September 2031', '2031-09-04'],
      ['Sept. 4, 2031', '2031-09-04'],
      ['2031-06-04T10:30', '2031-06-04'],
    ];
    for (const [text, date] of cases) expect(readDate(text, 'dmy')?.date, text).to.equal(date);
    expect(readDate('4/6/2031', 'mdy')).to.include({ date: '2031-04-06', ambiguous: true });
    expect(readDate('13/6/2031', 'mdy')).to.include({ date: '2031-06-13', ambiguous: false });
    for (const text of ['', '31/2/2031', '29 February 2031', '4/6', '12345', '4/6/2031 was a day', 'June']) {
      expect(readDate(text, 'dmy'), text).to.equal(undefined);
    }
    expect(readDate('29 February 2032', 'dmy')?.date).to.equal('2032-02-29');
  });

  it('are found in a text', () => {
    expect(findDate('We met on 3 March 2025 and on 4/4/2025.', 'dmy')).to.include({
      date: '2025-03-03',
      index: 10,
    });
    expect(findDate('No date here, only 12:30.', 'dmy')).to.equal(undefined);
  });
});
