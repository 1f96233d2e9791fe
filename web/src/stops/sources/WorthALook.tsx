import { Button, Modal } from 'antd';
import { useState } from 'react';
import { counted, listed, percent, inFigures } from '@green-thicket/core/base/wording';
import { workingSources } from '@green-thicket/core/study/subset';
import { languageAttribute } from '@green-thicket/core/study/told-languages';
import { LANGUAGE_CODES, LANGUAGES, type LanguageCode } from '@green-thicket/core/languages/language-names';
import { MailParts } from './MailParts.tsx';
import { Repeats } from './Repeats.tsx';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import styles from './WorthALook.module.css';

/** What may be wrong with the collection: languages that mix, parts of mails, what repeats, and sources that say the same. */
export function WorthALook() {
  return (
    <>
      <h2 className="pane-title">Worth a look</h2>
      <Languages />
      <MailParts />
      <Repeats />
      <Duplicates />
    </>
  );
}

function Languages() {
  const { state, decide } = useStudy();
  const { data } = useView('languages', null);
  const sources = workingSources(state);
  if (!data || data.of.length !== sources.length) return <p className="quiet">Looking at the languages …</p>;
  const counts = LANGUAGE_CODES.map((code) => ({
    code,
    count: data.of.filter((each) => each === code).length,
  })).filter(({ count }) => count > 0);
  const unknown = data.of.filter((each) => each === '').length;
  const nameOf = (code: LanguageCode | ''): string => (code === '' ? 'unknown' : LANGUAGES[code]);
  const isMixed = counts.length > 1;
  const attribute = languageAttribute(sources);
  const said = [
    ...counts.map(
      ({ code, count }) =>
        `${inFigures(count)} ${code === 'other' ? 'in another language' : LANGUAGES[code]}`,
    ),
    ...(unknown > 0 ? [`${inFigures(unknown)} too short to tell`] : []),
  ];
  return (
    <p className={isMixed ? styles.warningNote : 'quiet'} role={isMixed ? 'alert' : undefined}>
      Language: {said.length === 0 ? 'none found' : listed(said)}.
      {isMixed && (
        <>
          {' '}
          {attribute === undefined
            ? 'Each is read in its own, by what is known of it. Told wrongly, or to work with one at a time:'
            : `Each is read in its own; what “${attribute}” says goes first.`}{' '}
          {attribute === undefined && (
            <Button
              size="small"
              onClick={() =>
                decide({
                  kind: 'setValues',
                  values: {
                    language: Object.fromEntries(sources.map((source, i) => [source.id, nameOf(data.of[i])])),
                  },
                })
              }
            >
              Note it as an attribute
            </Button>
          )}
        </>
      )}
    </p>
  );
}

const LISTED_PAIRS = 100;

function Duplicates() {
  const { state, decide } = useStudy();
  const { openSource } = useSelection();
  const { data } = useView('duplicates', null);
  const [open, setOpen] = useState(false);
  if (!data) return <p className="quiet">Looking for sources that say the same …</p>;
  const byId = new Map(state.sources.map((source) => [source.id, source]));
  const pairs = data.pairs.filter(({ a, b }) => byId.has(a) && byId.has(b));
  if (pairs.length === 0) return <p className="quiet">No two sources say the same.</p>;
  const reader = (id: string) => (
    <button
      type="button"
      className="linklike"
      onClick={() => {
        setOpen(false);
        openSource({ sourceId: id, at: 0 });
      }}
    >
      {byId.get(id)?.name}
    </button>
  );
  return (
    <p className={styles.warningNote}>
      {counted(pairs.length, 'pair')} of sources {pairs.length === 1 ? 'says' : 'say'} the same, or nearly.{' '}
      <Button size="small" onClick={() => setOpen(true)}>
        Look at them
      </Button>
      <Modal
        open={open}
        width={680}
        title="Sources that say the same, or nearly"
        footer={null}
        onCancel={() => setOpen(false)}
      >
        <p className="quiet">
          The share of the shorter one’s runs of five words that stand in the other too.
        </p>
        <table className="preview-table">
          <tbody>
            {pairs.slice(0, LISTED_PAIRS).map(({ a, b, overlap }) => (
              <tr key={`${a}-${b}`}>
                <td>{percent(overlap)}</td>
                <td>{reader(a)}</td>
                <td>{reader(b)}</td>
                <td>
                  <Button size="small" onClick={() => decide({ kind: 'removeSources', ids: [b] })}>
                    Remove the second
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {pairs.length > LISTED_PAIRS && <p className="quiet">… and {pairs.length - LISTED_PAIRS} more.</p>}
      </Modal>
    </p>
  );
}
