import type { Stepwise } from '../base/stepwise.ts';
import type { StudyState } from '../study/study.ts';
import type { Library, Resources, StudyInput } from './resources.ts';
import { inputsOf, STAGE_KEYS, stageKey, type StageName, type StageOwn } from './stage-keys.ts';
import { STAGES, type StageResults, type Take } from './stages.ts';

/** How many results of each stage are kept, so that undo and a look back are free. */
const KEPT_RESULTS = 4;

/** What a stage took, for the record of a run. */
export interface StageTiming {
  readonly stage: StageName;
  readonly milliseconds: number;
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
  readonly #kept = new Map<StageName, Map<string, unknown>>();

  /** @param now milliseconds of some clock, for timings only */
  constructor(library: Library, now: () => number = () => 0) {
    this.#library = library;
    this.#now = now;
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
    const take: Take<StageName> = (name) => {
      const result = taken[name];
      if (result === undefined) throw new Error(`Stage ${stage} takes ${name}, which it does not declare.`);
      return result as StageResults[typeof name];
    };
    const started = this.#now();
    const result = yield* run(stage, take, study.state, { ...this.#library, register: study.register });
    this.timings.push({ stage, milliseconds: this.#now() - started });
    this.#keep(stage, hash, result);
    return result;
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
    return found as StageResults[S] | undefined;
  }

  #keep(stage: StageName, hash: string, result: unknown): void {
    const results = this.#kept.get(stage) ?? new Map<string, unknown>();
    this.#kept.set(stage, results);
    results.set(hash, result);
    for (const oldest of results.keys()) {
      if (results.size <= KEPT_RESULTS) break;
      results.delete(oldest);
    }
  }
}
