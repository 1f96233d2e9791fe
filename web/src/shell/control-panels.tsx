import { Checkbox, Input as TextInput, Radio, Select, Switch } from 'antd';
import { useState } from 'react';
import { ENGLISH_STOP_WORDS } from '@green-thicket/core/concepts/stop-words';
import { compilePattern } from '@green-thicket/core/text/cleaning';
import { useView } from '../engine/use-view.ts';
import { NumberBox, type ControlProps } from './control-inputs.tsx';

export function Speakers({ state, decide }: ControlProps) {
  const { data } = useView('speakers', null);
  const { leftOut } = state.settings.speakers;
  if (!data) return <p>Looking who speaks …</p>;
  if (data.speakers.length === 0) {
    return <p>No speakers are marked: no line begins with a name and a colon that comes back.</p>;
  }
  return (
    <div className="speaker-list">
      <table>
        <thead>
          <tr>
            <th scope="col">Speaker</th>
            <th scope="col">Turns</th>
            <th scope="col">Words</th>
            <th scope="col">Read</th>
          </tr>
        </thead>
        <tbody>
          {data.speakers.slice(0, 200).map((speaker) => (
            <tr key={speaker.label}>
              <th scope="row">{speaker.label}</th>
              <td>{speaker.turns.toLocaleString('en-GB')}</td>
              <td>{speaker.words.toLocaleString('en-GB')}</td>
              <td>
                <Switch
                  size="small"
                  checked={!leftOut.includes(speaker.label)}
                  aria-label={`Read ${speaker.label}`}
                  onChange={(read) =>
                    decide({
                      kind: 'setSpeakers',
                      change: {
                        leftOut: read
                          ? leftOut.filter((label) => label !== speaker.label)
                          : [...leftOut, speaker.label],
                      },
                    })
                  }
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

export function OwnPattern({ state, decide }: ControlProps) {
  const { cleaning } = state.settings;
  const [draft, setDraft] = useState(cleaning.ownPattern);
  const [fault, setFault] = useState<string>();
  const finish = (): void => {
    if (draft === cleaning.ownPattern) return;
    try {
      if (draft !== '') compilePattern(draft);
      setFault(undefined);
      decide({ kind: 'setCleaning', change: { ownPattern: draft, pattern: draft !== '' } });
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <>
      <label className="control-row">
        <Switch
          checked={cleaning.pattern}
          disabled={cleaning.ownPattern === ''}
          onChange={(pattern) => decide({ kind: 'setCleaning', change: { pattern } })}
          aria-label="Use the pattern"
        />{' '}
        Use the pattern
      </label>
      <TextInput
        autoFocus
        aria-label="Pattern"
        value={draft}
        maxLength={500}
        placeholder="for example \[[a-z ]+\]"
        status={fault ? 'error' : undefined}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={finish}
        onPressEnter={finish}
      />
      {fault && (
        <p className="control-fault" role="alert">
          {fault}
        </p>
      )}
    </>
  );
}

export function StopWords({ state, decide }: ControlProps) {
  return (
    <>
      <label className="control-row">
        <Switch
          checked={state.settings.concepts.englishStopWords}
          onChange={(englishStopWords) => decide({ kind: 'setConcepts', change: { englishStopWords } })}
          aria-label="English stop words"
        />{' '}
        English stop words ({ENGLISH_STOP_WORDS.map((layer) => layer.name).join(', ')})
      </label>
      <Select
        mode="tags"
        className="wide"
        aria-label="Your own stop words"
        placeholder="Your own: type a word, then Enter"
        value={[...state.stopWords]}
        tokenSeparators={[',', ' ']}
        open={false}
        suffixIcon={null}
        onChange={(words: string[]) => {
          const added = words.filter((word) => !state.stopWords.includes(word));
          const removed = state.stopWords.filter((word) => !words.includes(word));
          if (added.length > 0) decide({ kind: 'addStopWords', words: added });
          if (removed.length > 0) decide({ kind: 'removeStopWords', words: removed });
        }}
      />
    </>
  );
}

export function Parts({ state, decide }: ControlProps) {
  const { nouns, verbs, adjectives } = state.settings.concepts;
  return (
    <Checkbox.Group
      aria-label="Parts of speech"
      value={[
        ...(nouns ? ['nouns'] : []),
        ...(verbs ? ['verbs'] : []),
        ...(adjectives ? ['adjectives'] : []),
      ]}
      options={[
        { value: 'nouns', label: 'nouns (bus, fare)' },
        { value: 'verbs', label: 'verbs (wait, feel)' },
        { value: 'adjectives', label: 'adjectives (late, safe)' },
      ]}
      onChange={(chosen) =>
        decide({
          kind: 'setConcepts',
          change: {
            nouns: chosen.includes('nouns'),
            verbs: chosen.includes('verbs'),
            adjectives: chosen.includes('adjectives'),
          },
        })
      }
    />
  );
}

export function Window({ state, decide }: ControlProps) {
  const { unit, size, acrossParagraphs } = state.settings.windows;
  const sized = unit === 'sentences' || unit === 'words';
  return (
    <>
      <Radio.Group
        aria-label="Window"
        className="control-column"
        value={unit}
        options={[
          { value: 'sentences', label: 'some sentences in a row' },
          { value: 'words', label: 'some words in a row' },
          { value: 'paragraph', label: 'a paragraph' },
          { value: 'turn', label: 'a turn of talk' },
          { value: 'source', label: 'a whole source' },
        ]}
        onChange={(event) => {
          const next = event.target.value as typeof unit;
          const usual = next === 'words' ? 30 : 3;
          decide({ kind: 'setWindows', change: { unit: next, size: usual } });
        }}
      />
      {sized && (
        <>
          <NumberBox
            key={unit}
            label={`How many ${unit}`}
            value={size}
            min={1}
            max={unit === 'words' ? 500 : 50}
            onChange={(next) => decide({ kind: 'setWindows', change: { size: next } })}
          />
          <Checkbox
            checked={acrossParagraphs}
            onChange={(event) =>
              decide({ kind: 'setWindows', change: { acrossParagraphs: event.target.checked } })
            }
          >
            may run into the next paragraph
          </Checkbox>
        </>
      )}
    </>
  );
}

export function Resolution({ state, decide }: ControlProps) {
  const { resolution } = state.settings.themes;
  return (
    <>
      <label className="control-row">
        <Switch
          checked={resolution === 'auto'}
          aria-label="Take the steadiest"
          onChange={(auto) => decide({ kind: 'setThemes', change: { resolution: auto ? 'auto' : 1 } })}
        />{' '}
        take the steadiest with 5 to 12 themes
      </label>
      {resolution !== 'auto' && (
        <NumberBox
          label="Resolution"
          value={resolution}
          min={0.05}
          max={20}
          step={0.1}
          onChange={(value) => decide({ kind: 'setThemes', change: { resolution: value } })}
        />
      )}
    </>
  );
}
