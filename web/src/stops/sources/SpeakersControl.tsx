import { App, AutoComplete, Button, Input, Switch } from 'antd';
import { useState } from 'react';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { usualRole } from '@green-thicket/core/text/speakers';
import { useAsk } from '../../engine/use-ask.ts';
import { useView } from '../../engine/use-view.ts';
import type { ControlProps } from '../../controls/control-inputs.tsx';
import { useTellFault } from '../../pieces/use-fault.ts';
import { ownValue, withoutWords } from '@green-thicket/core/base/records';
import styles from './SpeakersControl.module.css';

/** Rows beyond this many are found by typing. */
const SHOWN = 120;
const USUAL_ROLES = ['interviewer', 'respondent', 'moderator', 'transcriber'];

/** Everyone who speaks, with roles; who is switched off is not read. */
export function SpeakersControl({ state, decide, close }: ControlProps) {
  const { data } = useView('speakers', null);
  const [filter, setFilter] = useState('');
  const { leftOut, roles } = state.settings.speakers;
  if (!data) return <p>Looking who speaks …</p>;
  if (data.speakers.length === 0) {
    return <p>No speakers are marked: no line begins with a name and a colon, or a time, that comes back.</p>;
  }
  const nameOf = (label: string): string => (label === '' ? 'no name' : label);
  const found = data.speakers.filter(({ label }) => label.toLowerCase().includes(filter.toLowerCase()));
  const setLeftOut = (labels: readonly string[]): void =>
    decide({ kind: 'setSpeakers', change: { leftOut: labels } });
  const likely = data.speakers
    .map(({ label }) => label)
    .filter((label) => (ownValue(roles, label) ?? usualRole(label)) === 'interviewer');
  const stillRead = likely.filter((label) => !leftOut.includes(label));
  const setRole = (label: string, role: string): void => {
    if (role === (ownValue(roles, label) ?? '')) return;
    const others = withoutWords(roles, (each) => each === label);
    decide({ kind: 'setSpeakers', change: { roles: role === '' ? others : { ...others, [label]: role } } });
  };
  return (
    <>
      {stillRead.length > 0 && (
        <Button size="small" onClick={() => setLeftOut([...leftOut, ...stillRead])}>
          Leave out {stillRead.length === 1 ? nameOf(stillRead[0]) : 'the interviewers'}
        </Button>
      )}
      {data.speakers.length > 12 && (
        <Input
          size="small"
          aria-label="Find a speaker"
          placeholder={`Find among ${data.speakers.length} speakers`}
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
      )}
      <div className={styles.speakerList}>
        <table>
          <thead>
            <tr>
              <th scope="col">Speaker</th>
              <th scope="col">Turns</th>
              <th scope="col">Words</th>
              <th scope="col">Sources</th>
              <th scope="col">Role</th>
              <th scope="col">Read</th>
            </tr>
          </thead>
          <tbody>
            {found.slice(0, SHOWN).map((speaker) => (
              <tr key={speaker.label}>
                <th scope="row">{nameOf(speaker.label)}</th>
                <td>{inFigures(speaker.turns)}</td>
                <td>{inFigures(speaker.words)}</td>
                <td>{inFigures(speaker.sources)}</td>
                <td>
                  <RoleInput
                    label={nameOf(speaker.label)}
                    role={ownValue(roles, speaker.label) ?? ''}
                    usual={usualRole(speaker.label)}
                    known={[...new Set([...Object.values(roles), ...USUAL_ROLES])]}
                    onChange={(role) => setRole(speaker.label, role)}
                  />
                </td>
                <td>
                  <Switch
                    size="small"
                    checked={!leftOut.includes(speaker.label)}
                    aria-label={`Read ${nameOf(speaker.label)}`}
                    onChange={(read) =>
                      setLeftOut(
                        read
                          ? leftOut.filter((label) => label !== speaker.label)
                          : [...leftOut, speaker.label],
                      )
                    }
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {found.length > SHOWN && (
        <p className="quiet">… and {found.length - SHOWN} more; find them by typing.</p>
      )}
      <SpeakerActions
        state={state}
        decide={decide}
        close={close}
        read={data.speakers.map(({ label }) => label).filter((label) => !leftOut.includes(label))}
      />
    </>
  );
}

function RoleInput({
  label,
  role,
  usual,
  known,
  onChange,
}: {
  label: string;
  role: string;
  usual: string | undefined;
  known: readonly string[];
  onChange: (role: string) => void;
}) {
  const [draft, setDraft] = useState(role);
  return (
    <AutoComplete
      size="small"
      className={styles.roleInput}
      aria-label={`Role of ${label}`}
      value={draft}
      placeholder={usual ? `${usual}?` : 'none'}
      options={known.map((value) => ({ value }))}
      onChange={(value: string) => setDraft(value)}
      onSelect={(value: string) => onChange(value)}
      onBlur={() => onChange(draft.trim())}
    />
  );
}

/** Sources made of speakers, or the speaker noted as an attribute of the source. */
function SpeakerActions({ state, decide, close, read }: ControlProps & { read: readonly string[] }) {
  const ask = useAsk();
  const tellFault = useTellFault();
  const { message } = App.useApp();
  const sourceIds = state.sources.map((source) => source.id);
  const makeSources = (): void =>
    tellFault('No sources were made', async () => {
      const { parts } = await ask('speakerParts', { sourceIds, labels: read });
      const lists = Object.values(parts);
      const made = lists.reduce((sum, list) => sum + list.length, 0);
      if (made === 0) {
        void message.info('Nobody who is read speaks in turns here, so there is nothing to part.');
        return;
      }
      decide({ kind: 'splitSources', parts });
      void message.success(
        `${counted(lists.length, 'source')} became ${made}, one a speaker. Undo puts them back.`,
      );
      close();
    });
  const noteSpeaker = (): void =>
    tellFault('No attribute was set', async () => {
      const { main } = await ask('speakerParts', { sourceIds, labels: read });
      const { roles } = state.settings.speakers;
      const withRole = Object.entries(main).flatMap(([id, label]) => {
        const role = ownValue(roles, label);
        return role ? [[id, role] as const] : [];
      });
      decide({
        kind: 'setValues',
        values: {
          speaker: main,
          ...(withRole.length > 0 ? { 'speaker role': Object.fromEntries(withRole) } : {}),
        },
      });
      void message.success(`The main speaker of ${counted(Object.keys(main).length, 'source')} is noted.`);
      close();
    });
  return (
    <div className="control-row">
      <Button
        size="small"
        title="Each source is parted into one for each speaker who is read. The originals stay."
        onClick={makeSources}
      >
        Make each speaker a source
      </Button>
      <Button
        size="small"
        title="The attribute speaker gets the name of whoever says most in the source."
        onClick={noteSpeaker}
      >
        Note the speaker as an attribute
      </Button>
    </div>
  );
}
