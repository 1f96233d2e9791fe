import { idsOf } from '../../engine/stage-keys.ts';
import type { StudySource, StudyState } from '../../study/study.ts';
import { workingSources } from '../../study/subset.ts';

/** The sources that are worked with, by their ids. */
export const workedWith = (state: StudyState): { readonly ids: readonly string[] } => ({
  ids: idsOf(workingSources(state)),
});

/** The sources a question names, in the study's order. */
export function chosenSources(
  { sources }: StudyState,
  { sourceIds }: { readonly sourceIds: readonly string[] },
): { readonly sources: readonly StudySource[] } {
  const asked = new Set(sourceIds);
  return { sources: sources.filter((source) => asked.has(source.id)) };
}
