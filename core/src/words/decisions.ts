import { doByKind } from '../base/by-kind.ts';
import type { Decision } from '../study/decisions.ts';
import { recordsInForce, type DecisionLog } from '../study/record.ts';
import { ATTRIBUTE_SAY } from '../study/decisions/attributes.ts';
import { COMPARE_SAY } from '../study/decisions/compare.ts';
import type { Sayers } from '../study/decisions/kinds.ts';
import { THEME_SAY } from '../study/decisions/themes.ts';
import { MAP_SAY } from '../study/decisions/map.ts';
import { PSEUDONYM_SAY } from '../study/decisions/pseudonyms.ts';
import { SETTING_SAY } from '../study/decisions/settings.ts';
import { SOURCE_SAY } from '../study/decisions/sources.ts';
import { WORD_SAY } from '../study/decisions/words.ts';

const SAY: Sayers<Decision> = {
  ...SOURCE_SAY,
  ...ATTRIBUTE_SAY,
  ...WORD_SAY,
  ...SETTING_SAY,
  ...THEME_SAY,
  ...COMPARE_SAY,
  ...PSEUDONYM_SAY,
  ...MAP_SAY,
};

/** The decisions in force in words with their times and reasons, the first first. */
export const decisionsInWords = (
  log: DecisionLog,
): { readonly time: string; readonly words: string; readonly reason: string }[] =>
  recordsInForce(log).map(({ time, decision, reason = '' }) => ({
    time,
    words: describeDecision(decision),
    reason,
  }));

/** A decision in a few words, for the undo button and the record. */
export const describeDecision = (decision: Decision): string => doByKind(SAY, decision) ?? decision.kind;
