import { MEASURES } from '@green-thicket/core/network/measures';
import { Segmented } from 'antd';
import { useState } from 'react';
import type { LinkRow, LinksView } from '@green-thicket/core/views/view-types';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { useView } from '../../engine/use-view.ts';
import { RepeatsNote } from '../RepeatsNote.tsx';
import { FigureTable } from '../../pieces/FigureTable.tsx';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useLetters } from '../../pieces/use-letters.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ByGroup } from './ByGroup.tsx';
import { Company } from './Company.tsx';
import { CutOff } from './CutOff.tsx';
import { linksShown, SHOWN_LINKS, type ShownLinks } from './shown-links.ts';
import { Nearest } from './Nearest.tsx';
import { RepeatedQuestion } from './RepeatedQuestion.tsx';
import { LinkMatrix } from './LinkMatrix.tsx';
import { NetworkLinks } from './NetworkLinks.tsx';
import { useLinkColumns } from './use-link-columns.tsx';
import { StrengthChart } from './StrengthChart.tsx';
import { Select } from '../../pieces/Select.tsx';
import styles from './LinksStop.module.css';
import { FirstNote } from '../../pieces/FirstNote.tsx';

const MOST_ROWS = 5000;

const keyOf = (row: LinkRow): string => `${row.source}—${row.target}`;

/** Links: the distribution of strengths with the cut-off, the sorted list, and the company of one concept. */
export function LinksStop() {
  return useNetwork() ? <NetworkLinks /> : <LinksOfTexts />;
}

function LinksOfTexts() {
  const { state } = useStudy();
  const { selection } = useSelection();
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
  const options = all.map(({ key, label }) => ({ value: key, label }));
  const linkKey = selection?.kind === 'link' ? selection.keys.join('—') : '';
  const columns = useLinkColumns(concept, shown, letterOf);
  return (
    <InTurn>
      <main className="centre" aria-label="Links">
        <FirstNote of="centre" />
        <RepeatedQuestion />
        <RepeatsNote />
        {data && data.standing === 0 && !concept ? (
          <NoLinks nearest={data.nearest} />
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
              <CompanyOf concept={concept} options={options} />
              {data && <LinkFigures data={data} />}
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

/** Whose company is looked at. */
function CompanyOf({
  concept,
  options,
}: {
  concept: string | null;
  options: readonly { readonly value: string; readonly label: string }[];
}) {
  const { select } = useSelection();
  return (
    <label
      className={styles.companyOf}
      title={
        concept
          ? 'All concepts it shares a window with; those in grey do not stand as links'
          : 'Pick a concept to see what it keeps company with'
      }
    >
      company of{' '}
      <Select
        size="small"
        showSearch
        allowClear
        popupMatchSelectWidth={false}
        aria-label="Company of a concept"
        placeholder="any concept"
        value={concept}
        options={[...options]}
        optionFilterProp="label"
        onChange={(key?: string) => select(key ? { kind: 'concept', key } : null)}
      />
    </label>
  );
}

/** How many links stand, of how many there may be. */
function LinkFigures({ data }: { data: LinksView }) {
  return (
    <span className={`quiet ${styles.figuresList}`}>
      <strong>{inFigures(data.standing)}</strong> links stand of {inFigures(data.pairs)} pairs that share one
      of {inFigures(data.windows)} windows; <strong>{data.linkedConcepts}</strong> of{' '}
      {counted(data.concepts, 'concept')} have one
    </span>
  );
}

/** What stands where no link does: what would help, and what comes nearest to one. */
function NoLinks({ nearest }: Pick<LinksView, 'nearest'>) {
  const { state } = useStudy();
  return (
    <div className="empty-centre">
      <h2>{state.sources.length === 0 ? 'No links yet' : 'There is too little to link'}</h2>
      <p>
        {state.sources.length === 0
          ? 'Add texts at Sources; links between concepts will stand here.'
          : 'No two concepts share enough windows to be told from chance. More text, a longer window, a lower cut-off or fewer shared windows in the sentence above would help.'}
      </p>
      {nearest.length > 0 && <Nearest rows={nearest} />}
    </div>
  );
}
