import { AutoComplete, Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { FIGURES, figureSentence, type FigureContext } from '@green-thicket/core/words/figure-sentences';
import { useSame } from '../../pieces/use-same.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ConceptVariants } from './ConceptVariants.tsx';
import { NameKindChoice } from './NameKindChoice.tsx';
import { FIGURE_FACES, type FiguredRow } from './figures.ts';
import { neverShow } from '../../pieces/never-show.ts';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './ConceptCard.module.css';

/** The picked concept: its figures in words, and what can be decided about it. */
export function ConceptCard({
  row,
  rows,
  context,
}: {
  row: FiguredRow;
  rows: readonly FiguredRow[];
  context: FigureContext;
}) {
  const { decide } = useStudy();
  const [name, setName] = useState(row.label);
  const [into, setInto] = useState('');
  const decided = row.status === 'kept' || row.status === 'dropped';
  const target = rows.find(
    (each) => each.key !== row.key && (each.label === into.trim() || each.key === into.trim()),
  );
  const rename = (): void => {
    if (name.trim() !== row.label) decide({ kind: 'renameConcept', key: row.key, label: name });
  };
  const merge = (): void => {
    if (!target) return;
    decide({ kind: 'mergeConcepts', into: target.key, keys: [row.key] });
    setInto('');
  };
  const typed = into.trim().toLowerCase();
  const merging = useSame({
    value: into,
    options:
      typed === ''
        ? []
        : rows
            .filter((each) => each.key !== row.key && each.label.toLowerCase().includes(typed))
            .slice(0, 8)
            .map((each) => ({ value: each.label })),
  });
  // Drawn again only when it shows something else, as a Select is.
  const mergeBox = useMemo(
    () => (
      <AutoComplete
        size="small"
        className="short"
        aria-label="Merge into"
        placeholder="Merge into …"
        {...merging}
        onChange={setInto}
      />
    ),
    [merging],
  );
  return (
    <section className={styles.conceptCard} aria-label={`Concept ${row.label}`}>
      <div className={styles.conceptFigures}>
        <strong>{row.label}</strong>
        {FIGURES.filter((figure) => figure !== 'distinct' || row.use).map((figure) => (
          <span key={figure} title={figureSentence(figure, row, context)}>
            {FIGURE_FACES[figure].title.toLowerCase()} <b>{FIGURE_FACES[figure].show(row)}</b>
          </span>
        ))}
        {row.shorter.length > 0 && (
          <span>also {row.shorter.map(({ form, mentions }) => `${form} (${mentions})`).join(', ')}</span>
        )}
        {row.part === 'name' && <NameKindChoice name={row.written} />}
        {row.variants.length > 0 && <ConceptVariants row={row} />}
      </div>
      <details className={styles.figureSentences}>
        <summary>What these figures say</summary>
        <ul>
          {FIGURES.map((figure) => (
            <li key={figure}>{figureSentence(figure, row, context)}</li>
          ))}
        </ul>
        <HowFound page="concepts" heading="Figures of a concept" />
      </details>
      <div className={styles.conceptActions}>
        <Button
          size="small"
          type={row.status === 'kept' ? 'primary' : 'default'}
          aria-pressed={row.status === 'kept'}
          onClick={() =>
            decide({ kind: row.status === 'kept' ? 'leaveConcepts' : 'keepConcepts', keys: [row.key] })
          }
        >
          Keep
        </Button>
        <Button
          size="small"
          danger={row.status === 'dropped'}
          aria-pressed={row.status === 'dropped'}
          onClick={() =>
            decide({ kind: row.status === 'dropped' ? 'leaveConcepts' : 'dropConcepts', keys: [row.key] })
          }
        >
          Drop
        </Button>
        {decided && <span className="quiet">{row.status} by you</span>}
        <Button
          size="small"
          title="A word goes on the study’s stop list; a phrase is dropped, and its words stay"
          onClick={() => decide(neverShow([row.key]))}
        >
          Never show
        </Button>
        <Input
          size="small"
          className="short"
          aria-label="Name"
          value={name}
          maxLength={100}
          onChange={(event) => setName(event.target.value)}
          onPressEnter={rename}
          onBlur={rename}
        />
        {mergeBox}
        <Button size="small" disabled={!target} onClick={merge}>
          Merge
        </Button>
      </div>
    </section>
  );
}
