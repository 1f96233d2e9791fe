import { Alert, Button, Input, Modal } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { ownValue } from '@green-thicket/core/base/records';
import { counted, inFigures, listed, percent } from '@green-thicket/core/base/wording';
import type { Decision } from '@green-thicket/core/study/decisions';
import { foldDecisions } from '@green-thicket/core/study/record';
import { canBeTakenOver, twoRecords } from '@green-thicket/core/study/two-records';
import type { StudyState } from '@green-thicket/core/study/study';
import type { NamedGroup } from '@green-thicket/core/themes/beside';
import type { ColleagueView } from '@green-thicket/core/views/view-types';
import { describeDecision } from '@green-thicket/core/words/decisions';
import { readStudyFile } from '../engine/client.ts';
import type { LookedAtStudy } from '../engine/protocol.ts';
import { useAsk } from '../engine/use-ask.ts';
import { isStopped } from '../pieces/stopped.ts';
import { useReturnFocus } from '../pieces/use-return-focus.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { makeDecision } from '../store/studies.ts';
import styles from './BesideAnother.module.css';

/** Concepts and decisions named in a list, at most. */
const MOST_NAMED = 40;

/** Another study of the same texts, as its file has it. */
interface Other extends LookedAtStudy {
  readonly name: string;
  readonly state: StudyState;
}

async function readOther(file: File, password: string): Promise<Other> {
  const { log, register } = await readStudyFile(file, password);
  return { name: file.name, log, register, state: foldDecisions(log) };
}

/** Lays a study file beside this study: what was decided otherwise, which concepts each has, how the themes agree. */
export function BesideAnother({ onClose }: { onClose: () => void }) {
  useReturnFocus();
  const { state } = useStudy();
  const [other, setOther] = useState<Other>();
  const [password, setPassword] = useState('');
  const [fault, setFault] = useState<string>();
  const take = (file: File): void => {
    readOther(file, password)
      .then((read) => {
        const here = new Set(state.sources.map(({ id }) => id));
        if (!read.state.sources.some(({ id }) => here.has(id)))
          throw new Error('It has none of the texts of this study, so there is nothing to compare.');
        setFault(undefined);
        setOther(read);
      })
      .catch((error: unknown) => {
        setOther(undefined);
        setFault(error instanceof Error ? error.message : String(error));
      });
  };
  return (
    <Modal
      open
      title="Beside another study of the same texts"
      width="min(980px, 94vw)"
      footer={null}
      onCancel={onClose}
    >
      <div className="stack">
        <p className="quiet">
          A colleague’s study file, or one of your own from before. It is only looked at: nothing of it comes
          in but the decisions you take over, and each of those can be undone.
        </p>
        <div className="control-row">
          <input
            type="file"
            accept=".thicket"
            aria-label="Study file to lay beside"
            onChange={({ target }) => {
              const [file] = target.files ?? [];
              if (file) take(file);
              // The same file can be chosen again, with its password.
              target.value = '';
            }}
          />
          <Input.Password
            size="small"
            className="short"
            aria-label="Password of the study file"
            placeholder="Its password, if it has one"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
        </div>
        {fault !== undefined && <Alert type="error" title={fault} />}
        {other && <TwoStudies key={other.name} other={other} />}
      </div>
    </Modal>
  );
}

function TwoStudies({ other }: { other: Other }) {
  const { id, log } = useStudy();
  const tellFault = useTellFault();
  const ask = useAsk();
  const [view, setView] = useState<ColleagueView>();
  const [fault, setFault] = useState<string>();
  useEffect(() => {
    const control = new AbortController();
    ask('colleague', { state: other.state, register: other.register }, control.signal)
      .then(setView)
      .catch((error: unknown) => {
        if (!isStopped(error)) setFault(error instanceof Error ? error.message : String(error));
      });
    return () => control.abort();
  }, [ask, other]);
  const { shared, onlyHere, onlyThere } = useMemo(() => twoRecords(log, other.log), [log, other.log]);
  const takeable = onlyThere.filter(({ decision }) => canBeTakenOver(decision));
  const takeOver = (decisions: readonly Decision[]): void =>
    tellFault('Not all was taken over', async () => {
      for (const decision of decisions) await makeDecision(id, decision);
    });
  return (
    <>
      <section aria-label="Decisions">
        <h3>What was decided otherwise</h3>
        <p className="quiet">
          {`${counted(shared, 'decision')} in both, ${inFigures(onlyHere.length)} only here, ${inFigures(onlyThere.length)} only there.`}
        </p>
        {takeable.length > 1 && (
          <Button size="small" onClick={() => takeOver(takeable.map(({ decision }) => decision))}>
            {`Take over all ${counted(takeable.length, 'decision')}`}
          </Button>
        )}
        <div className={styles.twoLists}>
          <ul className="plain-list" aria-label="Decided there">
            {onlyThere.slice(0, MOST_NAMED).map(({ seq, decision, reason, time }) => (
              <li key={seq} className={styles.otherDecision}>
                <span title={time.slice(0, 16).replace('T', ' ')}>
                  {describeDecision(decision)}
                  {reason !== undefined && reason !== '' && <em className="quiet"> – {reason}</em>}
                </span>
                {canBeTakenOver(decision) ? (
                  <Button size="small" onClick={() => takeOver([decision])}>
                    Take over
                  </Button>
                ) : (
                  <span className="quiet">needs its texts</span>
                )}
              </li>
            ))}
            {onlyThere.length > MOST_NAMED && (
              <li className="quiet">… and {onlyThere.length - MOST_NAMED} more there</li>
            )}
          </ul>
          <ul className="plain-list" aria-label="Decided here">
            {onlyHere.slice(0, MOST_NAMED).map(({ seq, decision }) => (
              <li key={seq}>{describeDecision(decision)}</li>
            ))}
            {onlyHere.length > MOST_NAMED && (
              <li className="quiet">… and {onlyHere.length - MOST_NAMED} more here</li>
            )}
          </ul>
        </div>
      </section>
      {fault !== undefined && <Alert type="error" title={`The themes were not compared: ${fault}`} />}
      {view ? (
        <WhatCame view={view} />
      ) : (
        fault === undefined && <p className="quiet">Working out the other study …</p>
      )}
    </>
  );
}

const nameOf = (groups: readonly NamedGroup[], group: number): string =>
  group < 0 ? 'no theme' : `${groups[group].letter} ${groups[group].label}`;
const few = (words: readonly string[]): string =>
  words.length > MOST_NAMED
    ? `${words.slice(0, MOST_NAMED).join(', ')} and ${words.length - MOST_NAMED} more`
    : listed(words);

function WhatCame({ view }: { view: ColleagueView }) {
  const { sources, concepts, here, there, labels, flows, agreement, shared, strengths } = view;
  const partner = new Map(strengths.map((each) => [each.there, each.here]));
  // What is with its like in both is not told.
  const moved = flows.filter(({ from, to }) => partner.get(from) !== to && !(from < 0 && to < 0));
  return (
    <>
      <section aria-label="Concepts">
        <h3>Concepts</h3>
        <p>
          {`${counted(concepts.both, 'concept')} in both, from ${counted(sources.both, 'source')} that both work with`}
          {sources.onlyHere + sources.onlyThere > 0 &&
            ` (${inFigures(sources.onlyHere)} only here, ${inFigures(sources.onlyThere)} only there)`}
          .
        </p>
        {concepts.onlyThere.length > 0 && <p>Only there: {few(concepts.onlyThere)}.</p>}
        {concepts.onlyHere.length > 0 && <p>Only here: {few(concepts.onlyHere)}.</p>}
      </section>
      <section aria-label="Themes">
        <h3>Themes</h3>
        <p>
          <span title="Adjusted mutual information over the concepts that are in a theme in both: about 0 by chance, 1 when the same">
            {`${here.length} here, ${there.length} there; they agree to ${agreement.toFixed(2)} (AMI, ${counted(shared, 'concept')}).`}
          </span>
        </p>
        <table className={styles.twoThemes}>
          <thead>
            <tr>
              <th scope="col">There</th>
              <th scope="col">Here</th>
              <th scope="col">Strength there</th>
              <th scope="col">Strength here</th>
            </tr>
          </thead>
          <tbody>
            {strengths.map((row) => (
              <tr key={row.here}>
                <td>{nameOf(there, row.there)}</td>
                <td>{nameOf(here, row.here)}</td>
                <td>{percent(row.shareThere, 1)}</td>
                <td>{percent(row.shareHere, 1)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {moved.length > 0 && (
          <ul aria-label="Concepts that are elsewhere">
            {moved.map(({ from, to, keys }) => (
              <li key={`${from} ${to}`}>
                {few(keys.map((key) => ownValue(labels, key) ?? key))}: there in {nameOf(there, from)}, here
                in {nameOf(here, to)}
              </li>
            ))}
          </ul>
        )}
      </section>
    </>
  );
}
