import { Select, Table } from 'antd';
import type { LinkRow } from '@green-thicket/core/study/view-types';
import { counted, MEASURE_NAMES } from '@green-thicket/core/study/sentences';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../shell/selection.ts';
import { useStudy } from '../../shell/study-context.ts';
import { ThemeLetter } from '../ThemeLetter.tsx';
import { StrengthChart } from './StrengthChart.tsx';

const MOST_ROWS = 5000;

/** Links: the distribution of strengths with the cut-off, the sorted list, and the company of one concept. */
export function LinksStop() {
  const { state } = useStudy();
  const { selection, select } = useSelection();
  const concept = selection?.kind === 'concept' ? selection.key : null;
  const { data, isPlaceholderData } = useView('links', { concept, limit: MOST_ROWS });
  const themes = useView('themes', null).data;
  const { measure, cutOff } = state.settings.links;
  const all = [...(themes?.themes.flatMap((theme) => theme.concepts) ?? []), ...(themes?.loose ?? [])];
  const linkKey = selection?.kind === 'link' ? selection.keys.join('—') : '';
  return (
    <>
      <section className="ledger" aria-label="Company">
        <h2 className="pane-title">Company of</h2>
        <Select
          showSearch
          allowClear
          className="wide"
          aria-label="Company of a concept"
          placeholder="any concept"
          value={concept}
          options={all.map(({ key, label }) => ({ value: key, label }))}
          optionFilterProp="label"
          onChange={(key?: string) => select(key ? { kind: 'concept', key } : null)}
        />
        <p className="quiet">
          {concept
            ? 'All concepts it shares a window with; those in grey do not stand as links.'
            : 'Pick a concept to see what it keeps company with.'}
        </p>
        {data && (
          <ul className="plain-list figures-list">
            <li>
              <strong>{data.standing.toLocaleString('en-GB')}</strong> links stand
            </li>
            <li>of {data.pairs.toLocaleString('en-GB')} pairs that share a window</li>
            <li>
              <strong>{data.linkedConcepts}</strong> of {counted(data.concepts, 'concept')} have a link
            </li>
            <li>{data.windows.toLocaleString('en-GB')} windows</li>
          </ul>
        )}
      </section>
      <main className="stage" aria-label="Links">
        {data && data.standing === 0 && !concept ? (
          <div className="empty-stage">
            <h2>{state.sources.length === 0 ? 'No links yet' : 'There is too little to link'}</h2>
            <p>
              {state.sources.length === 0
                ? 'Add texts at Sources; links between concepts will stand here.'
                : 'No two concepts share enough windows to be told from chance. More text, a longer window, a lower cut-off or fewer shared windows in the sentence above would help.'}
            </p>
          </div>
        ) : (
          <div className={isPlaceholderData ? 'stage-body dimmed' : 'stage-body'}>
            {data && (
              <StrengthChart strengths={data.strengths} cutOff={cutOff} measure={MEASURE_NAMES[measure]} />
            )}
            {data && (
              <Table<LinkRow>
                size="small"
                virtual
                pagination={false}
                scroll={{ y: 300, x: 580 }}
                rowKey={(row) => `${row.source}—${row.target}`}
                dataSource={[...data.rows]}
                rowClassName={(row) =>
                  `${row.stands ? '' : 'not-standing'} ${`${row.source}—${row.target}` === linkKey ? 'picked-row' : ''}`
                }
                columns={[
                  {
                    title: concept ? 'Company' : 'Link',
                    key: 'link',
                    width: 240,
                    render: (_, row) => (
                      <button
                        type="button"
                        className="linklike"
                        title="Read its passages"
                        onClick={() => select({ kind: 'link', keys: [row.source, row.target] })}
                      >
                        {!concept && (
                          <>
                            <ThemeLetter letter={row.sourceTheme} /> {row.sourceLabel} —{' '}
                          </>
                        )}
                        <ThemeLetter letter={row.targetTheme} /> {row.targetLabel}
                      </button>
                    ),
                  },
                  { title: 'Windows', dataIndex: 'both', width: 105, sorter: (a, b) => a.both - b.both },
                  {
                    title: (
                      <span title="How much oftener they share a window than by chance, −1 to 1">NPMI</span>
                    ),
                    dataIndex: 'npmi',
                    width: 80,
                    sorter: (a, b) => a.npmi - b.npmi,
                    render: (value: number) => value.toFixed(2),
                  },
                  {
                    title: <span title="Log-likelihood ratio, corrected for overlapping windows">G²</span>,
                    dataIndex: 'g2',
                    width: 70,
                    sorter: (a, b) => a.g2 - b.g2,
                    render: (value: number) => value.toFixed(1),
                  },
                  {
                    title: (
                      <span title="Chance, adjusted for testing many pairs (Benjamini and Hochberg)">q</span>
                    ),
                    dataIndex: 'q',
                    width: 90,
                    sorter: (a, b) => a.q - b.q,
                    render: (value: number) => (value < 0.001 ? '< 0.001' : value.toFixed(3)),
                  },
                ]}
              />
            )}
          </div>
        )}
      </main>
    </>
  );
}
