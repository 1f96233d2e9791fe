import { expect } from 'chai';
import { finish, type Stepwise } from '../../src/base/stepwise.ts';
import { englishWords, exampleStudy } from '../examples.ts';

const TEXTS = Array.from({ length: 6 }, (_, i) => ({
  name: `${i}.txt`,
  text: `They fare badly and run late; a light wait at the shelter ${i}. The ${'fare waits late '.repeat(i + 1)}. `.repeat(
    4,
  ),
}));

/** A study that brings in what is known of words in several steps, and counts how often it does. */
function counting(bring = englishWords) {
  let brought = 0;
  const study = exampleStudy(TEXTS, {
    *words() {
      for (let step = 1; step <= 3; step++) yield step / 3;
      brought++;
      return bring();
    },
  });
  return { study, brought: () => brought, parts: () => study.engine.compute('parts', study.input()) };
}

/** Takes pieces of work on in turn, a step each, till all are over. */
function inTurn<T>(...works: Stepwise<T>[]): T[] {
  const results = new Map<Stepwise<T>, T>();
  while (results.size < works.length) {
    for (const work of works) {
      if (results.has(work)) continue;
      const step = work.next();
      if (step.done) results.set(work, step.value);
    }
  }
  return works.map((work) => results.get(work) as T);
}

describe('a stage that two ask for at the same time', () => {
  it('is computed once, and is the very same to both', () => {
    const alone = counting();
    finish(alone.parts());
    const both = counting();
    finish(both.study.engine.compute('tokens', both.study.input()));
    const [a, b] = inTurn(both.parts(), both.parts());
    expect(a).to.equal(b);
    expect(both.brought()).to.equal(alone.brought());
    expect(a).to.deep.equal(finish(alone.parts()));
  });

  it('goes on for one where the other is stopped, and is let go when both are', () => {
    const { study, parts } = counting();
    finish(study.engine.compute('tokens', study.input()));
    const whole = finish(counting().parts());
    const [stopped, goesOn] = [parts(), parts()];
    for (const work of [stopped, goesOn, stopped]) work.next();
    stopped.return(undefined as never);
    expect(finish(goesOn)).to.deep.equal(whole);
    const other = counting();
    for (let i = 0; i < 2; i++) {
      const work = other.parts();
      work.next();
      work.return(undefined as never);
    }
    expect(other.study.engine.stage).to.equal(undefined);
    expect(finish(other.parts())).to.deep.equal(whole);
  });

  it('tells both when it fails, names no stage after that, and is tried again for the next', () => {
    let fails = true;
    const { study, parts } = counting(() => {
      if (fails) throw new Error('no words');
      return englishWords();
    });
    finish(study.engine.compute('tokens', study.input()));
    const [a, b] = [parts(), parts()];
    a.next();
    b.next();
    expect(() => inTurn(a)).to.throw('no words');
    expect(() => inTurn(b)).to.throw('no words');
    expect(study.engine.stage).to.equal(undefined);
    fails = false;
    expect(finish(parts())).to.deep.equal(finish(counting().parts()));
  });
});
