import type { StudyState } from '../../study/study.ts';
import type { Beside, NamedGroup } from '../../themes/beside.ts';
import type { ThemeIdentity } from '../../themes/identity.ts';
import type { View } from '../view.ts';

/** This study beside another of the same texts: a colleague's, or one's own of before. */
export interface ColleagueView extends Beside {
  /** Sources that both work with, and those only one does; another's texts that are not here can't be looked at. */
  readonly sources: { readonly both: number; readonly onlyHere: number; readonly onlyThere: number };
  readonly concepts: {
    readonly both: number;
    readonly onlyHere: readonly string[];
    readonly onlyThere: readonly string[];
  };
  readonly here: readonly NamedGroup[];
  readonly there: readonly NamedGroup[];
  /** Concept → label, of both. */
  readonly labels: Readonly<Record<string, string>>;
  /** Themes of here with the one of there that shares most concepts, where one shares three in ten: strength in each. */
  readonly strengths: readonly {
    readonly here: number;
    readonly there: number;
    readonly shareHere: number;
    readonly shareThere: number;
  }[];
}

export interface ColleagueViews {
  colleague: View<{ readonly state: StudyState; readonly register: readonly ThemeIdentity[] }, ColleagueView>;
}
