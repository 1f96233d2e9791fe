/** How sure the evidence must be of which themes are made. */
export interface Strictness {
  /**
   * The grouping goes on so many times the false links a claim puts up with (q): what belongs together is told by many unsure
   * links as well as by a few sure ones, while nothing is made of nothing.
   */
  readonly lenience: number;
  /** A member whose company with the others is likelier than this by chance leaves. */
  readonly staysBelow: number;
}

const USUAL: Strictness = { lenience: 10, staysBelow: 0.025 };
/** Of little text hardly a pair is sure, so that more of them count, and true company is seen less surely. */
const OF_LITTLE: Strictness = { lenience: 16, staysBelow: 0.03 };

/** Fewer windows than this are little text; where no source stands by itself, as they are short answers, each says more. */
const LITTLE = { texts: 750, answers: 200 };

/**
 * How strict the grouping is in so many windows. In larger collections what little text needs would make themes of nothing: of 40
 * sources whose nouns have nothing to do with each other up to seven, of 12 and 20 sources one at most (bench/nulls.ts).
 *
 * @param clusters sources by which company is judged; short ones are one together
 */
export const strictnessIn = ({ windows, clusters }: TextWorkedWith): Strictness =>
  windows < (clusters > 1 ? LITTLE.texts : LITTLE.answers) ? OF_LITTLE : USUAL;

/** How much text is worked with. */
export interface TextWorkedWith {
  readonly windows: number;
  readonly clusters: number;
}
