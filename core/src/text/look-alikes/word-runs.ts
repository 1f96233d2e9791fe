import { Int32List } from '../../base/int32-list.ts';

/** Numbers runs of words, each told by the numbers of its words: a hash table of typed arrays, with linear probing. */
export class WordRuns {
  readonly #length: number;
  /** The words of each run, in a row. */
  readonly #words = new Int32List();
  /** Run + 1 at each place; 0 where there is none. */
  #places = new Int32Array(1024);

  /** @param length words of a run */
  constructor(length: number) {
    this.#length = length;
  }

  /** The number of the run that begins there; a new one has the next. */
  numberOf(words: Int32Array, at: number): number {
    let place = this.#hash(words, at) & (this.#places.length - 1);
    for (let held = this.#places[place]; held > 0; held = this.#places[place]) {
      if (this.#isSame(held - 1, words, at)) return held - 1;
      place = (place + 1) & (this.#places.length - 1);
    }
    const run = this.#words.length / this.#length;
    for (let k = 0; k < this.#length; k++) this.#words.push(words[at + k]);
    this.#places[place] = run + 1;
    if (2 * (run + 1) > this.#places.length) this.#grow();
    return run;
  }

  #isSame(run: number, words: Int32Array, at: number): boolean {
    for (let k = 0; k < this.#length; k++)
      if (this.#words.at(run * this.#length + k) !== words[at + k]) return false;
    return true;
  }

  #hash(words: Int32Array | Int32List, at: number): number {
    let hash = 0;
    for (let k = 0; k < this.#length; k++) {
      const word = words instanceof Int32List ? words.at(at + k) : words[at + k];
      hash = Math.imul(hash ^ word, 0x9e3779b1);
      hash ^= hash >>> 15;
    }
    return hash;
  }

  #grow(): void {
    const runs = this.#words.length / this.#length;
    this.#places = new Int32Array(4 * this.#places.length);
    for (let run = 0; run < runs; run++) {
      let place = this.#hash(this.#words, run * this.#length) & (this.#places.length - 1);
      while (this.#places[place] > 0) place = (place + 1) & (this.#places.length - 1);
      this.#places[place] = run + 1;
    }
  }
}
