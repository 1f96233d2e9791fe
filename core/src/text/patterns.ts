import { RE2JS } from 're2js';
import { LONGEST_PATTERN } from './cleaning/steps/describe.ts';

/** Why an own pattern can't be used, as a sentence for the researcher. */
export class PatternError extends Error {
  override readonly name = 'PatternError';
}

/**
 * Compiles a pattern of the researcher's. RE2 matches in time linear in the text, so no pattern can hang the page; it has
 * no look-around and no back-references, and the error says so.
 */
export function compilePattern(expression: string, matchCase = true): RE2JS {
  if (expression.length > LONGEST_PATTERN) {
    throw new PatternError(`The pattern is longer than ${LONGEST_PATTERN} characters; make it shorter.`);
  }
  return compiled(expression, matchCase);
}

function compiled(expression: string, matchCase: boolean): RE2JS {
  try {
    return RE2JS.compile(expression, matchCase ? 0 : RE2JS.CASE_INSENSITIVE);
  } catch (error) {
    const reason =
      error instanceof Error ? error.message.replace(/^error parsing regexp: /, '') : String(error);
    const lookaround = /\(\?[=!<]|\\[1-9]/.test(expression)
      ? ' Look-around and back-references are not available.'
      : '';
    throw new PatternError(`The pattern can’t be read: ${reason}.${lookaround} Correct it or switch it off.`);
  }
}

/** Compiles a fixed text, to be found as it stands. */
export function compileFixed(text: string, matchCase: boolean): RE2JS {
  return compiled(RE2JS.quote(text), matchCase);
}

/** The places a compiled pattern matches, as [start, end); empty matches are passed over. */
export function* matchesOf(pattern: RE2JS, text: string): Generator<[number, number]> {
  const matcher = pattern.matcher(text);
  while (matcher.find()) if (matcher.end() > matcher.start()) yield [matcher.start(), matcher.end()];
}

/** Why a pattern can't be used, or undefined where it can. */
export function patternFault(expression: string): string | undefined {
  try {
    compilePattern(expression);
    return undefined;
  } catch (error) {
    if (error instanceof PatternError) return error.message;
    throw error;
  }
}
