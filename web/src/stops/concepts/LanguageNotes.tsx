import { inFigures, listed } from '@green-thicket/core/base/wording';
import { LANGUAGE_OF } from '@green-thicket/core/languages/languages';
import { LANGUAGES, type LanguageCode } from '@green-thicket/core/languages/language-names';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';

/** Words written alike are named up to so many. */
const MOST_NAMED = 6;

const named = (languages: readonly LanguageCode[]): string =>
  listed(languages.map((code) => (code === 'other' ? 'another language' : LANGUAGES[code])));

/** What of a language is not known here, in a sentence; undefined where its dictionary forms are. */
function unknownOf(code: LanguageCode): string | undefined {
  const { hasLemmas, snowball } = LANGUAGE_OF[code];
  if (hasLemmas) return undefined;
  const how = snowball === undefined ? 'as they are written' : 'as stems';
  const which = code === 'other' ? 'this language' : LANGUAGES[code];
  return `No dictionary for ${which}: words stand ${how}, nouns or not.`;
}

/** What languages have to do with the words: those the study is read in where they are several, and what of them is not known. */
export function LanguageNotes() {
  const { data } = useView('languagesRead', null);
  const { select } = useSelection();
  if (!data) return null;
  const { read, all, alike } = data;
  const few = all.slice(read.length);
  const unknown = read.flatMap((code) => unknownOf(code) ?? []);
  if (read.length === 1 && few.length === 0 && unknown.length === 0) return null;
  return (
    <p className="quiet">
      {read.length > 1 && `Each text is read in its own language: ${named(read)}. `}
      {few.length > 0 && `A few passages are in ${named(few)}; of these only the small words are known. `}
      {unknown.join(' ')}
      {alike.length > 0 && (
        <>
          {' '}
          Written alike, and so one:{' '}
          {alike.slice(0, MOST_NAMED).map((label, i) => (
            <span key={label}>
              {i > 0 && ', '}
              <button
                type="button"
                className="linklike"
                onClick={() => select({ kind: 'search', query: `"${label}"` })}
              >
                {label}
              </button>
            </span>
          ))}
          {alike.length > MOST_NAMED && ` and ${inFigures(alike.length - MOST_NAMED)} more`}.
        </>
      )}
    </p>
  );
}
