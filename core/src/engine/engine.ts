import { holdsTheSame } from '../base/same.ts';
import { joint, type Joint } from '../base/joint.ts';
import type { Stepwise } from '../base/stepwise.ts';
import type { StudyState } from '../study/study.ts';
import type { Library, Resources, StudyInput } from './resources.ts';
import { hashOfOwn, inputsOf, STAGE_KEYS, stageKey, type StageName, type StageOwn } from './stage-keys.ts';
import { STAGES, type StageResults, type Take } from './stages.ts';

/** How many results of each stage are kept, so that undo and a look back are free. */
const KEPT_RESULTS = 4;

/** What a stage took, for the record of a run. */
export interface StageTiming {
  readonly stage: StageName;
  readonly milliseconds: number;
}

/**
 * Stages of which many decisions make the same again: keeping a concept that was chosen anyway, as moving one to a theme
 * does. What hangs on them is then not computed anew.
 */
const OFTEN_THE_SAME: ReadonlySet<StageName> = new Set<StageName>(['concepts']);

/** A result with what it was made from. */
interface Kept {
  readonly result: unknown;
  /** Numbers of the results it took, and the hash of what it read of the study. */
  readonly from: string;
}

const OWN: { readonly [S in StageName]: { readonly own: (state: StudyState) => StageOwn<S> } } = STAGE_KEYS;

const run = <S extends StageName>(
  stage: S,
  take: Take<StageName>,
  state: StudyState,
  resources: Resources,
): Stepwise<StageResults[S]> => STAGES[stage](take, OWN[stage].own(state), resources);

/** Computes stages, and only those whose inputs changed. */
export class Engine {
  readonly timings: StageTiming[] = [];
  readonly #library: Library;
  readonly #now: () => number;
  readonly #kept = new Map<StageName, Map<string, Kept>>();
  readonly #numbers = new WeakMap<object, number>();
  readonly #underWay = new Map<string, Joint<unknown>>();
  #results = 0;
  #under: StageName | undefined;

  /** @param now milliseconds of some clock, for timings only */
  constructor(library: Library, now: () => number = () => 0) {
    this.#library = library;
    this.#now = now;
  }

  /** The stage that is being computed. */
  get stage(): StageName | undefined {
    return this.#under;
  }

  /** The result of a stage, computed in steps with whatever it hangs on. */
  *compute<S extends StageName>(stage: S, study: StudyInput): Stepwise<StageResults[S]> {
    const known = this.known(stage, study.state);
    if (known !== undefined) return known;
    const hash = stageKey(stage, study.state);
    const inputs = inputsOf(stage);
    const taken: Partial<StageResults> = {};
    for (const input of inputs) {
      Object.assign(taken, { [input]: yield* this.compute(input, study) });
    }
    const from = [
      ...inputs.map((input) => this.#numberOf(taken[input])),
      hashOfOwn(OWN[stage].own(study.state)),
    ].join();
    const same = inputs.length > 0 ? this.#find<S>(stage, (kept) => kept.from === from) : undefined;
    if (same !== undefined) {
      this.#keep(stage, hash, { result: same, from });
      return same;
    }
    const take: Take<StageName> = (name) => {
      const result = taken[name];
      if (result === undefined) throw new Error(`Stage ${stage} takes ${name}, which it does not declare.`);
      return result as StageResults[typeof name];
    };
    const started = this.#now();
    const result = yield* this.#joined(stage, hash, () =>
      run(stage, take, study.state, { ...this.#library, register: study.register }),
    );
    this.timings.push({ stage, milliseconds: this.#now() - started });
    const before = OFTEN_THE_SAME.has(stage)
      ? this.#find<S>(stage, (kept) => holdsTheSame(kept.result, result))
      : undefined;
    this.#keep(stage, hash, { result: before ?? result, from });
    return before ?? result;
  }

  /**
   * Computes a stage once for all who ask for it at the same time: whoever is driven takes it on by a step. It is stopped
   * when all of them are.
   */
  *#joined<S extends StageName>(
    stage: S,
    hash: string,
    begin: () => Stepwise<StageResults[S]>,
  ): Stepwise<StageResults[S]> {
    const name = `${stage} ${hash}`;
    const work = (this.#underWay.get(name) ?? joint(begin())) as Joint<StageResults[S]>;
    this.#underWay.set(name, work);
    work.join();
    try {
      while (!work.end) {
        this.#under = stage;
        const step = work.goOn();
        if (step !== undefined) yield step;
      }
      return work.end();
    } finally {
      this.#under = undefined;
      if (work.leave()) this.#underWay.delete(name);
    }
  }

  /** A result at hand, whatever its key. */
  #find<S extends StageName>(stage: S, isIt: (kept: Kept) => boolean): StageResults[S] | undefined {
    for (const kept of this.#kept.get(stage)?.values() ?? [])
      if (isIt(kept)) return kept.result as StageResults[S];
    return undefined;
  }

  /** The number of a result: that of the very same one. */
  #numberOf(result: object | undefined): number {
    if (!result) return -1;
    const number = this.#numbers.get(result) ?? ++this.#results;
    this.#numbers.set(result, number);
    return number;
  }

  /** Takes the result of a stage that was made elsewhere, of the very inputs it has in this study. */
  give<S extends StageName>(stage: S, state: StudyState, result: StageResults[S]): void {
    this.#keep(stage, stageKey(stage, state), { result, from: '' });
  }

  /** The result of a stage, where it is at hand. */
  known<S extends StageName>(stage: S, state: StudyState): StageResults[S] | undefined {
    return this.#look(stage, stageKey(stage, state));
  }

  #look<S extends StageName>(stage: S, hash: string): StageResults[S] | undefined {
    const results = this.#kept.get(stage);
    const found = results?.get(hash);
    if (results && found !== undefined) {
      // The latest used goes last, the first is the first to go.
      results.delete(hash);
      results.set(hash, found);
    }
    return found?.result as StageResults[S] | undefined;
  }

  #keep(stage: StageName, hash: string, kept: Kept): void {
    const results = this.#kept.get(stage) ?? new Map<string, Kept>();
    this.#kept.set(stage, results);
    results.set(hash, kept);
    for (const oldest of results.keys()) {
      if (results.size <= KEPT_RESULTS) break;
      results.delete(oldest);
    }
  }
}
