import { MEASURES } from '@green-thicket/core/network/measures';
import { Segmented } from 'antd';
import { useCallback, useMemo, useState } from 'react';
import type { LinkRow } from '@green-thicket/core/views/view-types';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { useView } from '../../engine/use-view.ts';
import { RepeatsNote } from '../RepeatsNote.tsx';
import { FigureTable, type FigureColumn } from '../../pieces/FigureTable.tsx';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useLetters } from '../../pieces/use-letters.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ThemeLetter } from '../../pieces/ThemeLetter.tsx';
import { ByGroup } from './ByGroup.tsx';
import { Company } from './Company.tsx';
import { CutOff } from './CutOff.tsx';
import { linksShown, SHOWN_LINKS, type ShownLinks } from './shown-links.ts';
import { Nearest } from './Nearest.tsx';
import { LinkMatrix } from './LinkMatrix.tsx';
import { NetworkLinks } from './NetworkLinks.tsx';
import { StrengthChart } from './StrengthChart.tsx';
import { Select } from '../../pieces/Select.tsx';
import styles from './LinksStop.module.css';

const MOST_ROWS = 5000;

const BEYOND_WORDS: Readonly<Record<LinkRow['beyond'], string>> = {
  within: 'by meetings',
  sources: 'by sources',
  neither: '–',
};
/** The chance of what a link is beyond chance by. */
const qOf = (row: LinkRow): number => (row.beyond === 'sources' ? row.qBetween : row.q);

const keyOf = (row: LinkRow): string => `${row.source}—${row.target}`;

/** Links: the distribution of strengths with the cut-off, the sorted list, and the company of one concept. */
export function LinksStop() {
  return useNetwork() ? <NetworkLinks /> : <LinksOfTexts />;
}

function LinksOfTexts() {
  const { state } = useStudy();
  const { selection, select } = useSelection();
  const concept = selection?.kind === 'concept' ? selection.key : null;
  const { measure, cutOff } = state.settings.links;
  const { data, isPlaceholderData } = useView('links', { concept, limit: MOST_ROWS });
  const themes = useView('themes', null).data;
  const letterOf = useLetters(themes);
  const all = [...(themes?.themes.flatMap((theme) => theme.concepts) ?? []), ...(themes?.loose ?? [])];
  const [face, setFace] = useState<'list' | 'matrix' | 'company' | 'groups'>('list');
  const [shown, setShown] = useState<ShownLinks>('all');
  useShownFigure(face === 'company' ? undefined : { kind: 'links' });
  const rarer = useView('rarer', { limit: MOST_ROWS }, shown === 'rarer').data;
  const beyondOf = useCallback(
    (row: LinkRow) =>
      row.beyond === 'neither' && shown !== 'rarer' ? 'may be chance' : BEYOND_WORDS[row.beyond],
    [shown],
  );
  const options = all.map(({ key, label }) => ({ value: key, label }));
  const linkKey = selection?.kind === 'link' ? selection.keys.join('—') : '';
  const columns = useMemo(
    (): FigureColumn<LinkRow>[] => [
      {
        key: 'link',
        title: concept ? 'Company' : 'Link',
        width: 170,
        value: (row) => (concept ? row.targetLabel : `${row.sourceLabel} — ${row.targetLabel}`),
        render: (row) => (
          <button
            type="button"
            className="linklike"
            title={`${row.sourceLabel} — ${row.targetLabel}: read its passages`}
            onClick={() => select({ kind: 'link', keys: [row.source, row.target] })}
          >
            {!concept && (
              <>
                <ThemeLetter letter={letterOf.get(row.source) ?? ''} /> {row.sourceLabel} —{' '}
              </>
            )}
            <ThemeLetter letter={letterOf.get(row.target) ?? ''} /> {row.targetLabel}
          </button>
        ),
      },
      {
        key: 'both',
        title: 'Windows',
        hint: 'Windows with both',
        width: 74,
        value: (row) => row.both,
      },
      {
        key: 'meetings',
        title: 'Meetings',
        hint: 'Windows with both that do not overlap, and in how many sources',
        width: 84,
        value: (row) => row.meetings,
        render: (row) => `${row.meetings} in ${row.sources}`,
      },
      {
        key: 'npmi',
        title: 'NPMI',
        hint: 'How much oftener they share a window than by chance, −1 to 1',
        width: 60,
        value: (row) => row.npmi,
        render: (row) => row.npmi.toFixed(2),
      },
      ...(measure === 'npmi' || measure === 'count'
        ? []
        : [
            {
              key: 'strength',
              title: MEASURES[measure].name,
              hint: MEASURES[measure].help,
              width: 72,
              value: (row: LinkRow) => row.strength,
              render: (row: LinkRow) => row.strength.toFixed(2),
            },
          ]),
      {
        key: 'beyond',
        title: 'Beyond chance',
        hint: 'By meetings: they meet oftener than the words of each source make likely, or those of all short sources together. By sources: only the same sources speak of both.',
        width: 112,
        value: beyondOf,
        render: beyondOf,
      },
      {
        key: 'q',
        title: 'q',
        hint: 'Chance, by meetings or by sources, adjusted for testing many pairs (Benjamini and Hochberg)',
        width: 66,
        value: qOf,
        render: (row) => (qOf(row) < 0.001 ? '< 0.001' : qOf(row).toFixed(3)),
      },
    ],
    [concept, measure, select, letterOf, beyondOf],
  );
  return (
    <InTurn>
      <section className="ledger" aria-label="Company">
        <h2 className="pane-title">Company of</h2>
        <Select
          showSearch
          allowClear
          className="wide"
          aria-label="Company of a concept"
          placeholder="any concept"
          value={concept}
          options={options}
          optionFilterProp="label"
          onChange={(key?: string) => select(key ? { kind: 'concept', key } : null)}
        />
        <p className="quiet">
          {concept
            ? 'All concepts it shares a window with; those in grey do not stand as links.'
            : 'Pick a concept to see what it keeps company with.'}
        </p>
        {data && (
          <ul className={`plain-list ${styles.figuresList}`}>
            <li>
              <strong>{inFigures(data.standing)}</strong> links stand
            </li>
            <li>of {inFigures(data.pairs)} pairs that share a window</li>
            <li>
              <strong>{data.linkedConcepts}</strong> of {counted(data.concepts, 'concept')} have a link
            </li>
            <li>{inFigures(data.windows)} windows</li>
          </ul>
        )}
        <RepeatsNote />
      </section>
      <main className="centre" aria-label="Links">
        {data && data.standing === 0 && !concept ? (
          <div className="empty-centre">
            <h2>{state.sources.length === 0 ? 'No links yet' : 'There is too little to link'}</h2>
            <p>
              {state.sources.length === 0
                ? 'Add texts at Sources; links between concepts will stand here.'
                : 'No two concepts share enough windows to be told from chance. More text, a longer window, a lower cut-off or fewer shared windows in the sentence above would help.'}
            </p>
            {data.nearest.length > 0 && <Nearest rows={data.nearest} />}
          </div>
        ) : (
          <div className={isPlaceholderData ? 'centre-body stacked dimmed' : 'centre-body stacked'}>
            <div className="centre-bar">
              <Segmented
                aria-label="How to look at the links"
                value={face}
                options={[
                  { value: 'list', label: 'List' },
                  { value: 'matrix', label: 'Matrix' },
                  { value: 'company', label: 'Company' },
                  { value: 'groups', label: 'By group' },
                ]}
                onChange={setFace}
              />
              {face === 'list' && !concept && (
                <Select
                  size="small"
                  aria-label="Which links"
                  popupMatchSelectWidth={false}
                  value={shown}
                  options={SHOWN_LINKS.map(({ value, label, title }) => ({ value, label, title }))}
                  onChange={setShown}
                />
              )}
            </div>
            {face === 'matrix' && <LinkMatrix />}
            {face === 'company' && <Company key={concept} concept={concept} options={options} />}
            {face === 'groups' && <ByGroup />}
            {data && face === 'list' && (
              <InTurn>
                <StrengthChart strengths={data.strengths} cutOff={cutOff} measure={MEASURES[measure].name}>
                  <CutOff key={measure} data={data} settings={state.settings.links} />
                </StrengthChart>
                <FigureTable
                  label={concept ? 'Company' : 'Links'}
                  rows={concept ? data.rows : linksShown(shown, data.rows, rarer?.rows)}
                  rowKey={keyOf}
                  rowClass={(row) =>
                    `${row.stands ? '' : styles.notStanding} ${keyOf(row) === linkKey ? styles.pickedRow : ''}`
                  }
                  columns={columns}
                />
              </InTurn>
            )}
          </div>
        )}
      </main>
    </InTurn>
  );
}
