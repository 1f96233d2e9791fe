import { expect } from 'chai';
import { wordsOf } from '../../src/text/scan.ts';
import { REPEATED, TAIL, TEXT_FUNCTIONS } from './adversarial.ts';
import { asking, exampleStudy } from '../examples.ts';

/**
 * Far more than anything linear takes for so little text, on however busy a machine, and far less than what grows with the
 * square of it: that takes minutes.
 */
const LENGTH = 60_000;
const TOO_LONG = 10_000;

describe('text that is made to be slow', () => {
  for (const [name, read] of TEXT_FUNCTIONS) {
    it(`is read in time that grows with its length: ${name}`, function () {
      this.timeout(180_000);
      for (const unit of REPEATED) {
        // Words in scripts without spaces are looked up in a dictionary, which is slow and grows no faster for it.
        const length = /[^\0-\u024f]/.test(unit) ? LENGTH / 20 : LENGTH / 3;
        const text = unit.repeat(Math.ceil(length / unit.length)) + TAIL;
        const began = performance.now();
        read(text);
        expect(performance.now() - began, JSON.stringify(unit)).to.be.lessThan(TOO_LONG / 5);
      }
    });
  }

  it('ends no sentence search, whatever marks come in a row', () => {
    const sentences = TEXT_FUNCTIONS.get('sentences');
    const tokens = TEXT_FUNCTIONS.get('tokens');
    for (const text of [`${'.'.repeat(LENGTH)}x`, `${'!?'.repeat(LENGTH)}x`, `${'."'.repeat(LENGTH)}x`]) {
      const began = performance.now();
      sentences?.(text);
      expect(performance.now() - began).to.be.lessThan(TOO_LONG);
    }
    const began = performance.now();
    tokens?.('中文字'.repeat(LENGTH / 2));
    expect(performance.now() - began).to.be.lessThan(TOO_LONG);
  });

  it('in a script without spaces is parted as it would be in one piece', () => {
    const run =
      '夜行巴士在小镇的车站停了很久因为司机在等一位从医院下班的护士她每天晚上都要走很远的路才能回家'.repeat(
        60,
      );
    const whole = Array.from(
      new Intl.Segmenter('ja', { granularity: 'word' }).segment(run),
      ({ segment }) => segment,
    );
    expect(wordsOf(run)).to.deep.equal(whole);
    const thai = 'รถเมล์กลางคืนจอดที่ป้ายนานมากเพราะคนขับรอพยาบาล'.repeat(60);
    expect(wordsOf(thai)).to.deep.equal(
      Array.from(new Intl.Segmenter('ja', { granularity: 'word' }).segment(thai), ({ segment }) => segment),
    );
  });

  it('is searched for with any number of * in time that grows with the words', () => {
    const study = exampleStudy([{ name: 'a.txt', text: `${'ab'.repeat(15_000)} waiting waited wait bait.` }]);
    const ask = asking(study);
    const places = (query: string): number =>
      ask('passages', { selection: { kind: 'search', query }, limit: 10 }).windows;
    const began = performance.now();
    expect(places(`${'*a*b'.repeat(40)}*x`)).to.equal(0);
    expect(places(`*${'a*'.repeat(200)}b`)).to.equal(1);
    expect(performance.now() - began).to.be.lessThan(TOO_LONG);
    expect(places('wait*')).to.equal(3);
    expect(places('*ait')).to.equal(2);
    expect(places('w*t')).to.equal(1);
    expect(places('w**t*d')).to.equal(1);
    expect(places('*i*i*')).to.equal(1);
    expect(places('wait*t')).to.equal(0);
  });
});
