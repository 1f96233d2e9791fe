import { Button, Input, Select, Switch } from 'antd';
import { useState } from 'react';
import { fixedPhrasesWith, layersWith, stopForm, stopLayers } from '@green-thicket/core/concepts/stop-words';
import { listed, inFigures } from '@green-thicket/core/base/wording';
import { LANGUAGES, USUAL_LANGUAGE, type LanguageCode } from '@green-thicket/core/languages/language-names';
import { useView } from '../../engine/use-view.ts';
import type { ControlProps } from '../../controls/control-inputs.tsx';

/** A longer list shows its latest words; Lists saves it whole, and any word is looked up below. */
const MOST_TAGS = 200;

/** The published stop list, the study's own, and the words of the published one that are let back in. */
export function StopWords({ state, decide }: ControlProps) {
  const { data } = useView('languagesRead', null);
  const { language, listedStopWords } = state.settings.concepts;
  const inForce = language === 'auto' ? (data?.all ?? [USUAL_LANGUAGE]) : [language];
  const withLists = inForce.filter((code) => stopLayers(code).length > 0);
  const label = `${listed(withLists.map((code) => LANGUAGES[code]))} stop words`;
  const layers = [...new Set(withLists.flatMap((code) => stopLayers(code).map(({ name }) => name)))];
  return (
    <>
      {layers.length === 0 ? (
        <p className="quiet">There is no list for this language: put its small words on your own.</p>
      ) : (
        <label className="control-row">
          <Switch
            checked={listedStopWords}
            onChange={(on) => decide({ kind: 'setConcepts', change: { listedStopWords: on } })}
            aria-label={label}
          />{' '}
          {label} ({listed(layers)})
        </label>
      )}
      <WordTags
        label="Your own stop words"
        placeholder="Your own: type a word, then Enter"
        words={state.stopWords}
        onAdd={(words) => decide({ kind: 'addStopWords', words })}
        onRemove={(words) => decide({ kind: 'removeStopWords', words })}
      />
      {listedStopWords && layers.length > 0 && (
        <WordTags
          label="Let back in"
          placeholder="Let back in: type a word, then Enter"
          words={state.allowedWords}
          onAdd={(words) => decide({ kind: 'allowWords', words: words.map(stopForm) })}
          onRemove={(words) => decide({ kind: 'stopAllowing', words })}
        />
      )}
      <WhichList state={state} decide={decide} languages={withLists} />
    </>
  );
}

function WordTags({
  label,
  placeholder,
  words,
  onAdd,
  onRemove,
}: {
  label: string;
  placeholder: string;
  words: readonly string[];
  onAdd: (words: string[]) => void;
  onRemove: (words: string[]) => void;
}) {
  const shown = words.slice(-MOST_TAGS);
  const more = words.length - shown.length;
  return (
    <>
      <Select
        mode="tags"
        className="wide"
        aria-label={label}
        title={label}
        placeholder={placeholder}
        value={shown}
        maxTagCount={30}
        tokenSeparators={[',', ' ']}
        open={false}
        suffixIcon={null}
        onChange={(next: string[]) => {
          const added = next.filter((word) => !words.includes(word));
          const removed = shown.filter((word) => !next.includes(word));
          if (added.length > 0) onAdd(added);
          if (removed.length > 0) onRemove(removed);
        }}
      />
      {more > 0 && (
        <span className="quiet">
          and {inFigures(more)} more; look a word up below, or save the whole list at Lists
        </span>
      )}
    </>
  );
}

/** Says which lists a word is on, and lets it back in or stops it. */
function WhichList({
  state,
  decide,
  languages,
}: Pick<ControlProps, 'state' | 'decide'> & { languages: readonly LanguageCode[] }) {
  const [typed, setTyped] = useState('');
  const word = stopForm(typed.trim());
  const published = state.settings.concepts.listedStopWords
    ? languages.flatMap((code) =>
        layersWith(word, code).map((name) => (languages.length > 1 ? `${LANGUAGES[code]} ${name}` : name)),
      )
    : [];
  const phrases = state.settings.concepts.listedStopWords
    ? languages.flatMap((code) => fixedPhrasesWith(word, code))
    : [];
  const own = state.stopWords.some((each) => stopForm(each) === word);
  const allowed = state.allowedWords.includes(word);
  const on = [...published.map((name) => `the published ${name}`), ...(own ? ['your own'] : [])];
  const isBound = published.length === 0 && phrases.length > 0;
  const stopped = own || ((published.length > 0 || isBound) && !allowed);
  return (
    <div className="control-column">
      <Input
        size="small"
        aria-label="Which list is a word on?"
        placeholder="Which list is a word on?"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      {word !== '' && (
        <p className="quiet" role="status">
          “{word}” is {on.length === 0 ? 'on no list' : `on ${listed(on)}`}
          {isBound
            ? `; where it mostly stands in fixed phrases, such as “${phrases[0]}”, it is no concept by itself`
            : ''}
          {allowed && (published.length > 0 || isBound) ? ', and let back in' : ''}.{' '}
          {stopped ? (
            <Button
              size="small"
              onClick={() =>
                decide(
                  !own
                    ? { kind: 'allowWords', words: [word] }
                    : {
                        kind: 'removeStopWords',
                        words: state.stopWords.filter((each) => stopForm(each) === word),
                      },
                )
              }
            >
              Let it in
            </Button>
          ) : null}
          {(!stopped || (isBound && !own)) && (
            <Button
              size="small"
              onClick={() =>
                decide(
                  allowed ? { kind: 'stopAllowing', words: [word] } : { kind: 'addStopWords', words: [word] },
                )
              }
            >
              Stop it
            </Button>
          )}
        </p>
      )}
    </div>
  );
}
