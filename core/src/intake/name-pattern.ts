/** Why a pattern of file names can't be used, as a sentence for the researcher. */
export class NamePatternError extends Error {
  override readonly name = 'NamePatternError';
}

/**
 * Attributes in file names by a pattern such as `{role}-{number}-{place}`: what stands in braces is an attribute, the
 * text between them stands in every name. `{*}` passes something over. Endings and folders of names are not looked at
 * unless the pattern has a / itself.
 */
export interface NamePattern {
  readonly attributes: readonly string[];
  /** The values in a name, by attribute; undefined where it does not fit. */
  readonly read: (name: string) => Readonly<Record<string, string>> | undefined;
}

const PASSED_OVER = '*';

/** Reads a pattern of file names; throws a NamePatternError that says what is wrong with it. */
export function readNamePattern(pattern: string): NamePattern {
  const parts = pattern.trim().split(/\{([^{}]*)\}/);
  const between = parts.filter((_, i) => i % 2 === 0);
  const named = parts.filter((_, i) => i % 2 === 1).map((name) => name.trim());
  const attributes = named.filter((name) => name !== PASSED_OVER);
  if (between.some((text) => /[{}]/.test(text))) {
    throw new NamePatternError('A brace is open or closed twice. Write each attribute as {name}.');
  }
  if (attributes.length === 0) {
    throw new NamePatternError('Name an attribute in braces, such as {role}-{place}.');
  }
  if (named.includes('')) throw new NamePatternError('Write the attribute’s name between the braces.');
  if (new Set(attributes).size !== attributes.length) {
    throw new NamePatternError('Each attribute can stand in the pattern once.');
  }
  if (between.slice(1, -1).includes('')) {
    throw new NamePatternError('Between two attributes there must be what parts them, such as a hyphen.');
  }
  const withFolders = pattern.includes('/');
  return {
    attributes,
    read(name) {
      const folderless = withFolders ? name : name.slice(name.lastIndexOf('/') + 1);
      const text = folderless.replace(/\.[A-Za-z0-9]{1,8}$/, '');
      const values = new Map<string, string>();
      if (!text.startsWith(between[0])) return undefined;
      let at = between[0].length;
      for (let i = 0; i < named.length; i++) {
        const next = between[i + 1];
        const isLast = i === named.length - 1;
        // The last attribute takes all there is before the pattern's end.
        const end = isLast ? (text.endsWith(next) ? text.length - next.length : -1) : text.indexOf(next, at);
        if (end < at || end === -1) return undefined;
        const value = text.slice(at, end).trim();
        if (value === '') return undefined;
        if (named[i] !== PASSED_OVER) values.set(named[i], value);
        at = end + next.length;
      }
      return Object.fromEntries(values);
    },
  };
}
