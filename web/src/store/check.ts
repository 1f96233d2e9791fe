import type { Decision } from '@green-thicket/core/study/decisions';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import { StoreError } from './store-error.ts';

/** What checks is large and comes with the first decision. */
const schemas = async () => ({
  ...(await import('@green-thicket/core/study-files/decision-schemas')),
  ...(await import('@green-thicket/core/study-files/study-file')),
});

/** Sources or values checked at a time. */
const SLICE = 100;
/** How long is checked before the page may answer, in milliseconds. */
const PATIENCE = 20;

function slices<T>(list: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(list.length / SLICE) }, (_, i) =>
    list.slice(i * SLICE, (i + 1) * SLICE),
  );
}

/** Smaller decisions that are right where the decision is: a large one is checked in slices. */
function parts(decision: Decision): Decision[] {
  switch (decision.kind) {
    case 'addSources':
      return [
        { ...decision, sources: [] },
        ...slices(decision.sources).map((sources): Decision => ({ kind: 'addSources', sources })),
      ];
    case 'splitSources':
      return Object.entries(decision.parts).flatMap(([of, sources]) =>
        slices(sources).map((each): Decision => ({ ...decision, parts: { [of]: each } })),
      );
    case 'setValues':
      return Object.entries(decision.values).flatMap(([attribute, values]) =>
        slices(Object.entries(values)).map((own): Decision => ({
          ...decision,
          values: { [attribute]: Object.fromEntries(own) },
        })),
      );
    default:
      return [decision];
  }
}

/** Checks that a study file can hold a decision; throws a StoreError that says why not. The page answers meanwhile. */
export async function checkDecision(decision: Decision): Promise<void> {
  const { decisionFault } = await schemas();
  let until = performance.now() + PATIENCE;
  for (const part of parts(decision)) {
    const fault = decisionFault(part);
    if (fault !== undefined)
      throw new StoreError(`Nothing was changed: ${fault}. Make it shorter or smaller.`);
    if (performance.now() < until) continue;
    await new Promise((resolve) => setTimeout(resolve));
    until = performance.now() + PATIENCE;
  }
}

/** Checks that a study file can hold an entry of the Notebook; throws a StoreError that says why not. */
export async function checkEntry(entry: NotebookEntry): Promise<void> {
  const fault = (await schemas()).entryFault(entry);
  if (fault !== undefined) throw new StoreError(`Nothing was changed: ${fault}. Make it shorter.`);
}
